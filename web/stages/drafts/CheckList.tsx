import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { departures } from '@opsimath/core/copy/houseStyle';
import { measure } from '@opsimath/core/copy/measure';
import type { TitleStyle } from '@opsimath/core/copy/titleStyle';
import { Input } from 'antd';
import { useState } from 'react';
import { bannedIn } from './markedParts';
import { OPENING_CHECK } from './OpeningLine';
import { pixelWidth } from './pixelWidth';
import type { DraftFacts } from './useDraftFacts';
import { t } from '../../words/t';

/** One thing to see to before publishing; by the facts, or ticked by hand. */
export interface Check {
  text: string;
  done: boolean;
  byHand?: number;
}

/** What the facts say of a draft, then what was added by hand. */
export function checksOf(
  draft: Draft,
  fields: readonly DraftField[],
  { fields: held, coverage }: DraftFacts,
  style: TitleStyle,
): Check[] {
  const fits = fields.every(({ name, limit, slots, isShared }) => {
    const text = draft.fields[name] ?? '';
    return (slots === 1 || isShared ? [text] : slotsOf(text)).every(
      (part) => measure(part, limit.unit, pixelWidth) <= limit.most,
    );
  });
  const clean = held.every((field) => bannedIn(field, draft.banned).length === 0);
  const departed = departures(draft.fields.title ?? '', style);
  const hidden = fields.find(({ isHidden }) => isHidden);
  const empty = fields.filter(({ name, isHidden }) => !isHidden && (draft.fields[name] ?? '').trim() === '');
  return [
    { text: t('drafts:CheckList.theLeadKeywordStandsWholeIn'), done: coverage.leadAt !== null },
    { text: t('drafts:CheckList.itStandsFirst'), done: coverage.leadAt === 1 },
    { text: t('drafts:CheckList.everyFieldIsWithinItsLimit'), done: fits },
    {
      text: t('drafts:CheckList.everyWordOfItsKeywordsIs'),
      done: draft.keywords.length > 0 && coverage.missing.length === 0,
    },
    { text: t('drafts:CheckList.noWordStandsInItThat'), done: clean },
    ...(hidden
      ? [
          {
            text: t('drafts:CheckList.hiddenSlotsAreFilled'),
            done: (draft.fields[hidden.name] ?? '').trim() !== '',
          },
        ]
      : []),
    {
      text:
        empty.length === 0
          ? t('drafts:CheckList.noFieldIsEmpty')
          : t('drafts:CheckList.stillEmptyEmpty', { empty: empty.map(({ name }) => name).join(', ') }),
      done: empty.length === 0,
    },
    ...(departed.length > 0
      ? [
          {
            text: t('drafts:CheckList.theTitleKeepsTheHouseStyle', { departed: departed.join('; ') }),
            done: false,
          },
        ]
      : [
          {
            text: t('drafts:CheckList.theTitleKeepsTheHouseStyle2'),
            done: (draft.fields.title ?? '') !== '',
          },
        ]),
    { text: t('drafts:CheckList.itsTargetHasAnAddress'), done: draft.address !== '' },
    ...draft.checks.flatMap((check, byHand) =>
      check.text.startsWith(OPENING_CHECK) ? [] : [{ ...check, byHand }],
    ),
  ];
}

interface CheckListProps {
  draft: Draft;
  checks: readonly Check[];
  onChange: (change: Omit<DraftChange, 'revision' | 'person'>) => void;
}

export function CheckList({ draft, checks, onChange }: CheckListProps) {
  const [text, write] = useState('');
  const set = (next: Draft['checks']): void => onChange({ checks: next });
  return (
    <>
      <ul className="check-list">
        {checks.map(({ text: what, done, byHand }, n) => (
          <li key={n}>
            {byHand === undefined ? (
              <>
                <span aria-hidden>{done ? '✓' : '·'}</span>{' '}
                <span className={done ? 'soft' : undefined}>{what}</span>
                <span className="read-only">
                  {done ? t('drafts:CheckList.done') : t('drafts:CheckList.notYet')}
                </span>
              </>
            ) : (
              <label>
                <input
                  type="checkbox"
                  checked={done}
                  onChange={() =>
                    set(draft.checks.map((one, at) => (at === byHand ? { ...one, done: !done } : one)))
                  }
                />{' '}
                {what}{' '}
                <button
                  className="plain written soft"
                  onClick={() => set(draft.checks.filter((_, at) => at !== byHand))}
                >
                  {t('drafts:CheckList.remove')}
                </button>
              </label>
            )}
          </li>
        ))}
      </ul>
      <Input
        size="small"
        aria-label={t('drafts:CheckList.aFurtherCheck')}
        placeholder={t('drafts:CheckList.addACheckOfYourOwn')}
        value={text}
        onChange={({ target }) => write(target.value)}
        onPressEnter={() => {
          if (text.trim() === '') return;
          set([...draft.checks, { text: text.trim(), done: false }]);
          write('');
        }}
      />
    </>
  );
}

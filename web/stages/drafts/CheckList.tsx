import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { departures } from '@opsimath/core/copy/houseStyle';
import { measure } from '@opsimath/core/copy/measure';
import type { TitleStyle } from '@opsimath/core/copy/titleBuilder';
import { Input } from 'antd';
import { useState } from 'react';
import { bannedIn } from './markedParts';
import { OPENING_CHECK } from './OpeningLine';
import { pixelWidth } from './pixelWidth';
import type { DraftFacts } from './useDraftFacts';

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
    { text: 'The lead keyword stands whole in the title', done: coverage.leadAt !== null },
    { text: 'It stands first', done: coverage.leadAt === 1 },
    { text: 'Every field is within its limit', done: fits },
    {
      text: 'Every word of its keywords is in the copy',
      done: draft.keywords.length > 0 && coverage.missing.length === 0,
    },
    { text: 'No word stands in it that is not to be used, or is doubtful', done: clean },
    ...(hidden
      ? [{ text: 'Hidden slots are filled', done: (draft.fields[hidden.name] ?? '').trim() !== '' }]
      : []),
    {
      text:
        empty.length === 0 ? 'No field is empty' : `Still empty: ${empty.map(({ name }) => name).join(', ')}`,
      done: empty.length === 0,
    },
    ...(departed.length > 0
      ? [{ text: `The title keeps the house style: ${departed.join('; ')}`, done: false }]
      : [{ text: 'The title keeps the house style', done: (draft.fields.title ?? '') !== '' }]),
    { text: 'Its target has an address', done: draft.address !== '' },
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
                <span className="read-only">{done ? ', done' : ', not yet'}</span>
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
                  Remove
                </button>
              </label>
            )}
          </li>
        ))}
      </ul>
      <Input
        size="small"
        aria-label="A further check"
        placeholder="Add a check of your own, then Enter"
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

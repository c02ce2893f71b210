import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftField } from '@opsimath/core/copy/draftFields';
import { titleBuilder } from '@opsimath/core/copy/titleBuilder';
import type { TitleStyle } from '@opsimath/core/copy/titleStyle';
import { measure } from '@opsimath/core/copy/measure';
import { Button, Input, Modal, Select } from 'antd';
import { useMemo, useState } from 'react';
import { count } from '../../parts/words/figures';
import { useTitleStyle } from './useTitleStyle';
import { pixelWidth } from './pixelWidth';
import type { DraftFacts } from './useDraftFacts';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const MOST = 12;

interface TitleIdeasProps {
  draft: Draft;
  fields: readonly DraftField[];
  facts: DraftFacts;
  onWrite: (field: string, text: string) => void;
  onClose: () => void;
}

function branded(style: TitleStyle, brand: string): TitleStyle {
  return { ...style, brand, brandPlace: brand === '' ? 'nowhere' : 'last' };
}

/** Titles that carry the lead whole and first and as many of the others as fit, beside the present one. */
export function TitleIdeas({ draft, fields, facts, onWrite, onClose }: TitleIdeasProps) {
  const [kept, change] = useTitleStyle(draft.market);
  // A brand is the project’s once it is typed to its end.
  const [brand, type] = useState<string | null>(null);
  const style = useMemo(() => (brand === null ? kept : branded(kept, brand)), [kept, brand]);
  const keepBrand = (): void => {
    const { brand, brandPlace } = style;
    if (brand !== kept.brand) change({ brand, brandPlace });
  };
  const [left, leave] = useState<ReadonlySet<number>>(new Set());
  const limit = useMemo(
    () => fields.find(({ name }) => name === 'title')?.limit ?? { most: 60, unit: 'characters' as const },
    [fields],
  );
  const chosen = useMemo(
    () =>
      facts.keywords
        .map((keyword, n) => ({ keyword, n }))
        .filter(({ n }) => !left.has(n))
        .slice(0, MOST),
    [facts.keywords, left],
  );
  const titles = useMemo(
    () =>
      titleBuilder(
        chosen.map(({ keyword }) => keyword),
        limit,
        style,
        draft.language,
        pixelWidth,
      ),
    [chosen, limit, style, draft.language],
  );
  return (
    <Modal
      open
      footer={null}
      width={760}
      onCancel={() => {
        keepBrand();
        onClose();
      }}
      title={<span className="serif">{t('drafts:TitleIdeas.buildATitle')}</span>}
    >
      <p>
        <Told
          id="drafts:TitleIdeas.betweenPhrasesCapitalsBrandAtThe"
          parts={{
            select: (
              <Select
                size="small"
                aria-label={t('drafts:TitleIdeas.betweenPhrases')}
                style={{ width: 90 }}
                value={style.separator}
                options={[', ', ' | ', ' – ', ' '].map((value) => ({
                  value,
                  label: value.trim() === '' ? t('drafts:TitleIdeas.space') : value.trim(),
                }))}
                onChange={(separator: string) => change({ separator })}
              />
            ),
            select2: (
              <Select
                size="small"
                aria-label={t('drafts:TitleIdeas.capitals')}
                style={{ width: 120 }}
                value={style.capitals}
                options={(['first word', 'every word', 'as typed'] as const).map((value) => ({
                  value,
                  label: wordOf(value),
                }))}
                onChange={(capitals: TitleStyle['capitals']) => change({ capitals })}
              />
            ),
          }}
        />{' '}
        <Input
          size="small"
          aria-label={t('drafts:TitleIdeas.brand')}
          placeholder={t('drafts:TitleIdeas.none')}
          style={{ width: 120 }}
          value={style.brand}
          onChange={({ target }) => type(target.value)}
          onBlur={keepBrand}
          onPressEnter={keepBrand}
        />
      </p>
      <p className="soft">
        {t('drafts:TitleIdeas.now')}{' '}
        {draft.fields.title === '' ? t('drafts:TitleIdeas.noTitle') : draft.fields.title}
        {t('drafts:TitleIdeas.atMostMostUnitThisStyle', {
          most: count(limit.most),
          unit: wordOf(limit.unit),
        })}
      </p>
      <table className="ledger" aria-label={t('drafts:TitleIdeas.titles')}>
        <tbody>
          {titles.map(({ title, whole, held, uncovered }) => (
            <tr key={title}>
              <td>
                <b>{title}</b>
                <span className="soft under">
                  {t('drafts:TitleIdeas.ceilUnitWholeWholeSearchesA', {
                    ceil: count(Math.ceil(measure(title, limit.unit, pixelWidth))),
                    unit: wordOf(limit.unit),
                    whole: count(Math.round(whole)),
                    held: count(Math.round(held)),
                  })}
                  {uncovered.length > 0 &&
                    t('drafts:TitleIdeas.withoutUncovered', {
                      uncovered: uncovered.map((n) => chosen[n]!.keyword.key).join(', '),
                    })}
                </span>
              </td>
              <td>
                <Button
                  size="small"
                  onClick={() => {
                    onWrite('title', title);
                    onClose();
                  }}
                >
                  {t('drafts:TitleIdeas.takeIt')}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft">{t('drafts:TitleIdeas.fromTheseKeywordsTheFirstOne', { MOST })}</p>
      <p>
        {facts.keywords.slice(0, 40).map(({ key }, n) => (
          <label key={key} className="title-word">
            <input
              type="checkbox"
              disabled={n === 0}
              checked={!left.has(n)}
              onChange={() => {
                const next = new Set(left);
                if (!next.delete(n)) next.add(n);
                leave(next);
              }}
            />{' '}
            {key}
          </label>
        ))}
      </p>
    </Modal>
  );
}

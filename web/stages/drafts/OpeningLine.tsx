import type { Draft, DraftChange } from '@opsimath/contract/api/drafts';
import { OPENING_TICKS, openingOf, openingTicks } from '@opsimath/core/copy/openingLine';
import { useMemo } from 'react';
import { t, wordOf } from '../../words/t';

interface OpeningLineProps {
  draft: Draft;
  onChange: (change: Omit<DraftChange, 'revision' | 'person'>) => void;
}

/** Items of the check list that say something of the opening line begin so. */
export const OPENING_CHECK = `${t('drafts:OpeningLine.openingLine')} `;

/** What the first sentence does for its reader: told by words, corrected by hand. */
export function OpeningLine({ draft, onChange }: OpeningLineProps) {
  const { fields, keywords, brands, language, checks } = draft;
  const text = (fields.description ?? '').trim() === '' ? (fields.body ?? '') : (fields.description ?? '');
  const lead = keywords[0]?.key ?? '';
  const told = useMemo(() => openingTicks(text, lead, brands, language), [text, lead, brands, language]);
  const opening = openingOf(text);
  if (!('description' in fields)) return null;
  return (
    <section aria-label={t('drafts:OpeningLine.openingLine2')}>
      <h3>{t('drafts:OpeningLine.openingLine2')}</h3>
      <p className="serif">
        {opening === '' ? (
          <span className="soft">{t('drafts:OpeningLine.nothingIsWrittenYet')}</span>
        ) : (
          opening
        )}
      </p>
      <ul className="check-list">
        {OPENING_TICKS.map((tick) => {
          const said = checks.find((check) => check.text === OPENING_CHECK + tick);
          const done = said?.done ?? told[tick];
          return (
            <li key={tick}>
              <label>
                <input
                  type="checkbox"
                  checked={done}
                  onChange={() =>
                    onChange({
                      checks: [
                        ...checks.filter((check) => check !== said),
                        // What the words say needs no tick of anybody’s.
                        ...(told[tick] === !done ? [] : [{ text: OPENING_CHECK + tick, done: !done }]),
                      ],
                    })
                  }
                />{' '}
                {wordOf(tick)}
              </label>{' '}
              <span className="soft">{said ? t('drafts:OpeningLine.byHand') : ''}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

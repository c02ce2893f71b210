import type { Draft } from '@opsimath/contract/api/drafts';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { cheapestToDrop } from '@opsimath/core/copy/draftCoverage';
import { measure } from '@opsimath/core/copy/measure';
import { Button, Select } from 'antd';
import { memo, useState } from 'react';
import { useMessages } from '../../state/messages';
import { count } from '../../parts/words/figures';
import { pixelWidth } from './pixelWidth';
import type { DraftFacts } from './useDraftFacts';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const SHOWN = 40;
const SEPARATORS = [
  { value: ', ', label: t('drafts:WordsToPlace.comma') },
  { value: ' ', label: t('drafts:WordsToPlace.space') },
  { value: '\n', label: t('drafts:WordsToPlace.line') },
];

interface WordsToPlaceProps {
  draft: Draft;
  fields: readonly DraftField[];
  facts: DraftFacts;
  onWrite: (field: string, text: string) => void;
  textOf: (field: string) => string;
  /** The field that was written in last, and where the cursor stands in it. */
  focusOf: () => { name: string; area: HTMLTextAreaElement } | null;
}

/** Words that keywords need and the copy lacks, each with where it would fit; what is over a limit and cheapest to drop. */
export const WordsToPlace = memo(function WordsToPlace({
  draft,
  fields,
  facts,
  onWrite,
  textOf,
  focusOf,
}: WordsToPlaceProps) {
  const [ticked, tick] = useState<ReadonlySet<string>>(new Set());
  const [separator, setSeparator] = useState(() => localStorage.getItem(SEPARATOR_KEPT) ?? ', ');
  const message = useMessages();
  const { coverage } = facts;
  const wary = new Set(draft.banned.map(({ phrase }) => phrase));
  const missing = coverage.missing.filter(({ word }) => !wary.has(word));
  const unused = coverage.missing.filter(({ word }) => wary.has(word));
  const placeFor = (word: string): DraftField | undefined =>
    fields.find((field) => roomFor(field, draft, word));
  const insert = (words: readonly string[], field: DraftField): void => {
    const text = textOf(field.name);
    const focus = focusOf();
    const at = focus?.name === field.name && field.slots === 1 ? focus.area.selectionEnd : text.length;
    onWrite(field.name, inserted(text, at, words.join(field.name === 'tags' ? '\n' : ' '), field));
    tick(new Set());
  };
  const chosen = [...ticked].filter((word) => missing.some((one) => one.word === word));
  const into = focusOf()?.name;
  const target = fields.find(({ name }) => name === into) ?? fields[0];
  const copied = chosen.length > 0 ? chosen : missing.map(({ word }) => word);
  return (
    <>
      {missing.length === 0 ? (
        <p className="soft">
          {draft.keywords.length === 0
            ? t('drafts:WordsToPlace.noKeywordsYet')
            : t('drafts:WordsToPlace.everyWordThatItsKeywordsNeed')}
        </p>
      ) : (
        <table className="ledger" aria-label={t('drafts:WordsToPlace.wordsToPlace')}>
          <tbody>
            {missing.slice(0, SHOWN).map(({ word, volume, completes, keywords }) => {
              const place = placeFor(word);
              return (
                <tr key={word}>
                  <td>
                    <input
                      type="checkbox"
                      aria-label={t('drafts:WordsToPlace.tickWord', { word })}
                      checked={ticked.has(word)}
                      onChange={() => tick(toggled(ticked, word))}
                    />{' '}
                    <b
                      className="serif"
                      title={t('drafts:WordsToPlace.keywordsKeywordsNeedItSearched', {
                        keywords,
                        volume: count(Math.round(volume)),
                      })}
                    >
                      {word}
                    </b>
                  </td>
                  <td className="figure" title={t('drafts:WordsToPlace.searchesAMonthOfKeywordsThat')}>
                    {count(Math.round(completes))}
                  </td>
                  <td>
                    {place ? (
                      <button className="plain written" onClick={() => insert([word], place)}>
                        {'→ '}
                        {place.name}
                      </button>
                    ) : (
                      <span className="soft">{t('drafts:WordsToPlace.noRoom')}</span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {unused.length > 0 && (
        <p className="draft-banned">
          {t('drafts:WordsToPlace.notToBePlacedUnusedA', {
            unused: unused.map(({ word }) => word).join(', '),
          })}
        </p>
      )}
      {missing.length > 0 && <p className="soft">{t('drafts:WordsToPlace.searchesAMonthThatNeedThis')}</p>}
      <p>
        {target && (
          <Button size="small" disabled={chosen.length === 0} onClick={() => insert(chosen, target)}>
            {t('drafts:WordsToPlace.putChosenTickedIntoName', {
              chosen: chosen.length || '',
              name: target.name,
            })}
          </Button>
        )}{' '}
        <Button
          size="small"
          disabled={copied.length === 0}
          onClick={() =>
            void navigator.clipboard
              .writeText(copied.join(separator))
              .then(() =>
                message.info(
                  t('drafts:WordsToPlace.copiedWordsAreOnTheClipboard', { copied: copied.length }),
                ),
              )
          }
        >
          {t('drafts:WordsToPlace.copyWhich', {
            which: chosen.length > 0 ? t('drafts:WordsToPlace.ticked') : t('drafts:WordsToPlace.all'),
          })}
        </Button>{' '}
        <Select
          size="small"
          aria-label={t('drafts:WordsToPlace.separator')}
          value={separator}
          style={{ width: 84 }}
          options={SEPARATORS}
          onChange={(next: string) => {
            localStorage.setItem(SEPARATOR_KEPT, next);
            setSeparator(next);
          }}
        />
      </p>
      <CopyAtLarge draft={draft} fields={fields} facts={facts} />
    </>
  );
});

/** What the copy as a whole has too much of: fields over their limit, words that serve nothing, words said twice. */
function CopyAtLarge({ draft, fields, facts }: Pick<WordsToPlaceProps, 'draft' | 'fields' | 'facts'>) {
  const { coverage } = facts;
  const over = fields.filter((field) => overlong(field, draft));
  return (
    <>
      {over.map((field) => (
        <p key={field.name} className="soft">
          <Told
            id="drafts:WordsToPlace.nameIsOverCheapestToDrop"
            values={{
              name: field.name,
              cheapestToDrop: cheapestToDrop(facts.fields, field.name, facts.keywords)
                .slice(0, 5)
                .map(({ word, costs }) => `${word} (${count(Math.round(costs))})`)
                .join(', '),
            }}
            parts={{ b: <b className="draft-over" /> }}
          />
        </p>
      ))}
      {coverage.idle.length > 0 && (
        <p className="soft">
          {t('drafts:WordsToPlace.titleWordsThatServeNoKeyword', { idle: coverage.idle.join(', ') })}
        </p>
      )}
      {coverage.repeated.length > 0 && (
        <p className="soft">
          {t('drafts:WordsToPlace.saidInSeveralFieldsRepeated', {
            repeated: coverage.repeated
              .slice(0, 12)
              .map(({ word }) => word)
              .join(', '),
          })}
        </p>
      )}
    </>
  );
}

const SEPARATOR_KEPT = 'opsimath.wordSeparator';

function toggled(set: ReadonlySet<string>, word: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(word)) next.add(word);
  return next;
}

/** Whether a word fits into a field as it stands; the body takes what nothing else does. */
function roomFor(field: DraftField, { fields }: Draft, word: string): boolean {
  const text = fields[field.name] ?? '';
  const { most, unit } = field.limit;
  if (field.slots === 1 || field.isShared) return measure(`${text} ${word}`, unit, pixelWidth) <= most;
  const slots = slotsOf(text);
  return slots.length < field.slots || measure(`${slots.at(-1) ?? ''} ${word}`, unit, pixelWidth) <= most;
}

function overlong(field: DraftField, { fields }: Draft): boolean {
  const text = fields[field.name] ?? '';
  const { most, unit } = field.limit;
  const parts = field.slots === 1 || field.isShared ? [text] : slotsOf(text);
  return parts.some((part) => measure(part, unit, pixelWidth) > most);
}

/** A text with words put in at a place; into the last slot that has room where there are several. */
export function inserted(text: string, at: number, words: string, field: DraftField): string {
  if (field.slots > 1 && !field.isShared) {
    const slots = slotsOf(text);
    const last = slots.at(-1);
    if (last !== undefined && measure(`${last} ${words}`, field.limit.unit, pixelWidth) <= field.limit.most)
      return [...slots.slice(0, -1), `${last} ${words}`.trim()].join('\n');
    return slots.length < field.slots ? [...slots, words].join('\n') : `${text} ${words}`;
  }
  const glue = field.isShared ? '\n' : ' ';
  const [before, after] = [text.slice(0, at).trimEnd(), text.slice(at).trimStart()];
  return [before, words, after].filter((part) => part !== '').join(glue);
}

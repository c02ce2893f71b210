import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { Draft, Packing } from '@opsimath/contract/api/drafts';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { Button } from 'antd';
import { memo, useState } from 'react';
import { count } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { usePackMutation } from '../../state/draftsApi';
import { Spellings } from './Spellings';
import type { DraftFacts } from './useDraftFacts';
import { t, wordOf } from '../../words/t';

interface PackSlotsProps {
  draft: Draft;
  fields: readonly DraftField[];
  facts: DraftFacts;
  material: DraftMaterial | undefined;
  onWrite: (field: string, text: string) => void;
}

/** A proposal for the hidden slots: the words that complete most searches, to take or to leave. */
export const PackSlots = memo(function PackSlots({
  draft,
  fields,
  facts,
  material,
  onWrite,
}: PackSlotsProps) {
  const hidden = fields.find(({ isHidden }) => isHidden);
  const [pack, { isLoading }] = usePackMutation();
  const [packed, show] = useState<Packing | null>(null);
  const trouble = useTrouble();
  if (!hidden) return null;
  const { limit } = hidden;
  // What stands there stays: only slots that are free are packed.
  const held = slotsOf(draft.fields[hidden.name] ?? '').filter((slot) => slot.trim() !== '');
  const slots = hidden.slots - held.length;
  // Only words of keywords that somebody judged to be ours, or that nobody has judged away; never words not to be used.
  const allowed = draft.keywords.map(({ verdict }) => verdict === 'fit' || verdict === 'adjacent');
  const banned = new Set(draft.banned.map(({ phrase }) => phrase));
  const keywords = facts.coverage.keywords.flatMap(({ missing }, n) =>
    allowed[n] && missing.length > 0 && !missing.some((word) => banned.has(word))
      ? [{ missing, volume: draft.keywords[n]!.volume ?? 0 }]
      : [],
  );
  const unjudged = draft.keywords.filter((_, n) => !allowed[n]).length;
  const ask = async (): Promise<void> => {
    try {
      show(
        await pack({
          keywords,
          slots,
          most: limit.most,
          unit: limit.unit === 'bytes' ? 'bytes' : 'characters',
        }).unwrap(),
      );
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <div className="draft-field">
      <span className="soft draft-pack-label">{hidden.name}</span>
      <div>
        <Button
          size="small"
          loading={isLoading}
          disabled={keywords.length === 0 || slots <= 0}
          onClick={() => void ask()}
        >
          {held.length === 0
            ? t('drafts:PackSlots.packThem')
            : t('drafts:PackSlots.packTheSlotsThatAreFree', { slots })}
        </Button>{' '}
        <span className="soft">
          {keywords.length === 0
            ? t('drafts:PackSlots.noKeywordJudgedFitOrAdjacent')
            : t('drafts:PackSlots.fromKeywordsKeywordsThatLackWords', { keywords: keywords.length })}
          {unjudged > 0 && t('drafts:PackSlots.unjudgedAreNotJudgedFitOr', { unjudged })}
        </span>
        {material && (
          <Spellings
            draft={draft}
            field={hidden}
            facts={facts}
            spellings={material.spellings}
            onWrite={onWrite}
          />
        )}
        {packed && (
          <div className="draft-packed" role="group" aria-label={t('drafts:PackSlots.packedSlots')}>
            {packed.slots.map((slot) => (
              <p key={slot} className="hidden-slot">
                {slot}
              </p>
            ))}
            <p className="soft">
              {t('drafts:PackSlots.wordsWordsCompleteKeywordsKeywords', {
                words: packed.words.length,
                keywords: packed.keywords,
                volume: count(Math.round(packed.volume)),
              })}
              {packed.next &&
                ` ${t('drafts:PackSlots.nextWouldBeWordsVolumeSearches', { words: packed.next.words.join(' '), volume: count(Math.round(packed.next.volume)), lacking: count(packed.next.lacking), unit: wordOf(limit.unit) })}`}
            </p>
            <Button
              size="small"
              type="primary"
              onClick={() => {
                onWrite(hidden.name, [...held, ...packed.slots].join('\n'));
                show(null);
              }}
            >
              {t('drafts:PackSlots.takeThem')}
            </Button>{' '}
            <Button size="small" onClick={() => show(null)}>
              {t('drafts:PackSlots.leaveIt')}
            </Button>
          </div>
        )}
      </div>
    </div>
  );
});

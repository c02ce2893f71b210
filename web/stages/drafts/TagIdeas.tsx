import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { type TagCandidate, proposeTags } from '@opsimath/core/copy/proposeTags';
import { key } from '@opsimath/core/text/key';
import { Button } from 'antd';
import { memo, useMemo, useState } from 'react';
import { count } from '../../parts/words/figures';
import { FetchRecords } from './FetchRecords';
import { pixelWidth } from './pixelWidth';
import { t, wordOf } from '../../words/t';

interface TagIdeasProps {
  draft: Draft;
  fields: readonly DraftField[];
  material: DraftMaterial | undefined;
  onWrite: (field: string, text: string) => void;
}
type Idea = TagCandidate & { position: number | null; results: number };

/** Tags that bring most searches within the limits, the most specific first; to tick and to take. */
export const TagIdeas = memo(function TagIdeas({ draft, fields, material, onWrite }: TagIdeasProps) {
  const field = fields.find(({ isShared }) => isShared);
  const [isOpen, open] = useState(false);
  const [left, leave] = useState<ReadonlySet<string>>(new Set());
  const ideas = useMemo(() => ideasOf(draft, material), [draft, material]);
  const { tags, volume, next } = useMemo(
    () =>
      field && isOpen
        ? proposeTags(
            ideas.filter((idea) => !left.has(idea.key)),
            field.slots,
            field.limit,
            pixelWidth,
          )
        : { tags: [], volume: 0, next: null },
    [ideas, left, field, isOpen],
  );
  if (!field) return null;
  const chosen = ideas.filter((idea) => !left.has(idea.key));
  const held = new Set(slotsOf(draft.fields[field.name] ?? '').map(key));
  return (
    <div className="draft-field">
      <span className="soft draft-pack-label">{field.name}</span>
      <div>
        <Button size="small" disabled={ideas.length === 0} onClick={() => open(!isOpen)}>
          {isOpen ? t('drafts:TagIdeas.closeTheProposal') : t('drafts:TagIdeas.proposeTags')}
        </Button>{' '}
        <span className="soft">
          {t('drafts:TagIdeas.fromIdeasKeywordsJudgedFitOr', { ideas: count(ideas.length) })}
          {material &&
            ` ${t('drafts:TagIdeas.recordedOfItsFrontRecordsAre', { recorded: material.recorded, front: material.front })}`}
          {material && <FetchRecords draft={draft} material={material} />}
        </span>
        {isOpen && (
          <div className="draft-packed" role="group" aria-label={t('drafts:TagIdeas.proposedTags')}>
            <table className="ledger" aria-label={t('drafts:TagIdeas.tags')}>
              <thead>
                <tr>
                  <th>{t('drafts:TagIdeas.tag')}</th>
                  <th className="figure">{t('drafts:TagIdeas.searchesAMonth')}</th>
                  <th className="figure">{t('drafts:TagIdeas.weStand')}</th>
                  <th className="figure">{t('drafts:TagIdeas.onTheFront')}</th>
                </tr>
              </thead>
              <tbody>
                {tags.map(({ candidate, isGeneral }, n) => {
                  const idea = chosen[candidate]!;
                  return (
                    <tr key={idea.key}>
                      <td>
                        <label>
                          <input
                            type="checkbox"
                            checked
                            disabled={n === 0}
                            aria-label={t('drafts:TagIdeas.tagText', { text: idea.text })}
                            onChange={() => leave(new Set([...left, idea.key]))}
                          />{' '}
                          {n === 0 ? <b>{idea.text}</b> : idea.text}
                        </label>
                        {isGeneral && n > 0 && <span className="soft"> {t('drafts:TagIdeas.general')}</span>}
                        {held.has(idea.key) && (
                          <span className="soft"> {t('drafts:TagIdeas.thereAlready')}</span>
                        )}
                      </td>
                      <td className="figure">
                        {idea.volume > 0 ? count(idea.volume) : t('drafts:TagIdeas.unknown')}
                      </td>
                      <td className="figure">{idea.position ?? '–'}</td>
                      <td className="figure">{idea.results > 0 ? idea.results : ''}</td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            <p className="soft">
              {t('drafts:TagIdeas.tagsTagsSearchedVolumeTimesA', {
                tags: tags.length,
                volume: count(Math.round(volume)),
              })}
              {next &&
                ` ${t('drafts:TagIdeas.nextWouldBeTextWhich', { text: chosen[next.candidate]!.text, which: next.lacking > 0 ? t('drafts:TagIdeas.lackingUnitTooMany', { lacking: count(next.lacking), unit: wordOf(field.limit.unit) }) : '' })}`}
              {left.size > 0 && (
                <>
                  {' '}
                  <button className="plain written" onClick={() => leave(new Set())}>
                    {t('drafts:TagIdeas.bringBackTheSizeLeftOut', { size: left.size })}
                  </button>
                </>
              )}
            </p>
            <Button
              size="small"
              type="primary"
              disabled={tags.length === 0}
              onClick={() => {
                onWrite(field.name, tags.map(({ candidate }) => chosen[candidate]!.text).join('\n'));
                open(false);
              }}
            >
              {t('drafts:TagIdeas.takeTheseTags', { tags: tags.length })}
            </Button>
          </div>
        )}
      </div>
    </div>
  );
});

/** Keywords of the draft that were judged ours, the lead first, then tags of the front that people search for. */
function ideasOf({ keywords, banned }: Draft, material: DraftMaterial | undefined): Idea[] {
  const refused = banned.map(({ phrase }) => ` ${phrase} `);
  const allowed = ({ key: tag }: { key: string }): boolean =>
    !refused.some((phrase) => ` ${tag} `.includes(phrase));
  const onFront = new Map(material?.tags.map((tag) => [tag.key, tag.results]));
  const own = keywords
    .filter(({ verdict }, n) => n === 0 || verdict === 'fit' || verdict === 'adjacent')
    .map(({ key: tag, text, volume, position }) => ({
      key: tag,
      text,
      volume: volume ?? 0,
      position,
      results: onFront.get(tag) ?? 0,
    }));
  const seen = new Set(keywords.map((keyword) => keyword.key));
  const others = (material?.tags ?? [])
    .filter((tag) => !seen.has(tag.key) && (tag.volume ?? 0) > 0)
    .map((tag) => ({ ...tag, volume: tag.volume ?? 0 }));
  return [...own, ...others].filter(allowed);
}

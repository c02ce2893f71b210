import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { Draft } from '@opsimath/contract/api/drafts';
import type { DraftField } from '@opsimath/core/copy/draftFields';
import { TOO_CLOSE, closeness } from '@opsimath/core/copy/closeness';
import { quartilesOf } from '@opsimath/core/gap/resultFacts';
import { memo, useMemo, useState } from 'react';
import { percent } from '../../parts/words/figures';
import { FrontOutline } from './FrontOutline';
import { markedParts } from './markedParts';
import { t } from '../../words/t';

const SHOWN = 8;

interface FrontSideProps {
  draft: Draft;
  fields: readonly DraftField[];
  material: DraftMaterial | undefined;
  textOf: (field: string) => string;
  onWrite: (field: string, text: string) => void;
}

/** How the lead’s front writes: its titles, their length, where the phrase stands, and how close we are to a rival’s text. */
export const FrontSide = memo(function FrontSide({ draft, material, ...outline }: FrontSideProps) {
  const { front, keywords, fields, present } = draft;
  const [beside, lay] = useState<string | null>(null);
  const lead = keywords[0]?.key ?? '';
  const close = useMemo(() => {
    const phrases = keywords.map(({ key }) => key);
    const own = Object.values(fields).join('\n');
    return front
      .filter(({ side }) => side !== 'own')
      .map((result) => ({ result, share: closeness(own, `${result.title}\n${result.description}`, phrases) }))
      .sort((a, b) => b.share - a.share)[0];
  }, [fields, front, keywords]);
  const lengths = quartilesOf(
    'titles',
    front.map(({ title }) => [...title].length),
    null,
  );
  const phraseFirst = front.filter(
    ({ title }) => markedParts(title, title.length, [lead], [])[0]?.mark === 'lead',
  ).length;
  const withPhrase = front.filter(({ title }) =>
    markedParts(title, title.length, [lead], []).some(({ mark }) => mark === 'lead'),
  ).length;
  const laid = front.find(({ address }) => address === beside);
  return (
    <aside className="draft-front" aria-label={t('drafts:FrontSide.theFront')}>
      <h2>{t('drafts:FrontSide.theFront')}</h2>
      {front.length === 0 && (
        <p className="soft">
          {keywords.length === 0
            ? t('drafts:FrontSide.noKeywordLeadsThisDraftYet')
            : t('drafts:FrontSide.theLeadKeywordWasNeverCaptured')}
        </p>
      )}
      {front.slice(0, SHOWN).map(({ position, address, side, title }) => (
        <p key={address} className="front-title">
          <button
            className="plain"
            aria-pressed={beside === address}
            title={t('drafts:FrontSide.layItsTextBeside')}
            onClick={() => lay(beside === address ? null : address)}
          >
            <span className="soft">{position}</span>{' '}
            {markedParts(title, title.length, [lead], []).map(({ text: part, mark }, n) => (
              <span key={n} className={mark === 'lead' ? 'front-lead' : undefined}>
                {part}
              </span>
            ))}
            {side === 'own' && <b> {t('drafts:FrontSide.ours')}</b>}
          </button>
          {beside === address && laid && <span className="soft front-text">{laid.description}</span>}
        </p>
      ))}
      {lengths && (
        <p className="soft">
          {t('drafts:FrontSide.titlesLowToHighCharactersThe', {
            low: Math.round(lengths.low),
            high: Math.round(lengths.high),
            withPhrase,
            front: front.length,
            phraseFirst,
          })}
        </p>
      )}
      {close && close.share > 0 && (
        <p className={close.share > TOO_CLOSE ? 'draft-banned' : 'soft'}>
          {t('drafts:FrontSide.shareOfIts5WordRuns', {
            share: percent(close.share, 0),
            address: close.result.address,
          })}
          {close.share > TOO_CLOSE && t('drafts:FrontSide.tooCloseToSomebodyElseS')}
        </p>
      )}
      {material && front.length > 0 && <FrontOutline draft={draft} material={material} {...outline} />}
      {present && (
        <>
          <h2>{t('drafts:FrontSide.asItStandsNow')}</h2>
          <p className="soft front-text">{present.fields.title}</p>
          <p className="soft front-text">{present.fields.description}</p>
        </>
      )}
    </aside>
  );
});

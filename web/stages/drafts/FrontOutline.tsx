import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import type { Draft } from '@opsimath/contract/api/drafts';
import { FetchRecords } from './FetchRecords';
import { count } from '../../parts/words/figures';
import { t } from '../../words/t';

const SHOWN = 8;

interface FrontOutlineProps {
  draft: Draft;
  material: DraftMaterial;
  fields: readonly DraftField[];
  textOf: (field: string) => string;
  onWrite: (field: string, text: string) => void;
}

/** What a page could be made of: headings of the front, what people ask, where to link from, what to look up. */
export function FrontOutline({ draft, material, fields, textOf, onWrite }: FrontOutlineProps) {
  const headings = fields.find(({ name }) => name === 'headings');
  const add = (text: string): void => {
    if (headings)
      onWrite(headings.name, [...slotsOf(textOf(headings.name)), text].slice(0, headings.slots).join('\n'));
  };
  const { links, sources, questions } = material;
  return (
    <>
      {headings && (
        <>
          <h2>{t('drafts:FrontOutline.headingsOfTheFront')}</h2>
          {material.headings.length === 0 && (
            <p className="soft">
              {t('drafts:FrontOutline.recordedOfItsFrontRecordsAre', {
                recorded: material.recorded,
                front: material.front,
              })}
            </p>
          )}
          <FetchRecords draft={draft} material={material} />
          {material.headings.slice(0, SHOWN).map(({ text, results }) => (
            <p key={text} className="front-title">
              <button
                className="plain"
                title={t('drafts:FrontOutline.makeItAHeading')}
                onClick={() => add(text)}
              >
                {text}
              </button>{' '}
              <span className="soft">
                {results > 1 ? t('drafts:FrontOutline.resultsHaveIt', { results }) : ''}
              </span>
            </p>
          ))}
          {questions.length > 0 && <h2>{t('drafts:FrontOutline.peopleAsk')}</h2>}
          {questions.slice(0, SHOWN).map((text) => (
            <p key={text} className="front-title">
              <button
                className="plain"
                title={t('drafts:FrontOutline.makeItAHeading')}
                onClick={() => add(text)}
              >
                {text}
              </button>
            </p>
          ))}
        </>
      )}
      {material.words !== null && (
        <p className="soft">
          {t('drafts:FrontOutline.aResultInTheMiddleOf', { words: count(Math.round(material.words)) })}
        </p>
      )}
      {links.length > 0 && (
        <>
          <h2>{t('drafts:FrontOutline.linkFrom')}</h2>
          <p className="soft">{t('drafts:FrontOutline.oursThatSpeakOfItWhether')}</p>
          {links.slice(0, 5).map(({ address, title }) => (
            <p key={address} className="front-title" title={address}>
              {title}
            </p>
          ))}
        </>
      )}
      {sources.length > 0 && (
        <>
          <h2>{t('drafts:FrontOutline.toLookUp')}</h2>
          {sources.slice(0, 5).map(({ address, title, authority }) => (
            <p key={address} className="front-title" title={address}>
              {title}{' '}
              {authority !== null && (
                <span className="soft">{t('drafts:FrontOutline.authorityAuthority', { authority })}</span>
              )}
            </p>
          ))}
        </>
      )}
    </>
  );
}

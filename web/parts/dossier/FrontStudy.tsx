import { sells } from '@opsimath/core/text/surfaces';
import type { ReadAbout, Study, StudiedResult } from '@opsimath/contract/api/study';
import { Button } from 'antd';
import { useState } from 'react';
import { useFetchRecordsMutation, useReadMutation, useStudyQuery, studyApi } from '../../state/studyApi';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { PictureOf } from '../pictures/PictureOf';
import { Problem } from '../words/Problem';
import { count, decimal, percent } from '../words/figures';
import './study.css';
import { Told } from '../../words/Told';
import { t } from '../../words/t';
import { useSettings } from '../../state/useSettings';

interface FrontStudyProps {
  project: number;
  keyword: number;
  market: string;
  date: string;
}
const ABOUT: Record<ReadAbout, string> = {
  opening: t('parts:FrontStudy.openingLines'),
  picture: t('parts:FrontStudy.pictures'),
};
const QUARTERS = [
  '',
  t('parts:FrontStudy.lowestQuarter'),
  t('parts:FrontStudy.secondQuarter'),
  t('parts:FrontStudy.thirdQuarter'),
  t('parts:FrontStudy.highestQuarter'),
];

/** How the front opens, looks, is tagged and sells; each result can be looked at and ticked. */
export function FrontStudy(props: FrontStudyProps) {
  const { data, error } = useStudyQuery(props);
  const [fetchRecords, { isLoading, error: refused }] = useFetchRecordsMutation();
  const [open, setOpen] = useState(false);
  if (error) return <Problem error={error} />;
  if (!data) return null;
  return (
    <section className="section study" aria-label={t('parts:FrontStudy.howTheFrontShowsItself')}>
      <h2>{t('parts:FrontStudy.howTheFrontShowsItself')}</h2>
      <ul className="soft told">
        {(['opening', 'picture'] as const).map((about) => (
          <li key={about}>
            {ABOUT[about]}
            {': '}
            <Shares read={data.read[about]} front={data.front} ours={oursOf(data, about)} />
          </li>
        ))}
        {data.tags.map((tags) => (
          <li
            key={tags.name}
            title={t('parts:FrontStudy.leastToMostOfKnownResults', {
              least: tags.least,
              most: tags.most,
              known: tags.known,
            })}
          >
            <Told
              id="parts:FrontStudy.whichHalfOfTheFrontBetween"
              values={{
                which:
                  tags.name === 'tags'
                    ? t('parts:FrontStudy.tags')
                    : t('parts:FrontStudy.charactersOfAllTags'),
                low: decimal(tags.low, 0),
                high: decimal(tags.high, 0),
                limit: count(tags.limit),
                which2:
                  tags.ours === null
                    ? t('parts:FrontStudy.unknown')
                    : `${count(tags.ours)}, ${QUARTERS[tags.quarter!]}`,
              }}
              parts={{ b: <b />, b2: <b /> }}
            />
          </li>
        ))}
        <li>
          <Things things={data.things} />
        </li>
        {sells(data.surface) && (
          <li>
            {data.pace === null
              ? t('parts:FrontStudy.paceUnknownItNeedsSalesRanks')
              : t('parts:FrontStudy.paceADayUnitsADayCeil', {
                  aDay: decimal(data.pace.aDay, 1),
                  ceil: count(Math.ceil(data.pace.inAll)),
                  days: data.pace.days,
                  position: data.pace.position,
                  known: data.pace.known,
                })}
          </li>
        )}
      </ul>
      <div className="study-acts">
        <button className="plain written" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? t('parts:FrontStudy.closeTheResults') : t('parts:FrontStudy.lookAtTheResultsOneBy')}
        </button>
        {data.recorded < data.front && (
          <Button
            size="small"
            loading={isLoading}
            title={t('parts:FrontStudy.picturesTagsAndSalesComeWith')}
            onClick={() => void fetchRecords(props)}
          >
            {t('parts:FrontStudy.fetchFrontPublicRecords', { front: data.front - data.recorded })}
          </Button>
        )}
      </div>
      {refused && <Problem error={refused} />}
      {open && (
        <ul className="told">
          {data.results.map((result) => (
            <Result key={result.address} project={props.project} result={result} />
          ))}
        </ul>
      )}
    </section>
  );
}

/** What was ticked at our best result: `null` where nobody looked at it, `undefined` where none of ours is held. */
function oursOf(data: Study, about: ReadAbout): readonly string[] | null | undefined {
  return data.results.find(({ side }) => side === 'own')?.read[about];
}

interface SharesProps {
  read: Study['read']['opening'];
  front: number;
  ours: readonly string[] | null | undefined;
}

function Shares({ read: { looked, shares }, front, ours }: SharesProps) {
  if (looked === 0) return <>{t('parts:FrontStudy.nobodyHasLookedYet')}</>;
  return (
    <>
      {t('parts:FrontStudy.sharesOfTheLookedLookedAt', {
        shares: shares.map(({ trait, share }) => `${trait} ${percent(share, 0)}`).join(', '),
        looked,
      })}
      {looked < front && ` ${t('parts:FrontStudy.frontNotYet', { front: front - looked })}`}.
      {ours === null && ` ${t('parts:FrontStudy.oursNotLookedAtYet')}`}
      {ours &&
        ` ${t('parts:FrontStudy.oursWhich', { which: ours.length > 0 ? ours.join(', ') : t('parts:FrontStudy.noneOfThese') })}`}
    </>
  );
}

function Things({ things: { counts, none } }: { things: Study['things'] }) {
  if (counts.length === 0) return <>{t('parts:FrontStudy.whatKindOfThingTheFact')}</>;
  return (
    <>
      {t('parts:FrontStudy.titlesNameCountsNoneNoneOf', {
        counts: counts
          .map(
            ({ thing, titles, ours }) =>
              `${thing} ${titles}${ours ? ` ${t('parts:FrontStudy.andOurs')}` : ''}`,
          )
          .join(', '),
        none,
      })}
    </>
  );
}

function Result({ project, result }: { project: number; result: StudiedResult }) {
  return (
    <li className={`studied ${result.side}`}>
      <PictureOf picture={result.picture} name={result.owner ?? '?'} address={result.address} />
      <div>
        <div>
          <b>{result.position ?? t('parts:FrontStudy.notOnThisPage')}</b> {result.owner}
          {result.side === 'own' && <span className="soft"> {t('parts:FrontStudy.ours')}</span>}
          {result.tags !== null && result.tags.count > 0 && (
            <span className="faint">
              {' '}
              {t('parts:FrontStudy.countShownTags', { countShown: result.tags.count })}
            </span>
          )}
          {result.units !== null && (
            <span className="faint" title={t('parts:FrontStudy.estimatedFromItsSalesRank')}>
              {' '}
              {t('parts:FrontStudy.aboutUnitsSoldAMonth', { units: count(Math.round(result.units)) })}
            </span>
          )}
        </div>
        <div className="soft">{result.opening || t('parts:FrontStudy.itHasNoDescription')}</div>
        <Ticks project={project} result={result} about="opening" />
        <Ticks project={project} result={result} about="picture" />
      </div>
    </li>
  );
}

const NONE = 'none';

/** What one result shows, as ticks; each press is kept at once and can be taken back. */
function Ticks({ project, result, about }: { project: number; result: StudiedResult; about: ReadAbout }) {
  const [read] = useReadMutation();
  const undoable = useUndoable(project);
  const settings = useSettings();
  if (!settings) return null;
  const asked = about === 'opening' ? settings.openingTraits : settings.pictureTraits;
  const now = result.read[about];
  const keep = async (traits: string[] | null): Promise<void> => {
    const { address } = result;
    const toKeep = (next: string[] | null) =>
      request(studyApi.endpoints.read, { project, address, about, traits: next });
    await read({ project, address, about, traits }).unwrap();
    undoable({
      what: t('parts:FrontStudy.aboutOfOwnerLookedAt', {
        about: ABOUT[about],
        owner: result.owner ?? result.address,
      }),
      undo: toKeep(now),
      redo: toKeep(traits),
    });
  };
  const pressed = (trait: string): string[] | null => {
    if (trait === NONE) return now?.length === 0 ? null : [];
    const held = now ?? [];
    const next = held.includes(trait) ? held.filter((other) => other !== trait) : [...held, trait];
    return next.length === 0 ? null : next;
  };
  return (
    <div className="ticks" role="group" aria-label={`${ABOUT[about]}, ${result.address}`}>
      <span className="faint">
        {about === 'opening' ? t('parts:FrontStudy.opensWith') : t('parts:FrontStudy.picture')}
      </span>
      {[...asked, NONE].map((trait) => (
        <button
          key={trait}
          className="plain mark"
          aria-pressed={trait === NONE ? now?.length === 0 : (now?.includes(trait) ?? false)}
          onClick={() => void keep(pressed(trait)).catch(() => undefined)}
        >
          {trait}
        </button>
      ))}
    </div>
  );
}

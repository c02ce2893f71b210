import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { OnSurface, SurfacesView as Data } from '@opsimath/contract/api/surfaces';
import { Segmented } from 'antd';
import { Ledger } from '../../parts/table/Ledger';
import { Empty } from '../../parts/words/Empty';
import { Waiting } from '../../parts/words/Waiting';
import { OpenKeyword } from '../../parts/words/OpenKeyword';
import { PositionWord } from '../../parts/words/PositionWord';
import { Problem } from '../../parts/words/Problem';
import { Lane } from '../../parts/lane/Lane';
import { count, counted, percent, spelledDay, worth } from '../../parts/words/figures';
import { useGapPageQuery } from '../../state/gapsApi';
import { useSurfacesQuery } from '../../state/standingApi';
import '../../parts/lane/lane.css';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { t, wordOf } from '../../words/t';

const SHOWN = 20;
const LANE = 190;

const ACROSS = ['surfaces', 'markets'] as const;
type Across = (typeof ACROSS)[number];
type Keyword = Data['keywords'][number];

/** The keywords of the choice on web, video and marketplace, or in all markets: who holds which slots, what could be ours. */
export function SurfacesView({ query }: { query: GapQuery }) {
  const { project, scope } = useScope();
  const [across, setAcross] = useShown<Across>('across', 'surfaces', ACROSS);
  const page = useGapPageQuery({ project, query: { ...query, limit: SHOWN } });
  const ids = page.data?.rows.map(({ id }) => id) ?? [];
  const { currentData: data, error } = useSurfacesQuery(
    { project, query: { market: scope.market, date: scope.date, across, keywords: ids.join(',') } },
    { skip: ids.length === 0 },
  );
  if (page.error ?? error) return <Problem error={page.error ?? error} />;
  if (page.data?.total === 0)
    return (
      <Empty title={t('gaps:SurfacesView.nothingMatchesTheseFilters')}>
        {t('gaps:SurfacesView.clearOneInTheTableOr')}
      </Empty>
    );
  return (
    <section className="gap-part" aria-label={t('gaps:SurfacesView.acrossSurfaces')}>
      <Segmented
        size="small"
        aria-label={t('gaps:SurfacesView.acrossWhat')}
        value={across}
        options={[
          { value: 'surfaces', label: t('gaps:SurfacesView.theSurfacesOfThisPlace') },
          { value: 'markets', label: t('gaps:SurfacesView.allMarketsOfThisSurface') },
        ]}
        onChange={setAcross}
      />
      {!data ? (
        <Waiting for={t('gaps:SurfacesView.theOtherFronts')} />
      ) : across === 'surfaces' ? (
        <OverSurfaces data={data} />
      ) : (
        <OverMarkets data={data} />
      )}
    </section>
  );
}

function OverSurfaces({ data }: { data: Data }) {
  const held = data.keywords.reduce((sum, keyword) => sum + keyword.held, 0);
  const could = data.keywords.reduce((sum, keyword) => sum + keyword.could, 0);
  return (
    <>
      <h1>{t('gaps:SurfacesView.weHoldHeldPlacesOnThese', { held: count(held), could: count(could) })}</h1>
      <p className="soft">{t('gaps:SurfacesView.theFirstSHOWNKeywordsOfThe', { SHOWN })}</p>
      <Ledger
        className="surfaces"
        take={t('gaps:SurfacesView.acrossSurfaces')}
        rows={data.keywords}
        keyOf={({ id }) => id}
        columns={[
          { head: t('gaps:SurfacesView.keyword'), cell: (keyword) => <Name of={keyword} /> },
          ...(data.keywords[0]?.surfaces ?? []).map(({ surface }, n) => ({
            head: wordOf(surface),
            cell: (keyword: Keyword) => <Held on={keyword.surfaces[n]!} front={data.front} />,
          })),
          { head: t('gaps:SurfacesView.ours'), figure: true, cell: ({ held: ours }) => ours },
          { head: t('gaps:SurfacesView.couldBe'), figure: true, cell: ({ could: most }) => most },
          {
            head: t('gaps:SurfacesView.addsCurrency', { currency: data.currency }),
            tip: t('gaps:SurfacesView.whatTheBestActionsOnAll'),
            figure: true,
            cell: ({ value }) => (value > 0 ? worth(value) : t('gaps:SurfacesView.nothing')),
          },
        ]}
      />
    </>
  );
}

function OverMarkets({ data }: { data: Data }) {
  const all = data.keywords.filter(({ known, onFront }) => known > 0 && onFront === known).length;
  return (
    <>
      <h1>
        {t('gaps:SurfacesView.allOfKeywordsAreOnThe', {
          all: count(all),
          keywords: counted(data.keywords.length, 'keyword'),
        })}
      </h1>
      <p className="soft">{t('gaps:SurfacesView.theFirstSHOWNKeywordsOfThe2', { SHOWN })}</p>
      <Ledger
        className="surfaces"
        take={t('gaps:SurfacesView.acrossMarkets')}
        rows={data.keywords}
        keyOf={({ id }) => id}
        columns={[
          { head: t('gaps:SurfacesView.keyword'), cell: (keyword) => <Name of={keyword} alone /> },
          ...(data.keywords[0]?.surfaces ?? []).map(({ placeName, languageName }, n) => ({
            head: `${placeName}, ${languageName}`,
            cell: (keyword: Keyword) => <InMarket on={keyword.surfaces[n]!} />,
          })),
          {
            head: t('gaps:SurfacesView.onTheFront'),
            tip: t('gaps:SurfacesView.marketsInWhichWeAreOn'),
            figure: true,
            cell: ({ onFront, known }) =>
              known === 0
                ? t('gaps:SurfacesView.neverCaptured')
                : t('gaps:SurfacesView.onFrontOfKnown', { onFront, known }),
          },
          {
            head: t('gaps:SurfacesView.worst'),
            tip: t('gaps:SurfacesView.ourWorstPositionOfThoseThat'),
            figure: true,
            cell: ({ worst }) => <PositionWord of={worst} />,
          },
        ]}
      />
    </>
  );
}

function Name({ of: { id, text, volume }, alone }: { of: Keyword; alone?: boolean }) {
  return (
    <>
      <OpenKeyword id={id} text={text} />
      {!alone && (
        <div className="faint">
          {volume === null
            ? t('gaps:SurfacesView.volumeUnknown')
            : t('gaps:SurfacesView.volumeAMonth', { volume: count(volume) })}
        </div>
      )}
    </>
  );
}

function InMarket({ on: { own, rivals, volume, captured } }: { on: OnSurface }) {
  const best = Math.min(...rivals.flatMap(({ positions }) => positions));
  return (
    <div
      title={
        captured === null
          ? undefined
          : t('gaps:SurfacesView.capturedCaptured', { captured: spelledDay(captured) })
      }
    >
      <div>
        {typeof own === 'number' ? (
          <b>{t('gaps:SurfacesView.weAtOwn', { own })}</b>
        ) : (
          <span className="soft">{wordOf(own)}</span>
        )}
        {Number.isFinite(best) && (
          <span className="faint"> {t('gaps:SurfacesView.bestRivalBest', { best })}</span>
        )}
      </div>
      <div className="faint">
        {volume === null
          ? t('gaps:SurfacesView.volumeUnknown')
          : t('gaps:SurfacesView.volumeAMonth', { volume: count(volume) })}
      </div>
    </div>
  );
}

/** Ours and everybody’s best positions on a surface, as a lane. */
function SurfaceLane({ on, front }: { on: OnSurface; front: number }) {
  const bestOf = (positions: readonly number[]): number | 'absent' =>
    positions.length > 0 ? Math.min(...positions) : 'absent';
  return (
    <Lane
      width={LANE}
      height={28}
      front={front}
      own={{ name: t('gaps:SurfacesView.ours2'), organic: on.own, before: null, paid: 'unknown' }}
      rivals={on.rivals.map(({ letter, name, positions }, n) => ({
        name,
        letter,
        hue: n,
        organic: bestOf(positions),
        paid: 'unknown' as const,
      }))}
    />
  );
}

function Held({ on, front }: { on: OnSurface; front: number }) {
  if (on.captured === null) return <span className="faint">{t('gaps:SurfacesView.neverCapturedHere')}</span>;
  return (
    <div title={t('gaps:SurfacesView.capturedCaptured', { captured: spelledDay(on.captured) })}>
      <SurfaceLane on={on} front={front} />
      {on.best !== null && (
        <div>
          <b>{wordOf(on.best.action)}</b>
          {on.best.value !== null && ` ${t('gaps:SurfacesView.addsWorth', { worth: worth(on.best.value) })}`}
          {on.best.chance !== null &&
            t('gaps:SurfacesView.chanceChance', { chance: percent(on.best.chance, 0) })}
        </div>
      )}
      <div>
        {on.ours.length > 0 ? (
          <b>{t('gaps:SurfacesView.weAtOurs', { ours: on.ours.join(', ') })}</b>
        ) : (
          <span className="soft">{t('gaps:SurfacesView.weAreAbsent')}</span>
        )}
        {on.rivals.map(({ letter, name, positions }, n) =>
          positions.length === 0 ? null : (
            <span key={letter} className="best-of" title={name}>
              {' '}
              <span className={`letter hue-${n % 4}`}>{letter}</span> {positions.slice(0, 3).join(', ')}
            </span>
          ),
        )}
      </div>
      <div className="faint">
        {on.kinds
          .map(
            ({ kind, slots, ours }) =>
              `${slots} ${kind}${slots === 1 ? '' : 's'}${ours > 0 ? t('gaps:SurfacesView.oursOurs', { ours }) : ''}`,
          )
          .join('; ')}
      </div>
      {on.blocks.length > 0 && (
        <div className="faint">
          {on.blocks
            .map(({ kind, slot, holder }) =>
              t('gaps:SurfacesView.kindAtSlotSlotWhich', {
                kind,
                slot,
                which:
                  holder.side === 'own'
                    ? t('gaps:SurfacesView.ours2')
                    : (holder.owner ?? t('gaps:SurfacesView.nobody')),
              }),
            )
            .join('; ')}
        </div>
      )}
    </div>
  );
}

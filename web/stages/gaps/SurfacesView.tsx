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
    return <Empty title="Nothing matches these filters">Clear one in the table, or choose others.</Empty>;
  return (
    <section className="gap-part" aria-label="Across surfaces">
      <Segmented
        size="small"
        aria-label="Across what"
        value={across}
        options={[
          { value: 'surfaces', label: 'the surfaces of this place' },
          { value: 'markets', label: 'all markets of this surface' },
        ]}
        onChange={setAcross}
      />
      {!data ? (
        <Waiting for="the other fronts" />
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
      <h1>
        We hold {count(held)} places on these fronts; {count(could)} could be ours
      </h1>
      <p className="soft">
        The first {SHOWN} keywords of the choice, those first whose best actions over all surfaces add most,
        each keyword by itself; estimated. Could be ours: what we hold, one place for every kind of target on
        the front that is not ours yet (page, video, listing), and every block that somebody else holds.
      </p>
      <Ledger
        className="surfaces"
        take="Across surfaces"
        rows={data.keywords}
        keyOf={({ id }) => id}
        columns={[
          { head: 'Keyword', cell: (keyword) => <Name of={keyword} /> },
          ...(data.keywords[0]?.surfaces ?? []).map(({ surface }, n) => ({
            head: surface,
            cell: (keyword: Keyword) => <Held on={keyword.surfaces[n]!} front={data.front} />,
          })),
          { head: 'Ours', figure: true, cell: ({ held: ours }) => ours },
          { head: 'Could be', figure: true, cell: ({ could: most }) => most },
          {
            head: `Adds, ${data.currency}`,
            tip: 'What the best actions on all surfaces add a month, together; estimated',
            figure: true,
            cell: ({ value }) => (value > 0 ? worth(value) : 'nothing'),
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
        {count(all)} of {counted(data.keywords.length, 'keyword')} are on the front wherever they were
        captured
      </h1>
      <p className="soft">
        The first {SHOWN} keywords of the choice, in its order; the same words in another market are another
        keyword. Positions are not averaged: the worst of those that are known is said.
      </p>
      <Ledger
        className="surfaces"
        take="Across markets"
        rows={data.keywords}
        keyOf={({ id }) => id}
        columns={[
          { head: 'Keyword', cell: (keyword) => <Name of={keyword} alone /> },
          ...(data.keywords[0]?.surfaces ?? []).map(({ placeName, languageName }, n) => ({
            head: `${placeName}, ${languageName}`,
            cell: (keyword: Keyword) => <InMarket on={keyword.surfaces[n]!} />,
          })),
          {
            head: 'On the front',
            tip: 'Markets in which we are on the front, of those captured',
            figure: true,
            cell: ({ onFront, known }) => (known === 0 ? 'never captured' : `${onFront} of ${known}`),
          },
          {
            head: 'Worst',
            tip: 'Our worst position of those that are known',
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
        <div className="faint">{volume === null ? 'volume unknown' : `${count(volume)} a month`}</div>
      )}
    </>
  );
}

function InMarket({ on: { own, rivals, volume, captured } }: { on: OnSurface }) {
  const best = Math.min(...rivals.flatMap(({ positions }) => positions));
  return (
    <div title={captured === null ? undefined : `Captured ${spelledDay(captured)}`}>
      <div>
        {typeof own === 'number' ? <b>we at {own}</b> : <span className="soft">{own}</span>}
        {Number.isFinite(best) && <span className="faint"> · best rival {best}</span>}
      </div>
      <div className="faint">{volume === null ? 'volume unknown' : `${count(volume)} a month`}</div>
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
      own={{ name: 'ours', organic: on.own, before: null, paid: 'unknown' }}
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
  if (on.captured === null) return <span className="faint">never captured here</span>;
  return (
    <div title={`Captured ${spelledDay(on.captured)}`}>
      <SurfaceLane on={on} front={front} />
      {on.best !== null && (
        <div>
          <b>{on.best.action}</b>
          {on.best.value !== null && ` adds ${worth(on.best.value)}`}
          {on.best.chance !== null && `, chance ${percent(on.best.chance, 0)}`}
        </div>
      )}
      <div>
        {on.ours.length > 0 ? <b>we at {on.ours.join(', ')}</b> : <span className="soft">we are absent</span>}
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
              `${slots} ${kind}${slots === 1 ? '' : 's'}${ours > 0 ? `, ${ours} ours` : ''}`,
          )
          .join('; ')}
      </div>
      {on.blocks.length > 0 && (
        <div className="faint">
          {on.blocks
            .map(
              ({ kind, slot, holder }) =>
                `${kind} at slot ${slot}: ${holder.side === 'own' ? 'ours' : (holder.owner ?? 'nobody')}`,
            )
            .join('; ')}
        </div>
      )}
    </div>
  );
}

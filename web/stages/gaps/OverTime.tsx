import type { GapQuery } from '@opsimath/contract/api/gapQuery';
import type { OverTime as Data } from '@opsimath/contract/api/overTime';
import { Segmented, Select } from 'antd';
import { Ledger } from '../../parts/table/Ledger';
import { SideName } from '../../parts/words/SideName';
import { Waiting } from '../../parts/words/Waiting';
import { Empty } from '../../parts/words/Empty';
import { Problem } from '../../parts/words/Problem';
import { count, counted, spelledDay } from '../../parts/words/figures';
import { useOverTimeQuery } from '../../state/standingApi';
import type { Scope } from '../../state/scope';
import { useScope } from '../../state/useScope';
import { useShown } from '../../state/useShown';
import { DepthChart } from './DepthChart';
import { SidesChart, type SideMeasure } from './SidesChart';
import { WeeksChart } from './WeeksChart';

const MEASURES: { value: SideMeasure; label: string }[] = [
  { value: 'share', label: 'Share of clicks' },
  { value: 'visibility', label: 'Visibility' },
  { value: 'front', label: 'Keywords on the front' },
  { value: 'paid', label: 'Keywords with a paid slot' },
];

const MEASURE_NAMES = MEASURES.map(({ value }) => value);

type Changed = NonNullable<Data['changes']>[number];
const MOVED = [
  ['gained', 'Gained', 'Absent then, ranked now'],
  ['lost', 'Lost', 'Ranked then, absent now'],
  ['climbing', 'Climbing', 'Up by three places or more'],
  ['slipping', 'Slipping', 'Down by five, or by three and off the front'],
] as const;

/** How the keywords of the choice went over time, by side; own search performance beside; what changed between the dates. */
export function OverTime({ query }: { query: GapQuery }) {
  const { project, scope } = useScope();
  const { sort: _s, offset: _o, limit: _l, ...narrowed } = query;
  const [begun, setBegun] = useShown<string>('from', '');
  const from = /^\d{4}-\d\d-\d\d$/.test(begun) ? begun : null;
  const { data, error } = useOverTimeQuery({
    project,
    query: { ...narrowed, own: scope.own, from: from ?? undefined },
  });
  const [measure, setMeasure] = useShown<SideMeasure>('measure', 'share', MEASURE_NAMES);
  const [shownSide, setSide] = useShown<string>('side', '0');
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for="how it went over time" />;
  if (data.dates.length === 0)
    return (
      <Empty title="No result page was captured by this date">
        Lines need captures. A look-up with captures makes the first point of them.
      </Empty>
    );
  const last = data.dates.at(-1)!;
  const side = Number(shownSide) in data.names ? Number(shownSide) : 0;
  return (
    <div className="gap-part over-time">
      <div>
        <h1>{titleOf(data)}</h1>
        <div className="soft">
          Every day is drawn over the same {counted(data.panel, 'keyword')}, those captured by{' '}
          {spelledDay(data.dates[0]!.date)}; {count(data.keywords)} are of the choice in the table,{' '}
          {count(last.captured)} of them captured by {spelledDay(last.date)}. Each day takes the newest fact
          held by then. <Begin data={data} from={from} onBegin={(day) => setBegun(day ?? '')} />
        </div>
      </div>
      <Segmented size="small" value={measure} options={MEASURES} onChange={setMeasure} aria-label="Measure" />
      <SidesChart data={data} measure={measure} />
      <div className="over-time-pair">
        <section>
          <h2 title="Of the keywords that every day is drawn over">
            Counts by depth{' '}
            <Segmented
              size="small"
              aria-label="Side"
              value={side}
              options={data.names.map((name, n) => ({ value: n, label: name }))}
              onChange={(n) => setSide(String(n))}
            />
          </h2>
          <DepthChart data={data} side={side} />
        </section>
        <section>
          <h2>Own search performance by week</h2>
          <WeeksChart weeks={data.weeks} />
        </section>
      </div>
      <Changes data={data} />
    </div>
  );
}

/** A later beginning has fewer days and more keywords. */
function Begin({
  data,
  from,
  onBegin,
}: {
  data: Data;
  from: string | null;
  onBegin: (day: string | null) => void;
}) {
  if (data.bases.length < 2) return null;
  return (
    <Select
      size="small"
      variant="borderless"
      className="written"
      aria-label="Begin with"
      popupMatchSelectWidth={false}
      value={from ?? data.bases[0]!.date}
      options={data.bases.map(({ date, keywords }) => ({
        value: date,
        label: `from ${spelledDay(date)}, ${counted(keywords, 'keyword')}`,
      }))}
      onChange={(day) => onBegin(day === data.bases[0]!.date ? null : day)}
    />
  );
}

function titleOf({ dates, names }: Data): string {
  const shares = dates.at(-1)!.sides.map(({ share }, n) => ({ share: share ?? -1, name: names[n]! }));
  const ours = shares[0]!;
  const best = [...shares].sort((a, b) => b.share - a.share)[0]!;
  const said = (share: number): string => `${(100 * share).toFixed(1)} %`;
  if (ours.share < 0) return 'Our share of the clicks is unknown';
  return best === ours
    ? `We hold the largest share of the clicks, ${said(ours.share)}`
    : `${best.name} holds ${said(best.share)} of the clicks, we ${said(ours.share)}`;
}

function Changes({ data }: { data: Data }) {
  const { scope, change } = useScope();
  if (data.changes === null)
    return <p className="soft">Choose a compare-with date in the bar above to see what changed.</p>;
  const show = (marks: Scope['marks']): void => change({ view: '', marks });
  return (
    <div className="over-time-pair">
      <section>
        <h2>
          What changed, {spelledDay(scope.compare)} to {spelledDay(scope.date)}
        </h2>
        <Ledger
          take="What changed"
          rows={data.changes}
          keyOf={({ name }) => name}
          columns={[
            { head: 'Side', cell: (side) => <SideName side={side} /> },
            {
              head: 'Known',
              tip: 'Keywords of which both dates are known',
              figure: true,
              cell: ({ known }) => count(known),
            },
            ...MOVED.map(([mark, head, tip]) => ({
              head,
              tip,
              figure: true,
              cell: (side: Changed, n: number) =>
                n === 0 && side[mark] > 0 ? (
                  <button className="plain written" onClick={() => show([mark])}>
                    {count(side[mark])}
                  </button>
                ) : (
                  count(side[mark])
                ),
            })),
            {
              head: 'Front in',
              tip: 'Came onto the front',
              figure: true,
              cell: ({ cameIn }) => count(cameIn),
            },
            {
              head: 'Front out',
              tip: 'Left the front',
              figure: true,
              cell: ({ wentOut }) => count(wentOut),
            },
            {
              head: 'Paid',
              tip: 'Paid slots won and given up',
              figure: true,
              className: 'no-break',
              cell: ({ paidGained, paidLost }) => `+${count(paidGained)} −${count(paidLost)}`,
            },
          ]}
        />
      </section>
      <section>
        <h2 title="Owners that gained more fronts than they lost, of the keywords captured at both dates">
          On more fronts than before
        </h2>
        <Ledger
          take="On more fronts"
          rows={data.newcomers}
          keyOf={({ owner }) => owner}
          empty="Nobody gained more fronts than it lost."
          columns={[
            {
              head: 'Owner',
              cell: ({ owner, isNew, known }) => (
                <>
                  {owner}{' '}
                  <span className="faint">
                    {[isNew && 'new', known && 'in the roster'].filter(Boolean).join(', ')}
                  </span>
                </>
              ),
            },
            { head: 'Came', figure: true, cell: ({ came }) => count(came) },
            { head: 'Left', figure: true, cell: ({ left }) => count(left) },
            { head: 'Now', tip: 'Fronts it is on now', figure: true, cell: ({ now }) => count(now) },
            { head: 'Best', tip: 'Best position where it came', figure: true, cell: ({ best }) => best },
            {
              head: 'Volume',
              tip: 'Searches a month of the fronts it came onto',
              figure: true,
              cell: ({ volume }) => count(volume),
            },
          ]}
        />
      </section>
    </div>
  );
}

import type { Dossier } from '@opsimath/contract/api/dossier';
import { FIT } from '@opsimath/core/gap/priority';
import { compareTwo, frontOverlap } from '@opsimath/core/sift/compareTwo';
import { key } from '@opsimath/core/text/key';
import { HistoryChart } from '../charts/HistoryChart';
import { LaneHead } from '../lane/LaneHead';
import { RowLane } from '../lane/RowLane';
import '../lane/lane.css';
import { Problem } from '../words/Problem';
import { Waiting } from '../words/Waiting';
import { count, decimal, movement } from '../words/figures';
import './compare.css';
import { useDossierQuery } from '../../state/gapsApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';

const NOTHING: { id: number; text: string }[] = [];

/** Two keywords side by side, where a choice between near-equals is to be made. */
export function TwoKeywords() {
  const { project, comparison } = useScope();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const [a, b] = tray;
  const skip = a === undefined || b === undefined;
  const first = useDossierQuery({ project, keyword: a?.id ?? 0, scope: comparison }, { skip });
  const second = useDossierQuery({ project, keyword: b?.id ?? 0, scope: comparison }, { skip });
  if (skip)
    return <p className="soft">Tick two keywords in the table (Space): they are set side by side here.</p>;
  const error = first.error ?? second.error;
  if (error) return <Problem error={error} />;
  if (!first.currentData || !second.currentData) return <Waiting for="both dossiers" />;
  const both = [first.currentData, second.currentData] as const;
  return (
    <section className="two-keywords" aria-label="Two keywords" tabIndex={0}>
      {tray.length > 2 && <p className="soft">The first two of the tray are compared.</p>}
      <Choice both={both} />
      <table className="ledger compare">
        <thead>
          <tr>
            <th />
            {both.map(({ row }) => (
              <th key={row.id} className="figure">
                <span className="serif">{row.text}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">where everybody stands</th>
            {both.map((data) => (
              <td key={data.row.id} className="figure">
                <LaneHead width={LANE} />
                <RowLane {...data} width={LANE} height={36} />
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">why</th>
            {both.map(({ row }) => (
              <td key={row.id} className="compare-text">
                {row.reason}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">positions over time</th>
            {both.map(({ row, history, own, rivals }) => (
              <td key={row.id}>
                <HistoryChart history={history} own={own} rivals={rivals} of="organic" />
              </td>
            ))}
          </tr>
          {LINES.map(([name, read]) => {
            const [x, y] = [read(both[0]), read(both[1])];
            return (
              <tr key={name} className={x === y ? '' : 'differs'}>
                <th scope="row">{name}</th>
                <td className="figure">{x}</td>
                <td className="figure">{y}</td>
              </tr>
            );
          })}
          <tr>
            <th scope="row">on the front</th>
            {both.map(({ row, page }, n) => (
              <td key={row.id} className="compare-text">
                <FrontList page={page} other={both[1 - n]!.page} front={both[n]!.front} />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

const LANE = 380;

/** The organic results of a front in their order; those that answer the other keyword as well are marked in words. */
function FrontList({ page, other, front }: { page: Dossier['page']; other: Dossier['page']; front: number }) {
  if (page === null) return <span className="faint">never captured</span>;
  const shared = new Set(organicOf(other).map(({ address }) => address));
  return (
    <ol className="compare-front">
      {organicOf(page)
        .filter(({ position }) => position! <= front)
        .map(({ slot, position, owner, title, side, address }) => (
          <li key={slot} value={position!} className={side}>
            <b>{side === 'own' ? 'ours' : owner}</b> {title}
            {shared.has(address) && <span className="faint"> · answers both</span>}
          </li>
        ))}
    </ol>
  );
}

const organicOf = (page: Dossier['page']): NonNullable<Dossier['page']>['slots'] =>
  (page?.slots ?? []).filter(({ kind, address, position }) => kind === 'organic' && address && position);

function byPriority(ahead: number, behind: number | null): string {
  const [one, other] = [ahead, behind].map((value) => (value === null ? 'unknown' : decimal(value, 1)));
  return one === other
    ? `By priority, by less than a tenth: both ${one} a day of work.`
    : `By priority: ${one} against ${other} a day of work.`;
}

/** Smaller differences do not decide anything. */
const WORTH_TELLING = 1.05;

function Choice({ both }: { both: readonly [Dossier, Dossier] }) {
  const [x, y] = both.map(({ row }) => ({
    key: key(row.text),
    volume: row.volume,
    priority: row.priority,
    demand: row.demand,
    gain: row.gain,
    value: row.worthAMonth,
    worth: row.worth,
    fit: row.parts?.fit ?? FIT[row.verdict],
    effort: row.effort,
  }));
  const decision = compareTwo(x!, y!);
  const [ahead, behind] = decision.ahead === 0 ? both : [both[1], both[0]];
  const told = (list: typeof decision.for): string =>
    list
      .filter(({ times }) => times >= WORTH_TELLING)
      .map(({ factor, times }) => `${factor} (${decimal(times, 1)} times)`)
      .join(', ');
  const fronts = both.map(({ page }) => organicOf(page).map(({ address }) => address!));
  const shared = frontOverlap(fronts[0]!, fronts[1]!);
  return (
    <header>
      <h1>“{ahead.row.text}” goes first</h1>
      <p className="soft">
        {decision.by === 'priority' && ahead.row.priority !== null
          ? byPriority(ahead.row.priority, behind.row.priority)
          : decision.by === 'volume'
            ? 'It is searched more; their priority is equal or unknown.'
            : 'By the alphabet only: nothing else tells them apart.'}{' '}
        {told(decision.for) !== '' && `In its favour: ${told(decision.for)}. `}
        {told(decision.against) !== '' && `Against it: ${told(decision.against)}. `}
        {fronts[0]!.length > 0 && fronts[1]!.length > 0
          ? `${shared.length} of the first 10 answer both${shared.length >= 4 ? ': one target could serve the two' : ''}.`
          : 'Of at least one no result page is held, so that their fronts cannot be compared.'}
      </p>
    </header>
  );
}

const figure = (value: number | null, digits = 0): string =>
  value === null ? 'unknown' : digits === 0 ? count(value) : decimal(value, digits);
const LINES: [string, (of: Dossier) => string][] = [
  ['volume, searches a month', ({ row }) => figure(row.volume)],
  ['demand, the coming three months', ({ row }) => figure(row.demand)],
  ['our position', ({ row }) => String(row.own)],
  ['best rival', ({ row }) => bestOf(row.rivals)],
  ['gap kind', ({ row }) => row.kind],
  [
    'rivals within the front',
    ({ row }) => (row.spread === null ? 'unknown' : `${row.spread} of ${lookedUp(row)} looked up`),
  ],
  ['paid', ({ row }) => row.paid],
  [
    'CPC',
    ({ row }) => (row.cpcLow === null ? 'unknown' : `${figure(row.cpcLow, 2)}–${figure(row.cpcHigh, 2)}`),
  ],
  ['ad competition', ({ row }) => figure(row.adCompetition, 2)],
  ['difficulty', ({ row }) => figure(row.difficulty)],
  ['clicks added a month', ({ row }) => figure(row.gain, 1)],
  ['chance', ({ row }) => figure(row.chance, 2) + (row.chanceAssumed ? ' (from the position alone)' : '')],
  ['chance as it is', ({ row }) => figure(row.asIs, 2)],
  ['worth of a click', ({ row }) => `${figure(row.worth, 2)} (${row.worthSource})`],
  ['adds a month', ({ row }) => figure(row.worthAMonth, 1)],
  ['best to do', ({ row }) => row.action],
  ['effort, days', ({ row }) => figure(row.effort, 2)],
  ['priority, a day of work', ({ row }) => figure(row.priority, 1)],
  ['verdict', ({ row }) => row.verdict],
  ['moved', ({ row }) => movement(row) || 'nothing known'],
  ['exact rivals on the front', ({ row }) => figure(row.exactRivals)],
  ['results, rough', ({ row }) => figure(row.results)],
  ['our page', ({ row }) => row.ownAddress ?? 'none ranks'],
  ['captured on', ({ row }) => row.captureDate ?? 'never'],
];

/** Rivals of which it is known whether they rank. */
const lookedUp = ({ rivals }: Dossier['row']): number =>
  rivals.filter((position) => position !== 'unknown').length;

function bestOf(rivals: Dossier['row']['rivals']): string {
  const places = rivals.filter((position): position is number => typeof position === 'number');
  if (places.length > 0) return String(Math.min(...places));
  return rivals.includes('absent') ? 'absent' : 'unknown';
}

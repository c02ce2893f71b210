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
import { reasonWords } from '../words/reasonWords';
import { t, wordOf } from '../../words/t';

const NOTHING: { id: number; text: string }[] = [];

/** Two keywords side by side, where a choice between near-equals is to be made. */
export function TwoKeywords() {
  const { project, comparison } = useScope();
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const [a, b] = tray;
  const skip = a === undefined || b === undefined;
  const first = useDossierQuery({ project, keyword: a?.id ?? 0, scope: comparison }, { skip });
  const second = useDossierQuery({ project, keyword: b?.id ?? 0, scope: comparison }, { skip });
  if (skip) return <p className="soft">{t('parts:TwoKeywords.tickTwoKeywordsInTheTable')}</p>;
  const error = first.error ?? second.error;
  if (error) return <Problem error={error} />;
  if (!first.currentData || !second.currentData) return <Waiting for={t('parts:TwoKeywords.bothDossiers')} />;
  const both = [first.currentData, second.currentData] as const;
  return (
    <section className="two-keywords" aria-label={t('parts:TwoKeywords.twoKeywords')} tabIndex={0}>
      {tray.length > 2 && <p className="soft">{t('parts:TwoKeywords.theFirstTwoOfTheTray')}</p>}
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
            <th scope="row">{t('parts:TwoKeywords.whereEverybodyStands')}</th>
            {both.map((data) => (
              <td key={data.row.id} className="figure">
                <LaneHead width={LANE} />
                <RowLane {...data} width={LANE} height={36} />
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">{t('parts:TwoKeywords.why')}</th>
            {both.map(({ row }) => (
              <td key={row.id} className="compare-text">
                {reasonWords(row)}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">{t('parts:TwoKeywords.positionsOverTime')}</th>
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
            <th scope="row">{t('parts:TwoKeywords.onTheFront')}</th>
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
  if (page === null) return <span className="faint">{t('parts:TwoKeywords.neverCaptured')}</span>;
  const shared = new Set(organicOf(other).map(({ address }) => address));
  return (
    <ol className="compare-front">
      {organicOf(page)
        .filter(({ position }) => position! <= front)
        .map(({ slot, position, owner, title, side, address }) => (
          <li key={slot} value={position!} className={side}>
            <b>{side === 'own' ? t('parts:TwoKeywords.ours') : owner}</b> {title}
            {shared.has(address) && <span className="faint"> {t('parts:TwoKeywords.answersBoth')}</span>}
          </li>
        ))}
    </ol>
  );
}

const organicOf = (page: Dossier['page']): NonNullable<Dossier['page']>['slots'] =>
  (page?.slots ?? []).filter(({ kind, address, position }) => kind === 'organic' && address && position);

function byPriority(ahead: number, behind: number | null): string {
  const [one, other] = [ahead, behind].map((value) =>
    value === null ? t('parts:TwoKeywords.unknown') : decimal(value, 1),
  );
  return one === other
    ? t('parts:TwoKeywords.byPriorityByLessThanA', { one })
    : t('parts:TwoKeywords.byPriorityOneAgainstOtherA', { one, other });
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
      .map(({ factor, times }) =>
        t('parts:TwoKeywords.factorTimesTimes', { factor, times: decimal(times, 1) }),
      )
      .join(', ');
  const fronts = both.map(({ page }) => organicOf(page).map(({ address }) => address!));
  const shared = frontOverlap(fronts[0]!, fronts[1]!);
  return (
    <header>
      <h1>{t('parts:TwoKeywords.textGoesFirst', { text: ahead.row.text })}</h1>
      <p className="soft">
        {decision.by === 'priority' && ahead.row.priority !== null
          ? byPriority(ahead.row.priority, behind.row.priority)
          : decision.by === 'volume'
            ? t('parts:TwoKeywords.itIsSearchedMoreTheirPriority')
            : t('parts:TwoKeywords.byTheAlphabetOnlyNothingElse')}{' '}
        {told(decision.for) !== '' &&
          `${t('parts:TwoKeywords.inItsFavourTold', { told: told(decision.for) })} `}
        {told(decision.against) !== '' &&
          `${t('parts:TwoKeywords.againstItTold', { told: told(decision.against) })} `}
        {fronts[0]!.length > 0 && fronts[1]!.length > 0
          ? t('parts:TwoKeywords.sharedOfTheFirst10Answer', {
              shared: shared.length,
              which: shared.length >= 4 ? t('parts:TwoKeywords.oneTargetCouldServeTheTwo') : '',
            })
          : t('parts:TwoKeywords.ofAtLeastOneNoResult')}
      </p>
    </header>
  );
}

const figure = (value: number | null, digits = 0): string =>
  value === null ? t('parts:TwoKeywords.unknown') : digits === 0 ? count(value) : decimal(value, digits);
const money = (value: number | null, currency: string): string =>
  figure(value, 1) + (value === null ? '' : ` ${currency}`);
const LINES: [string, (of: Dossier) => string][] = [
  [t('parts:TwoKeywords.volumeSearchesAMonth'), ({ row }) => figure(row.volume)],
  [t('parts:TwoKeywords.demandTheComingThreeMonths'), ({ row }) => figure(row.demand)],
  [t('parts:TwoKeywords.ourPosition'), ({ row }) => String(row.own)],
  [t('parts:TwoKeywords.bestRival'), ({ row }) => bestOf(row.rivals)],
  [t('parts:TwoKeywords.gapKind'), ({ row }) => row.kind],
  [
    t('parts:TwoKeywords.rivalsWithinTheFront'),
    ({ row }) =>
      row.spread === null
        ? t('parts:TwoKeywords.unknown')
        : t('parts:TwoKeywords.spreadOfLookedUpLookedUp', { spread: row.spread, lookedUp: lookedUp(row) }),
  ],
  ['paid', ({ row }) => row.paid],
  [
    wordOf('CPC'),
    ({ row }) =>
      row.cpcLow === null
        ? t('parts:TwoKeywords.unknown')
        : `${figure(row.cpcLow, 2)}–${figure(row.cpcHigh, 2)}`,
  ],
  [t('parts:TwoKeywords.adCompetition'), ({ row }) => figure(row.adCompetition, 2)],
  [wordOf('difficulty'), ({ row }) => figure(row.difficulty)],
  [t('parts:TwoKeywords.clicksAddedAMonth'), ({ row }) => figure(row.gain, 1)],
  [
    wordOf('chance'),
    ({ row }) =>
      figure(row.chance, 2) + (row.chanceAssumed ? ` ${t('parts:TwoKeywords.fromThePositionAlone')}` : ''),
  ],
  [t('parts:TwoKeywords.chanceAsItIs'), ({ row }) => figure(row.asIs, 2)],
  [
    t('parts:TwoKeywords.worthOfAClick'),
    ({ row, currency }) => `${figure(row.worth, 2)} ${currency} (${wordOf(row.worthSource)})`,
  ],
  [t('parts:TwoKeywords.addsAMonth'), ({ row, currency }) => money(row.worthAMonth, currency)],
  [t('parts:TwoKeywords.bestToDo'), ({ row }) => wordOf(row.action)],
  [t('parts:TwoKeywords.effortDays'), ({ row }) => figure(row.effort, 2)],
  [t('parts:TwoKeywords.priorityADayOfWork'), ({ row, currency }) => money(row.priority, currency)],
  [wordOf('verdict'), ({ row }) => wordOf(row.verdict)],
  [wordOf('moved'), ({ row }) => movement(row) || t('parts:TwoKeywords.nothingKnown')],
  [t('parts:TwoKeywords.exactRivalsOnTheFront'), ({ row }) => figure(row.exactRivals)],
  [t('parts:TwoKeywords.resultsRough'), ({ row }) => figure(row.results)],
  [t('parts:TwoKeywords.ourPage'), ({ row }) => row.ownAddress ?? t('parts:TwoKeywords.noneRanks')],
  [t('parts:TwoKeywords.capturedOn'), ({ row }) => row.captureDate ?? t('parts:TwoKeywords.never')],
];

/** Rivals of which it is known whether they rank. */
const lookedUp = ({ rivals }: Dossier['row']): number =>
  rivals.filter((position) => position !== 'unknown').length;

function bestOf(rivals: Dossier['row']['rivals']): string {
  const places = rivals.filter((position): position is number => typeof position === 'number');
  if (places.length > 0) return String(Math.min(...places));
  return rivals.includes('absent') ? 'absent' : 'unknown';
}

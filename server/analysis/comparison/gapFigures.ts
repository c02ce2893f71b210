import type { GapSort } from '@opsimath/contract/api/gaps';
import type { GapFigure } from '@opsimath/contract/figures/gapFigures';
import { volumeToResults, volumeToRivals } from '@opsimath/core/gap/ratios';
import { middleCpc } from '@opsimath/core/gap/worth';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import { filled } from '../facts/columnMaps';
import type { Comparison } from './comparison';

type Figures = ArrayLike<number>;
/** What is in words and sorts by its order. */
type Word = Exclude<GapSort, GapFigure | 'keyword'>;

/** Columns made lately of each comparison, so that no sort or limit makes one twice. */
const kept = new WeakMap<Comparison, Map<string, Figures>>();

/** One figure of every row of a comparison; NaN where it is unknown. Absent sorts behind every position. */
export function gapFigures(comparison: Comparison, figure: GapFigure | Word): Figures {
  let columns = kept.get(comparison);
  if (!columns) kept.set(comparison, (columns = new Map()));
  let column = columns.get(figure);
  if (!column) columns.set(figure, (column = READERS[figure](comparison)));
  return column;
}

/** One figure of one row as it is shown; `null` where it is unknown, or no position. */
export function gapFigure(comparison: Comparison, figure: GapFigure, i: number): number | null {
  const value = gapFigures(comparison, figure)[i]!;
  return Number.isNaN(value) || (POSITIONS.has(figure) && value === ABSENT) ? null : value;
}

const POSITIONS: ReadonlySet<GapFigure> = new Set(['own', 'best rival']);

const exact = ({ rows }: Comparison, of: (i: number) => number): Float64Array =>
  filled(new Float64Array(rows.length), of);
const positions = (column: Uint8Array): Float32Array =>
  filled(new Float32Array(column.length), (i) => (column[i] === UNKNOWN ? NaN : column[i]!));
const unlessNegative = (column: Int16Array, i: number): number => (column[i]! < 0 ? NaN : column[i]!);

/** How each figure of the register is read. */
const READERS: Record<GapFigure | Word, (comparison: Comparison) => Figures> = {
  priority: ({ gaps }) => gaps.priority,
  kind: ({ gaps }) => gaps.kind,
  move: ({ gaps }) => gaps.moved,
  own: ({ columns }) => positions(columns.ownOrganic),
  'best rival': ({ gaps }) => positions(gaps.rivalBest),
  spread: (comparison) =>
    exact(comparison, (i) => (comparison.gaps.rivalBest[i] === UNKNOWN ? NaN : comparison.gaps.spread[i]!)),
  demand: ({ columns }) => columns.expectedVolume,
  volume: ({ volume }) => volume,
  chance: ({ columns }) => columns.chance,
  worth: ({ columns }) => columns.worth,
  gain: ({ gaps }) => gaps.gain,
  'a month': ({ gaps }) => gaps.worthAMonth,
  cpc: (comparison) => {
    const { metrics, rows } = comparison;
    return exact(comparison, (i) => middleCpc(metrics.cpcLow[rows[i]!]!, metrics.cpcHigh[rows[i]!]!));
  },
  'ad competition': (comparison) =>
    exact(comparison, (i) => comparison.metrics.adCompetition[comparison.rows[i]!]!),
  difficulty: (comparison) => exact(comparison, (i) => unlessNegative(comparison.difficulty, i)),
  action: ({ gaps }) => gaps.action,
  paid: ({ gaps }) => gaps.paid,
  effort: ({ effort }) => effort,
  verdict: ({ verdicts }) => verdicts,
  'at stake': (comparison) =>
    exact(comparison, (i) =>
      comparison.gaps.doubling[i] === 1
        ? (comparison.ads.terms.get(comparison.keywords[i]!)?.cost ?? NaN)
        : NaN,
    ),
  'our clicks': (comparison) => clicksOf(comparison, comparison.columns.ownOrganic),
  'rival clicks': (comparison) => clicksOf(comparison, comparison.gaps.rivalBest),
  results: (comparison) => exact(comparison, (i) => comparison.metrics.results[comparison.rows[i]!]!),
  'exact rivals': (comparison) => exact(comparison, (i) => unlessNegative(comparison.exactRivals, i)),
  'volume to results': (comparison) => {
    const results = gapFigures(comparison, 'results');
    return exact(comparison, (i) => volumeToResults(comparison.volume[i]!, results[i]!));
  },
  'volume to rivals': (comparison) => {
    const rivals = gapFigures(comparison, 'exact rivals');
    return exact(comparison, (i) => volumeToRivals(comparison.volume[i]!, rivals[i]!));
  },
  'front price': ({ frontMedians }) => frontMedians.price,
  'front rating': ({ frontMedians }) => frontMedians.rating,
  'front reviews': ({ frontMedians }) => frontMedians.reviews,
};

/** Estimated clicks a month at some positions (method §3): 0 for absent, unknown for unknown. */
function clicksOf({ volume, columns, curve }: Comparison, positions: Uint8Array): Float64Array {
  return filled(new Float64Array(positions.length), (i) =>
    positions[i] === UNKNOWN
      ? NaN
      : estimatedClicks(volume[i]!, positions[i]!, columns.featureFactor[i]!, curve),
  );
}

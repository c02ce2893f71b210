import { type BidGuide, guideOfAuctions } from '@opsimath/core/ads/bidGuide';
import type { GapSort } from '@opsimath/contract/api/gapChoices';
import type { GapFigure } from '@opsimath/contract/figures/gapFigures';
import { volumeToResults, volumeToRivals } from '@opsimath/core/gap/ratios';
import { middleCpc } from '@opsimath/core/gap/worth';
import { isOnFront } from '@opsimath/core/ranking/front';
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
  if (!column) {
    const read = READERS[figure](comparison);
    column = typeof read === 'function' ? filled(new Float64Array(comparison.rows.length), read) : read;
    columns.set(figure, column);
  }
  return column;
}

/** One figure of one row as it is shown; `null` where it is unknown, or no position. No column is made for it. */
export function gapFigure(comparison: Comparison, figure: GapFigure, i: number): number | null {
  const read = READERS[figure](comparison);
  const value = typeof read === 'function' ? read(i) : read[i]!;
  return Number.isNaN(value) || (POSITIONS.has(figure) && value === ABSENT) ? null : value;
}

const POSITIONS: ReadonlySet<GapFigure> = new Set(['own', 'best rival']);

const position = (column: Uint8Array) => (i: number) => (column[i] === UNKNOWN ? NaN : column[i]!);
const unlessNegative = (column: Int16Array) => (i: number) => (column[i]! < 0 ? NaN : column[i]!);

/** How each figure of the register is read: from a column that stands, or row by row. */
const READERS: Record<GapFigure | Word, (comparison: Comparison) => Figures | ((i: number) => number)> = {
  priority: ({ gaps }) => gaps.priority,
  kind: ({ gaps }) => gaps.kind,
  move: ({ gaps }) => gaps.moved,
  own: ({ columns }) => position(columns.ownOrganic),
  'best rival': ({ gaps }) => position(gaps.rivalBest),
  spread:
    ({ gaps }) =>
    (i) =>
      gaps.rivalBest[i] === UNKNOWN ? NaN : gaps.spread[i]!,
  demand: ({ columns }) => columns.expectedVolume,
  volume: ({ volume }) => volume,
  chance: ({ gaps }) => gaps.chance,
  'as it is': ({ columns }) => columns.asIs.chance,
  worth: ({ columns }) => columns.worth,
  gain: ({ gaps }) => gaps.gain,
  elsewhere: ({ gaps }) => gaps.elsewhere,
  'to lose': toLose,
  'a month': ({ gaps }) => gaps.worthAMonth,
  cpc:
    ({ metrics, rows }) =>
    (i) =>
      middleCpc(metrics.cpcLow[rows[i]!]!, metrics.cpcHigh[rows[i]!]!),
  'bid guide': bid(({ middle }) => middle),
  'bid from': bid(({ low }) => low),
  'bid to': bid(({ high }) => high),
  'ad competition':
    ({ metrics, rows }) =>
    (i) =>
      metrics.adCompetition[rows[i]!]!,
  difficulty: ({ difficulty }) => unlessNegative(difficulty),
  action: ({ gaps }) => gaps.action,
  paid: ({ gaps }) => gaps.paid,
  effort: ({ effort }) => effort,
  verdict: ({ verdicts }) => verdicts,
  'at stake':
    ({ gaps, ads, keywords }) =>
    (i) => {
      const id = keywords[i]!;
      return gaps.doubling[i] === 1 ? (ads.terms.get(id)?.cost ?? NaN) : NaN;
    },
  'our clicks': (comparison) => clicksAt(comparison, comparison.columns.ownOrganic),
  'rival clicks': (comparison) => clicksAt(comparison, comparison.gaps.rivalBest),
  results:
    ({ metrics, rows }) =>
    (i) =>
      metrics.results[rows[i]!]!,
  'exact rivals': ({ exactRivals }) => unlessNegative(exactRivals),
  'volume to results':
    ({ volume, metrics, rows }) =>
    (i) =>
      volumeToResults(volume[i]!, metrics.results[rows[i]!]!),
  'volume to rivals': ({ volume, exactRivals }) => {
    const rivals = unlessNegative(exactRivals);
    return (i) => volumeToRivals(volume[i]!, rivals(i));
  },
  'front price': ({ frontMedians }) => frontMedians.price,
  'front rating': ({ frontMedians }) => frontMedians.rating,
  'front reviews': ({ frontMedians }) => frontMedians.reviews,
};

/** A figure of the bid guide of each keyword (method §17); unknown where no auction was observed. */
function bid(of: (guide: BidGuide) => number) {
  return ({ auctions, keywords }: Comparison): ((i: number) => number) =>
    (i) => {
      const id = keywords[i]!;
      const guide = guideOfAuctions(auctions.get(id) ?? []);
      return guide === null ? NaN : of(guide);
    };
}

/** Clicks a month that a place on the front is expected to lose without any action (method §8); unknown elsewhere. */
function toLose({ columns, curve, project }: Comparison): (i: number) => number {
  return (i) => {
    const own = columns.ownOrganic[i]!;
    if (!isOnFront(own, project.settings.front)) return NaN;
    const left = columns.expectedVolume[i]! * columns.featureFactor[i]!;
    return left * (curve[own]! - columns.asIs.clickThrough[i]!);
  };
}

/** Estimated clicks a month at some positions (method §3): 0 for absent, unknown for unknown. */
function clicksAt({ volume, columns, curve }: Comparison, positions: Uint8Array): (i: number) => number {
  return (i) =>
    positions[i] === UNKNOWN
      ? NaN
      : estimatedClicks(volume[i]!, positions[i]!, columns.featureFactor[i]!, curve);
}

import type { GapSort } from '@opsimath/contract/api/gaps';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { Comparison } from './comparison';

/** Columns made lately of each comparison, so that no sort or limit makes one twice. */
const kept = new WeakMap<Comparison, Map<GapSort, ArrayLike<number>>>();

/** One figure of every row of a comparison; NaN where it is unknown. Absent sorts behind every position. */
export function gapFigures(comparison: Comparison, figure: Exclude<GapSort, 'keyword'>): ArrayLike<number> {
  let columns = kept.get(comparison);
  if (!columns) kept.set(comparison, (columns = new Map()));
  let column = columns.get(figure);
  if (!column) columns.set(figure, (column = make(comparison, figure)));
  return column;
}

function make(comparison: Comparison, figure: Exclude<GapSort, 'keyword'>): ArrayLike<number> {
  const { columns, gaps, metrics, rows } = comparison;
  const position = (column: Uint8Array): Float32Array =>
    Float32Array.from(column, (p) => (p === UNKNOWN ? NaN : p));
  switch (figure) {
    case 'priority':
      return gaps.priority;
    case 'kind':
      return gaps.kind;
    case 'move':
      return gaps.moved;
    case 'own':
      return position(columns.ownOrganic);
    case 'best rival':
      return position(gaps.rivalBest);
    case 'spread':
      return gaps.spread;
    case 'demand':
      return columns.expectedVolume;
    case 'volume':
      return comparison.volume;
    case 'chance':
      return columns.chance;
    case 'worth':
      return columns.worth;
    case 'gain':
      return gaps.gain;
    case 'a month':
      return gaps.worthAMonth;
    case 'cpc':
      return Float64Array.from(rows, (row) => (metrics.cpcLow[row]! + metrics.cpcHigh[row]!) / 2);
    case 'ad competition':
      return Float64Array.from(rows, (row) => metrics.adCompetition[row]!);
    case 'difficulty':
      return Float32Array.from(comparison.difficulty, (value) => (value < 0 ? NaN : value));
    case 'action':
      return gaps.action;
    case 'paid':
      return gaps.paid;
    case 'effort':
      return comparison.effort;
    case 'verdict':
      return comparison.verdicts;
    case 'at stake':
      return Float64Array.from(comparison.keywords, (id, i) =>
        gaps.doubling[i] === 1 ? (comparison.ads.terms.get(id)?.cost ?? NaN) : NaN,
      );
    case 'our clicks':
      return clicksOf(comparison, columns.ownOrganic);
    case 'rival clicks':
      return clicksOf(comparison, gaps.rivalBest);
    case 'results':
      return Float64Array.from(rows, (row) => metrics.results[row]!);
    case 'exact rivals':
      return Float32Array.from(comparison.exactRivals, (count) => (count < 0 ? NaN : count));
    case 'volume to results':
      return Float64Array.from(rows, (row, i) => comparison.volume[i]! / (metrics.results[row]! || NaN));
    case 'volume to rivals':
      return Float64Array.from(comparison.exactRivals, (count, i) =>
        count < 0 ? NaN : comparison.volume[i]! / (count + 1),
      );
    case 'front price':
      return comparison.frontMedians.price;
    case 'front rating':
      return comparison.frontMedians.rating;
    case 'front reviews':
      return comparison.frontMedians.reviews;
  }
}

/** Estimated clicks a month at some positions (method §3): 0 for absent, unknown for unknown. */
function clicksOf({ volume, columns, curve }: Comparison, positions: Uint8Array): Float64Array {
  return Float64Array.from(positions, (position, i) =>
    position === UNKNOWN ? NaN : estimatedClicks(volume[i]!, position, columns.featureFactor[i]!, curve),
  );
}

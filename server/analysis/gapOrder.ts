import type { GapSort } from '@opsimath/contract/api/gaps';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { Comparison } from './comparison';

/**
 * The rows of a comparison in the order of one figure. Unknown comes last both ways; ties: larger volume,
 * then key (method §8).
 * @param ranks rank of each keyword index by key
 */
export function orderBy(
  comparison: Comparison,
  sort: GapSort,
  descending: boolean,
  ranks: Int32Array,
): Int32Array {
  const figure = figureOf(comparison, sort, ranks);
  const volume = comparison.volume;
  const order = new Int32Array(comparison.keywords.length).map((_, i) => i);
  const sign = descending ? -1 : 1;
  return order.sort((a, b) => {
    const left = figure[a]!;
    const right = figure[b]!;
    const leftUnknown = left !== left;
    const rightUnknown = right !== right;
    if (leftUnknown !== rightUnknown) return leftUnknown ? 1 : -1;
    if (!leftUnknown && left !== right) return left < right ? -sign : sign;
    const byVolume = (volume[b]! || 0) - (volume[a]! || 0);
    return byVolume !== 0 ? byVolume : ranks[comparison.rows[a]!]! - ranks[comparison.rows[b]!]!;
  });
}

function figureOf(comparison: Comparison, sort: GapSort, ranks: Int32Array): ArrayLike<number> {
  const { columns, gaps, metrics, rows } = comparison;
  const position = (column: Uint8Array): Float64Array =>
    Float64Array.from(column, (p) => (p === UNKNOWN ? NaN : p));
  switch (sort) {
    case 'priority':
      return gaps.priority;
    case 'keyword':
      return Float64Array.from(rows, (row) => ranks[row]!);
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
      return columns.clickCost;
    case 'ad competition':
      return Float64Array.from(rows, (row) => metrics.adCompetition[row]!);
    case 'difficulty':
      return Float64Array.from(comparison.difficulty, (value) => (value < 0 ? NaN : value));
    case 'action':
      return gaps.action;
    case 'paid':
      return gaps.paid;
  }
}

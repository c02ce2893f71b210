import type { GapSort } from '@opsimath/contract/api/gaps';
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
  }
}

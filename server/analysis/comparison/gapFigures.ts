import type { GapSort } from '@opsimath/contract/api/gaps';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import { filled } from '../facts/columnMaps';
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
  const size = rows.length;
  const exact = (of: (i: number) => number): Float64Array => filled(new Float64Array(size), of);
  const position = (column: Uint8Array): Float32Array =>
    filled(new Float32Array(size), (i) => (column[i] === UNKNOWN ? NaN : column[i]!));
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
      return exact((i) => (metrics.cpcLow[rows[i]!]! + metrics.cpcHigh[rows[i]!]!) / 2);
    case 'ad competition':
      return exact((i) => metrics.adCompetition[rows[i]!]!);
    case 'difficulty':
      return exact((i) => (comparison.difficulty[i]! < 0 ? NaN : comparison.difficulty[i]!));
    case 'action':
      return gaps.action;
    case 'paid':
      return gaps.paid;
    case 'effort':
      return comparison.effort;
    case 'verdict':
      return comparison.verdicts;
    case 'at stake':
      return exact((i) =>
        gaps.doubling[i] === 1 ? (comparison.ads.terms.get(comparison.keywords[i]!)?.cost ?? NaN) : NaN,
      );
    case 'our clicks':
      return clicksOf(comparison, columns.ownOrganic);
    case 'rival clicks':
      return clicksOf(comparison, gaps.rivalBest);
    case 'results':
      return exact((i) => metrics.results[rows[i]!]!);
    case 'exact rivals':
      return exact((i) => (comparison.exactRivals[i]! < 0 ? NaN : comparison.exactRivals[i]!));
    case 'volume to results':
      return exact((i) => comparison.volume[i]! / (metrics.results[rows[i]!]! || NaN));
    case 'volume to rivals':
      return exact((i) =>
        comparison.exactRivals[i]! < 0 ? NaN : comparison.volume[i]! / (comparison.exactRivals[i]! + 1),
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
  return filled(new Float64Array(positions.length), (i) =>
    positions[i] === UNKNOWN
      ? NaN
      : estimatedClicks(volume[i]!, positions[i]!, columns.featureFactor[i]!, curve),
  );
}

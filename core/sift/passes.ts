import type { Bounds } from './sieve';

// Each gives one byte a keyword: 1 where it passes. Plain loops over columns; a million takes a few milliseconds.

/**
 * Keywords whose figure lies within bounds.
 * @param figures one a keyword, NaN where unknown
 * @param keepUnknown whether the unknown pass
 */
export function withinBounds(figures: ArrayLike<number>, bounds: Bounds, keepUnknown: boolean): Uint8Array {
  const least = bounds.least ?? -Infinity;
  const most = bounds.most ?? Infinity;
  const unknown = keepUnknown ? 1 : 0;
  const passes = new Uint8Array(figures.length);
  for (let i = 0; i < passes.length; i++) {
    const figure = figures[i]!;
    passes[i] = figure !== figure ? unknown : figure >= least && figure <= most ? 1 : 0;
  }
  return passes;
}

/**
 * Keywords for which at least so many targets stand at a position within a depth.
 * @param columns one a target: position by keyword, 0 where it has none
 */
export function rankedByAtLeast(
  columns: readonly Uint8Array[],
  size: number,
  atLeast: number,
  within: number,
): Uint8Array {
  const counts = new Uint8Array(size);
  for (const column of columns) countWithin(column, within, counts);
  for (let i = 0; i < size; i++) counts[i] = counts[i]! >= atLeast ? 1 : 0;
  return counts;
}

function countWithin(column: Uint8Array, within: number, counts: Uint8Array): void {
  for (let i = 0; i < counts.length; i++) {
    const position = column[i]!;
    if (position > 0 && position <= within) counts[i]!++;
  }
}

/** Keywords whose set of bits shares one with those wanted. */
export function anyOfBits(sets: ArrayLike<number>, wanted: number): Uint8Array {
  const passes = new Uint8Array(sets.length);
  for (let i = 0; i < passes.length; i++) passes[i] = (sets[i]! & wanted) !== 0 ? 1 : 0;
  return passes;
}

/** Keywords whose code is among those wanted. */
export function anyOfCodes(codes: Uint8Array, wanted: readonly number[]): Uint8Array {
  const isWanted = new Uint8Array(256);
  for (const code of wanted) isWanted[code] = 1;
  const passes = new Uint8Array(codes.length);
  for (let i = 0; i < passes.length; i++) passes[i] = isWanted[codes[i]!]!;
  return passes;
}

/** Keywords that are in a set, or that are not. */
export function members(indices: Iterable<number>, size: number, out: boolean): Uint8Array {
  const passes = new Uint8Array(size).fill(out ? 1 : 0);
  for (const i of indices) passes[i] = out ? 0 : 1;
  return passes;
}

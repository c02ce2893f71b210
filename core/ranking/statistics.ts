import { median as middle } from 'simple-statistics';

/**
 * Median: for an even number the mean of the middle two (method, notation). Does not change its input.
 * @returns `null` for an empty list.
 * @example median([1, 2, 3, 10]) // 2.5
 */
export function median(values: readonly number[]): number | null {
  return values.length === 0 ? null : middle([...values]);
}

/**
 * Lower quartile, median and upper quartile, interpolated between ranks. Does not change its input.
 * @returns `null` for an empty list
 */
export function quartiles(values: readonly number[]): [number, number, number] | null {
  if (values.length === 0) return null;
  const sorted = Float64Array.from(values).sort();
  const at = (share: number): number => quantileOfSorted(sorted, share);
  return [at(0.25), at(0.5), at(0.75)];
}

/**
 * A quantile of ascending figures, interpolated between ranks; `share` 0–1. NaN of none.
 *
 * @example quantileOfSorted([1, 2, 3, 4, 5], 0.5) // 3
 */
export function quantileOfSorted(sorted: ArrayLike<number>, share: number): number {
  const rank = share * (sorted.length - 1);
  const low = Math.floor(rank);
  if (sorted.length === 0) return NaN;
  return sorted[low]! + (rank - low) * (sorted[Math.min(low + 1, sorted.length - 1)]! - sorted[low]!);
}

/**
 * Median: for an even number the mean of the middle two (method, notation). Does not change its input.
 * @returns `null` for an empty list.
 */
export function median(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  const sorted = Float64Array.from(values).sort();
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

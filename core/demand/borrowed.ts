import { median } from '../ranking/statistics';

/** Keywords that must be known on both surfaces before one lends the other its volumes. */
export const LEAST_PAIRS = 30;

/**
 * How a surface's searches relate to another's: the median ratio of the keywords known on both.
 *
 * @param pairs searches a month here and there; those not searched there say nothing and are left out
 * @returns the factor from there to here, and on how many keywords it rests; `null` below {@link LEAST_PAIRS}
 */
export function borrowingRatio(
  pairs: readonly (readonly [here: number, there: number])[],
): { ratio: number; pairs: number } | null {
  const ratios = pairs.flatMap(([here, there]) => (there > 0 ? [here / there] : []));
  if (ratios.length < LEAST_PAIRS) return null;
  return { ratio: median(ratios)!, pairs: ratios.length };
}

/**
 * A borrowed volume in searches a month, rounded half up.
 *
 * @example borrowedVolume(1000, 0.25) // 250
 */
export function borrowedVolume(there: number, ratio: number): number {
  return Math.floor(there * ratio + 0.5);
}

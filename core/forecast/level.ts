import { DEFAULT_DEPTH } from '../ranking/position';

/**
 * A position on a scale without ends (method §6a): `L(p) = −ln((p − ½) / (101 − p + ½))`. 5.3 at the first place, 0 in the
 * middle, −5.3 just beyond the hundredth.
 *
 * @param position 0.5 < p < 101.5, halves allowed
 * @example level(10) // 2.265
 */
export function level(position: number): number {
  return -Math.log((position - 0.5) / (DEFAULT_DEPTH + 1.5 - position));
}

/** Where somebody who is absent is taken to stand. */
export const ABSENT_LEVEL = level(DEFAULT_DEPTH + 1);

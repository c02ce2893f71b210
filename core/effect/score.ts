import { ABSENT, UNKNOWN } from '../ranking/position';

/**
 * A position as effects are counted (method §16): ln(D + 1) − ln(min(p, D + 1)); 0 where absent, NaN where nobody looked.
 *
 * @param position as stored: 0 unknown, 255 absent
 * @param depth D, results that were looked at
 * @example score(1, 100) // 4.615
 * @example score(1, 100) // 4.615
 */
export function score(position: number, depth: number): number {
  if (position === UNKNOWN) return NaN;
  return position === ABSENT ? 0 : Math.log(depth + 1) - Math.log(Math.min(position, depth + 1));
}

/**
 * The position that a score stands for, between 1 and D + 1, which is absent; fractions are between two positions.
 *
 * @example positionOfScore(0, 100) // 101
 */
export function positionOfScore(value: number, depth: number): number {
  return Math.min(depth + 1, Math.max(1, (depth + 1) / Math.exp(value)));
}

import { expectedClickThrough } from './bands';
import { distributionAt } from './orderedLogit';

const REACH = 40;
const STEP = 1 / 64;
const SIZE = 2 * REACH * (1 / STEP) + 1;

/**
 * The click-through to be expected (method §6a) by the score alone, from a table: for the many keywords that one action
 * touches. Off by less than 10⁻⁴ of the largest.
 *
 * @param clicks of the bands (`bandClicks`)
 * @param spread by which thresholds and score are divided (`Spreads`)
 */
export function clickThroughAt(
  thresholds: Float64Array,
  clicks: Float64Array,
  spread = 1,
): (score: number) => number {
  const wider = thresholds.map((threshold) => threshold / spread);
  const table = Float64Array.from({ length: SIZE }, (_, n) =>
    expectedClickThrough(distributionAt(wider, n * STEP - REACH), clicks),
  );
  return (score) => {
    const at = (Math.max(-REACH, Math.min(REACH, score / spread)) + REACH) / STEP;
    const low = Math.min(SIZE - 2, Math.floor(at));
    return table[low]! + (at - low) * (table[low + 1]! - table[low]!);
  };
}

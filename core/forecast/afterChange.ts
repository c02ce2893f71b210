import { BAND_COUNT, type Distribution, expectedClickThrough } from './bands';

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/** Scores of a target: as it stands, and with a change, which is less surely foretold. */
export interface ScoredChange {
  before: number;
  after: number;
  /** By which thresholds and score are divided, 1 or more. */
  spread: number;
  /** Nothing goes: then no place is less likely than without the change. */
  isBetter: boolean;
}

/**
 * Where a target will stand after a change (method §6a): P(p' ≤ k) = σ((θk + after) ÷ spread), where nothing goes at least
 * what it is without the change.
 */
export function distributionAfter(thresholds: ArrayLike<number>, change: ScoredChange): Distribution {
  const distribution = new Float64Array(BAND_COUNT);
  let below = 0;
  for (let cut = 0; cut < BAND_COUNT - 1; cut++) {
    const up = Math.max(below, upTo(thresholds[cut]!, change));
    distribution[cut] = up - below;
    below = up;
  }
  distribution[BAND_COUNT - 1] = 1 - below;
  return distribution;
}

function upTo(threshold: number, { before, after, spread, isBetter }: ScoredChange): number {
  const changed = sigmoid((threshold + after) / spread);
  return isBetter ? Math.max(changed, sigmoid(threshold + before)) : changed;
}

/** The click-through to be expected then, 0–1. @param clicks of the bands (`bandClicks`) */
export function clickThroughAfter(
  thresholds: ArrayLike<number>,
  clicks: Float64Array,
  change: ScoredChange,
): number {
  return expectedClickThrough(distributionAfter(thresholds, change), clicks);
}

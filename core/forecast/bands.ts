import type { ClickCurve } from '../ranking/clickThrough';
import { DEFAULT_DEPTH, isRanked } from '../ranking/position';

/**
 * Where the bands of a forecast end (method §6a): positions 1, 2, 3, 4–5, 6–10, 11–20, 21–50 and 51–100. What is deeper
 * counts as absent, the ninth band.
 */
export const CUTS = [1, 2, 3, 5, 10, 20, 50, DEFAULT_DEPTH] as const;
/** Index of the band of what is absent. */
export const ABSENT_BAND = CUTS.length;
export const BAND_COUNT = CUTS.length + 1;
export const BAND_NAMES = ['1', '2', '3', '4–5', '6–10', '11–20', '21–50', '51–100', 'absent'] as const;

/** Where a target will stand: one probability a band, 0–1, their sum 1. Inside a band each position has the same share. */
export type Distribution = Float64Array;

/** First and last position of a band; throws a RangeError for the absent one. */
export function bandEnds(band: number): { first: number; last: number } {
  const last = CUTS[band];
  if (last === undefined) throw new RangeError(`Band ${band} has no positions.`);
  return { first: band === 0 ? 1 : CUTS[band - 1]! + 1, last };
}

/**
 * Band of a position as a column value (§4); unknown must be handled before.
 *
 * @example bandOf(5) // 3
 */
export function bandOf(position: number): number {
  if (!isRanked(position)) return ABSENT_BAND;
  const band = CUTS.findIndex((last) => position <= last);
  return band < 0 ? ABSENT_BAND : band;
}

/** A target that stands at a position for certain. */
export function certainAt(position: number): Distribution {
  const distribution = new Float64Array(BAND_COUNT);
  distribution[bandOf(position)] = 1;
  return distribution;
}

/**
 * P(position ≤ k), 0–1. Inside a band the share grows evenly with k. Nothing beyond 100 is told apart.
 *
 * @example within(certainAt(2), 10) // 1
 */
export function within(distribution: Distribution, k: number): number {
  let sum = 0;
  for (let band = 0; band < ABSENT_BAND; band++) {
    const { first, last } = bandEnds(band);
    if (k >= last) sum += distribution[band]!;
    else return sum + (Math.max(0, Math.floor(k) - first + 1) / (last - first + 1)) * distribution[band]!;
  }
  return sum;
}

/** Mean click-through (0–1) of each band of a curve, so that a forecast’s is a sum of nine products. */
export function bandClicks(curve: ClickCurve): Float64Array {
  return Float64Array.from({ length: BAND_COUNT }, (_, band) => {
    if (band === ABSENT_BAND) return 0;
    const { first, last } = bandEnds(band);
    let sum = 0;
    for (let position = first; position <= last; position++) sum += curve[position]!;
    return sum / (last - first + 1);
  });
}

/** Σ P(p) · c(p): the click-through to be expected, 0–1. @param clicks of {@link bandClicks} */
export function expectedClickThrough(distribution: Distribution, clicks: Float64Array): number {
  let sum = 0;
  for (let band = 0; band < BAND_COUNT; band++) sum += distribution[band]! * clicks[band]!;
  return sum;
}

import type { ClickCurve } from './clickThrough';
import { UNKNOWN } from './position';

/**
 * Visibility of a side over a keyword set (method §15): Σ V·c(p) / Σ V·c(1), 0–1.
 *
 * Keywords with unknown position or unknown volume (NaN) count on neither side of the fraction.
 * @returns `null` when nothing is known.
 */
export function visibility(
  positions: Uint8Array,
  volumes: Float64Array,
  curve: ClickCurve,
  rows: ArrayLike<number>,
): number | null {
  let got = 0;
  let possible = 0;
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    const position = positions[row]!;
    const volume = volumes[row]!;
    if (position === UNKNOWN || Number.isNaN(volume)) continue;
    got += volume * curve[position]!;
    possible += volume * curve[1]!;
  }
  return possible > 0 ? got / possible : null;
}

/** Counts by depth (method §15), in the order of DEPTH_BANDS. */
export function countsByDepth(
  positions: Uint8Array,
  rows: ArrayLike<number>,
  bandOf: (position: number) => number,
): number[] {
  const counts = new Array<number>(7).fill(0);
  for (let i = 0; i < rows.length; i++) counts[bandOf(positions[rows[i]!]!)]!++;
  return counts;
}

/**
 * Share of clicks of a side over a keyword set (method §15): its Σ V·c(p) over that of all captured targets, 0–1.
 *
 * Keywords with unknown position, unknown volume (NaN) or without a captured page (`held` NaN) count on neither side.
 *
 * @param held Σ c(p) over all targets of each keyword's page
 * @returns `null` when nothing is known.
 */
export function shareOfClicks(
  positions: Uint8Array,
  volumes: Float64Array,
  held: Float64Array,
  curve: ClickCurve,
  rows: ArrayLike<number>,
): number | null {
  let got = 0;
  let all = 0;
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    const volume = volumes[row]!;
    if (positions[row] === UNKNOWN || Number.isNaN(volume) || Number.isNaN(held[row]!)) continue;
    got += volume * curve[positions[row]!]!;
    all += volume * held[row]!;
  }
  return all > 0 ? got / all : null;
}

/**
 * Clicks a month of a side over a keyword set (method §3): Σ volume · c(p) · feature factor. What is unknown adds nothing.
 *
 * @param volumes searches a month, NaN where unknown
 */
export function clicksOfSide(
  positions: Uint8Array,
  volumes: Float64Array,
  factors: Float64Array,
  curve: ClickCurve,
  rows: ArrayLike<number>,
): number {
  let clicks = 0;
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i]!;
    if (!Number.isNaN(volumes[row]!)) clicks += volumes[row]! * curve[positions[row]!]! * factors[row]!;
  }
  return clicks;
}

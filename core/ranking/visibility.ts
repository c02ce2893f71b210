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

/** Geometry of a lane: positions 1–100 on a log scale, then a bay for absent and one for unknown. */
interface LaneScale {
  width: number;
  /** x of a position, absent or unknown. */
  at: (position: number | 'absent' | 'unknown') => number;
  track: { from: number; to: number };
}

export const TICKS = [1, 3, 10, 20, 50, 100] as const;
const EDGE = 8;
const BAY = 28;

export function laneScale(width: number): LaneScale {
  const from = EDGE;
  const to = width - EDGE - 2 * BAY;
  const at = (position: number | 'absent' | 'unknown'): number => {
    if (position === 'absent') return to + BAY - 4;
    if (position === 'unknown') return to + 2 * BAY - 4;
    return from + ((to - from) * Math.log(Math.min(100, Math.max(1, position)))) / Math.log(100);
  };
  return { width, at, track: { from, to } };
}

/** A position: a number, or one of the two that are never mixed up. */
export type LanePosition = number | 'absent' | 'unknown';

/** Geometry of a lane: positions 1–100 on a log scale, then a bay for absent and one for unknown. */
interface LaneScale {
  width: number;
  /** x of a position, absent or unknown. */
  at: (position: LanePosition) => number;
  track: { from: number; to: number };
}

export const TICKS = [1, 3, 10, 20, 50, 100] as const;
const EDGE = 8;
const BAY = 28;

export function laneScale(width: number): LaneScale {
  const from = EDGE;
  const to = width - EDGE - 2 * BAY;
  const at = (position: LanePosition): number => {
    if (position === 'absent') return to + BAY - 4;
    if (position === 'unknown') return to + 2 * BAY - 4;
    return from + ((to - from) * Math.log(Math.min(100, Math.max(1, position)))) / Math.log(100);
  };
  return { width, at, track: { from, to } };
}

/** Side of a tab that stands for a rival. */
export const TAB = 11;

/** Tabs that would cover each other are pushed to the right, best position first; a stalk keeps the true place. */
export function placeTabs<Side extends { organic: LanePosition }>(
  rivals: readonly Side[],
  scaleAt: (position: number) => number,
  most: number,
): { side: Side; left: number; at: number }[] {
  const placed: { side: Side; left: number; at: number }[] = [];
  let free = -Infinity;
  const ranked = rivals.flatMap((side) =>
    typeof side.organic === 'number' ? [{ side, organic: side.organic }] : [],
  );
  for (const { side, organic } of ranked.sort((a, b) => a.organic - b.organic)) {
    const at = scaleAt(organic);
    const left = Math.min(Math.max(at - TAB / 2, free), most + TAB);
    free = left + TAB + 1;
    placed.push({ side, left, at });
  }
  return placed;
}

/** Outline of a paid position. */
export function diamond(x: number, y: number): string {
  return `M${x} ${y - 4}L${x + 4} ${y}L${x} ${y + 4}L${x - 4} ${y}Z`;
}

const [UNKNOWN, ABSENT] = [0, 255];
const LOWEST = 100;
/** Longer silences break the line. */
const LONGEST_GAP_DAYS = 35;
const DAY_MS = 86_400_000;

/** Where a strip draws days and positions: 1 at the top, 100 near the foot, absent at the foot. */
export interface StripScale {
  x: (isoDay: string) => number;
  y: (position: number) => number;
}

export function stripScale(days: readonly string[], width: number, height: number): StripScale {
  const first = Date.parse(days[0] ?? '2000-01-01');
  const last = Date.parse(days.at(-1) ?? '2000-01-01');
  const edge = 3;
  const foot = height - edge;
  return {
    x: (isoDay) =>
      last === first
        ? width / 2
        : edge + ((width - 2 * edge) * (Date.parse(isoDay) - first)) / (last - first),
    y: (position) =>
      position === ABSENT
        ? foot
        : edge + ((foot - 5 - edge) * Math.log(Math.min(LOWEST, Math.max(1, position)))) / Math.log(LOWEST),
  };
}

/** A line through the days on which a position is known, as a path; it breaks where nothing is known for long. */
export function stripPath(
  days: readonly string[],
  positions: readonly number[],
  { x, y }: StripScale,
): string {
  let path = '';
  let last: string | null = null;
  positions.forEach((position, n) => {
    if (position === UNKNOWN) return;
    const day = days[n]!;
    const isFar = last === null || Date.parse(day) - Date.parse(last) > LONGEST_GAP_DAYS * DAY_MS;
    path += `${isFar ? 'M' : 'L'}${x(day).toFixed(1)} ${y(position).toFixed(1)}`;
    last = day;
  });
  return path;
}

/** The best of several rivals on each day. */
export function bestOf(rivals: readonly (readonly number[])[]): number[] {
  return (rivals[0] ?? []).map((_, n) => {
    const known = rivals.map((one) => one[n]!).filter((position) => position !== UNKNOWN);
    return known.length === 0 ? UNKNOWN : Math.min(...known);
  });
}

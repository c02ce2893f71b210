/** Milliseconds of a day without a change of clocks: days are counted in UTC. */
export const DAY_MS = 86_400_000;

/**
 * Days since 1970 of an ISO day.
 *
 * @example dayOf('1970-01-11') // 10
 */
export function dayOf(isoDay: string): number {
  return Math.floor(Date.parse(isoDay) / DAY_MS);
}

/** ISO day of a number of days since 1970. */
export function isoDayOf(day: number): string {
  return new Date(day * DAY_MS).toISOString().slice(0, 10);
}

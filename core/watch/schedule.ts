import { dayOf, isoDayOf } from '../day';

/** On which days of the week captures are taken: 1 is Monday, 7 Sunday. */
export type Weekdays = readonly number[];

export const EVERY_DAY: Weekdays = [1, 2, 3, 4, 5, 6, 7];
/** A month has so many weeks. */
const WEEKS_A_MONTH = 365.25 / 12 / 7;

const weekdayOf = (day: number): number => ((day + 3) % 7) + 1;

/**
 * Whether a capture is due: a planned day has come since the last one. After a pause that is once, for today: what a result page
 * looked like on a day that is over nobody can see any more.
 *
 * @param last ISO day of the last capture that the plan started; `null` before the first
 * @param today ISO day
 */
export function isDue(weekdays: Weekdays, last: string | null, today: string): boolean {
  if (weekdays.length === 0) return false;
  const now = dayOf(today);
  if (last === null) return true;
  for (let day = Math.max(dayOf(last) + 1, now - 6); day <= now; day++)
    if (weekdays.includes(weekdayOf(day))) return true;
  return false;
}

/** The planned day that comes next after a day; `null` where none is planned. */
export function nextDay(weekdays: Weekdays, after: string): string | null {
  for (let day = dayOf(after) + 1; day <= dayOf(after) + 7; day++)
    if (weekdays.includes(weekdayOf(day))) return isoDayOf(day);
  return null;
}

/**
 * Units a month that a plan costs: a result page each is 1.
 *
 * @example unitsAMonth([1, 4], 65) // 565
 */
export const unitsAMonth = (weekdays: Weekdays, keywords: number): number =>
  Math.round(weekdays.length * WEEKS_A_MONTH * keywords);

/**
 * Days from one capture to the next, the longest of the week; `null` where none is planned.
 *
 * @example daysApart([1, 4]) // 4
 */
export function daysApart(weekdays: Weekdays): number | null {
  if (weekdays.length === 0) return null;
  const days = [...weekdays].sort((a, b) => a - b);
  return Math.max(...days.map((day, n) => (days[n + 1] ?? days[0]! + 7) - day));
}

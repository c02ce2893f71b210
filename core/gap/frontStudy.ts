import { coverage } from '../copy/coverage';
import { key } from '../text/key';

/** How many of the results that were looked at show a trait. */
export interface TraitShare {
  trait: string;
  shown: number;
  /** 0–1; `null` while none was looked at. */
  share: number | null;
}

/**
 * Shares of ticked traits over a front (method §14). A result that nobody has looked at is unknown and counts nowhere; one
 * that was looked at and bears no tick shows none. Traits that are no longer asked for are left out.
 */
export function traitShares(
  traits: readonly string[],
  readings: readonly (readonly string[] | null)[],
): { looked: number; shares: TraitShare[] } {
  const looked = readings.filter((reading) => reading !== null);
  return {
    looked: looked.length,
    shares: traits.map((trait) => {
      const shown = looked.filter((reading) => reading.includes(trait)).length;
      return { trait, shown, share: looked.length > 0 ? shown / looked.length : null };
    }),
  };
}

/** How many titles of a front speak of one thing, and whether ours does. */
export interface ThingCount {
  thing: string;
  titles: number;
  ours: boolean;
}

/**
 * What kind of thing searchers are given: titles that hold every word of each thing, by stems, most named first. A title may
 * speak of several things; those of none are counted beside.
 *
 * @param things types or materials as the fact card says them
 * @param ourTitle title of our target; `null` without one
 */
export function thingCounts(
  titles: readonly string[],
  things: readonly string[],
  ourTitle: string | null,
  language: string,
): { counts: ThingCount[]; none: number } {
  const wanted = [...new Set(things.map(key))].filter((thing) => thing !== '');
  const names = (title: string, thing: string): boolean => {
    const { held, of } = coverage(thing, [key(title)], language);
    return of > 0 && held === of;
  };
  const counts = wanted.map((thing) => ({
    thing,
    titles: titles.filter((title) => names(title, thing)).length,
    ours: ourTitle !== null && names(ourTitle, thing),
  }));
  counts.sort((a, b) => b.titles - a.titles || (a.thing < b.thing ? -1 : 1));
  return { counts, none: titles.filter((title) => !wanted.some((thing) => names(title, thing))).length };
}

/** Days over which a newcomer has to keep the pace of the front (method §14). */
export const PACE_DAYS = 8;
const DAYS_A_MONTH = 30;

export interface Pace {
  /** Units a day of the weakest of the front, and over {@link PACE_DAYS} days. Estimated. */
  aDay: number;
  inAll: number;
  /** Its place in the list handed in. */
  weakest: number;
  /** How many of the front the curve speaks of. */
  known: number;
}

/**
 * Units to be sold to reach a front (method §14): those of its weakest seller a day, times eight days.
 * @param units units a month of each result, from its sales rank by the source's curve; `null` where there is none
 * @returns `null` where no result's sales are known
 */
export function pace(units: readonly (number | null)[]): Pace | null {
  let weakest = -1;
  let known = 0;
  units.forEach((count, n) => {
    if (count === null) return;
    known++;
    if (weakest < 0 || count < units[weakest]!) weakest = n;
  });
  if (weakest < 0) return null;
  const aDay = units[weakest]! / DAYS_A_MONTH;
  return { aDay, inAll: aDay * PACE_DAYS, weakest, known };
}

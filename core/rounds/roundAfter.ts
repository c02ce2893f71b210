import { DAY_MS } from '../day';

/** Name and days of a round; ISO days, both included. */
export interface RoundSpan {
  name: string;
  starts: string;
  ends: string;
}

const WEEK = 7 * DAY_MS;
const text = (time: number): string => new Date(time).toISOString().slice(0, 10);

/**
 * The round that follows another: on the same day of the week as soon as that is over, as long, and with the next number.
 *
 * @example roundAfter({ name: 'Round 2', starts: '2026-03-30', ends: '2026-04-10' })
 *   // { name: 'Round 3', starts: '2026-04-13', ends: '2026-04-24' }
 */
export function roundAfter({ name, starts, ends }: RoundSpan): RoundSpan {
  const [from, to] = [Date.parse(starts), Date.parse(ends)];
  const next = from + WEEK * (Math.floor((to - from) / WEEK) + 1);
  const number = /(\d+)\s*$/.exec(name);
  return {
    name: number ? `${name.slice(0, number.index)}${Number(number[1]) + 1}` : `${name} 2`,
    starts: text(next),
    ends: text(next + to - from),
  };
}

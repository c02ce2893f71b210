import { DAY_MS } from '../day';

/** Lengths of the period that own search performance is read over; or two days of one's own. */
export const OWN_PERIODS = ['7 days', '28 days', '90 days', 'last month', '12 months'] as const;
export type OwnPeriod = (typeof OWN_PERIODS)[number] | { from: string; to: string };

const SPAN = /^(\d{4}-\d{2}-\d{2})\.\.(\d{4}-\d{2}-\d{2})$/;

/** Reads a period as it is written in addresses: `28 days`, or `2026-01-01..2026-01-31`; `null` if it is none. */
export function readPeriod(text: string): OwnPeriod | null {
  const named = OWN_PERIODS.find((period) => period === text);
  if (named) return named;
  const [, from, to] = SPAN.exec(text) ?? [];
  return from !== undefined && to !== undefined && isDay(from) && isDay(to) && from <= to
    ? { from, to }
    : null;
}

export function writePeriod(period: OwnPeriod): string {
  return typeof period === 'string' ? period : `${period.from}..${period.to}`;
}

/**
 * First and last day of a period, both included, as ISO days. Named lengths end with the newest day held;
 * `last month` is the newest calendar month that is complete by then; `12 months` begins the day after the same day
 * of the year before.
 */
export function periodDays(period: OwnPeriod, newest: string): { from: string; to: string } {
  if (typeof period !== 'string') return period;
  const end = new Date(`${newest}T00:00:00Z`);
  const [year, month, day] = [end.getUTCFullYear(), end.getUTCMonth(), end.getUTCDate()];
  switch (period) {
    case 'last month': {
      const complete = new Date(Date.UTC(year, month, day + 1)).getUTCMonth() !== month;
      const first = complete ? month : month - 1;
      return { from: iso(Date.UTC(year, first, 1)), to: iso(Date.UTC(year, first + 1, 0)) };
    }
    case '12 months':
      return {
        from: iso(Math.min(Date.UTC(year - 1, month, day), lastOf(year - 1, month)) + DAY_MS),
        to: newest,
      };
    default:
      return { from: iso(end.getTime() - (parseInt(period, 10) - 1) * DAY_MS), to: newest };
  }
}

/** Last day of a month: 29 February has none in the year before. */
function lastOf(year: number, month: number): number {
  return Date.UTC(year, month + 1, 0);
}

function iso(time: number): string {
  return new Date(time).toISOString().slice(0, 10);
}

function isDay(text: string): boolean {
  const time = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(time) && iso(time) === text;
}

import { dayOf } from '@opsimath/core/day';
import type { GapRow } from '@opsimath/contract/api/gaps';

// Formatters are made once: making one costs far more than using it.
const whole = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });
const byDigits = new Map<number, Intl.NumberFormat>();
const day = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});
const UNKNOWN_SIGN = '–';

/** A whole figure with thousands marks; a dash when unknown. */
export function count(value: number | null | undefined): string {
  return value === null || value === undefined ? UNKNOWN_SIGN : whole.format(value);
}

/** A figure with every digit that its source gave, in groups of three. */
export function asGiven(value: number): string {
  return value.toLocaleString('en-US', { maximumFractionDigits: 20 });
}

/** A volume as its source gave it: one figure, or from … to. */
export function volumeWord(row: {
  volume: number | null;
  volumeRange: { low: number; high: number } | null;
}): string {
  const { volume, volumeRange: range } = row;
  return range === null ? count(volume) : `${count(range.low)}–${count(range.high)}`;
}

export function decimal(value: number | null | undefined, digits: number): string {
  if (value === null || value === undefined) return UNKNOWN_SIGN;
  let format = byDigits.get(digits);
  if (!format) {
    format = new Intl.NumberFormat('en-US', { minimumFractionDigits: digits, maximumFractionDigits: digits });
    byDigits.set(digits, format);
  }
  return format.format(value);
}

/** Money or worth: whole above 10, with decimals below. */
export function worth(value: number | null | undefined): string {
  if (value === null || value === undefined) return UNKNOWN_SIGN;
  return Math.abs(value) >= 10 ? whole.format(value) : decimal(value, Math.abs(value) >= 1 ? 1 : 2);
}

export function percent(share: number | null | undefined, digits = 1): string {
  return share === null || share === undefined ? UNKNOWN_SIGN : `${decimal(share * 100, digits)} %`;
}

/** An ISO day spelled out: 14 Mar 2026. */
export function spelledDay(isoDay: string): string {
  if (isoDay === '') return '';
  return day.format(new Date(`${isoDay}T00:00:00Z`));
}

/** Movement as a signed figure or a word; empty where nothing can be said. */
export function movement(row: Pick<GapRow, 'movement' | 'moved'>): string {
  if (row.movement === 'gained' || row.movement === 'lost') return row.movement;
  if (row.moved === null) return '';
  return row.moved === 0 ? '0' : row.moved > 0 ? `+${row.moved}` : `−${-row.moved}`;
}

export function duration(seconds: number): string {
  return seconds < 90 ? `${Math.max(1, Math.round(seconds))} s` : `${Math.round(seconds / 60)} min`;
}

/** How old a fact is against a date, said only when it is older than the limit in days. */
export function age(isoDay: string, today: string, limit: number): string {
  const days = dayOf(today) - dayOf(isoDay);
  return days > limit ? ` (old: ${days} days)` : '';
}

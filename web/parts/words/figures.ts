import { dayOf } from '@opsimath/core/day';
import { speller } from '@opsimath/core/shown';
import type { Position } from '@opsimath/contract/api/position';
import type { GapRow } from '@opsimath/contract/api/gaps';
import { countedWords, localeNow, t, wordOf } from '../../words/t';
import type { Counted } from '../../words/catalog';

// How a figure is spelled stands in the core: the same on every screen, on paper and in files; here in the language chosen.
export const { shown, spelledDay } = speller(localeNow());

/** A whole figure with thousands marks; a dash when unknown. */
export const count = (value: number | null | undefined): string => shown('count', value);

/** A figure with every digit that its source gave, in groups of three. */
export function asGiven(value: number): string {
  return value.toLocaleString(localeNow().numbers, { maximumFractionDigits: 20 });
}

/** A volume as its source gave it: one figure, or from … to. */
export function volumeWord(row: {
  volume: number | null;
  volumeRange: { low: number; high: number } | null;
}): string {
  const { volume, volumeRange: range } = row;
  return range === null ? count(volume) : `${count(range.low)}–${count(range.high)}`;
}

export const decimal = (value: number | null | undefined, digits: number): string =>
  shown('decimal', value, digits);

/** Money or worth: whole above 10, with decimals below. */
export const worth = (value: number | null | undefined): string => shown('money', value);

export const percent = (share: number | null | undefined, digits = 1): string =>
  shown('share', share, digits);

/** A count with its noun, which agrees with it: `1 slot`, `2 slots`; `– slots` where it is unknown. */
export const counted = (many: number | null | undefined, noun: Counted): string =>
  countedWords(many ?? 0, count(many), noun);

/** Movement as a signed figure or a word; empty where nothing can be said. */
export function movement(row: Pick<GapRow, 'movement' | 'moved'>): string {
  if (row.movement === 'gained' || row.movement === 'lost') return wordOf(row.movement);
  if (row.moved === null) return '';
  return row.moved === 0 ? '0' : row.moved > 0 ? `+${row.moved}` : `−${-row.moved}`;
}

/** A position as a text: its place, or the word for having none. */
export const placed = (position: Position): string =>
  typeof position === 'number' ? String(position) : wordOf(position);

export function duration(seconds: number): string {
  return seconds < 90
    ? `${Math.max(1, Math.round(seconds))} s`
    : t('parts:figures.secondsMin', { seconds: Math.round(seconds / 60) });
}

/** How old a fact is against a date, said only when it is older than the limit in days. */
export function age(isoDay: string, today: string, limit: number): string {
  const days = dayOf(today) - dayOf(isoDay);
  return days > limit ? ` ${t('parts:figures.oldDaysDays', { days })}` : '';
}

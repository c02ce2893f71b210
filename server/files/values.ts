import { DAY_MS } from '@opsimath/core/day';
import type { FileReading } from '@opsimath/contract/api/imports';

const MONTHS: Record<string, number> = {};
[
  ['jan', 'ene'],
  ['feb'],
  ['mar', 'mär', 'mrz'],
  ['apr', 'abr'],
  ['may', 'mai'],
  ['jun'],
  ['jul'],
  ['aug', 'ago'],
  ['sep'],
  ['oct', 'okt'],
  ['nov'],
  ['dec', 'dez', 'dic'],
].forEach((names, month) => names.forEach((name) => (MONTHS[name] = month + 1)));

/** What plain digits say, −1 for anything else. Most cells of figures are just that, and there are millions. */
export function plainWhole(text: string): number {
  const size = text.length;
  if (size === 0 || size > 15) return -1;
  let whole = 0;
  for (let at = 0; at < size; at++) {
    const digit = text.charCodeAt(at) - 48;
    if (digit < 0 || digit > 9) return -1;
    whole = whole * 10 + digit;
  }
  return whole;
}

/** A number as people and programs write it, percent signs and group marks included; `null` if it is none. */
export function readNumber(text: string, decimalComma: boolean): number | null {
  const whole = plainWhole(text);
  if (whole >= 0) return whole;
  const bare = text.replace(/[\s\u00a0\u202f'’%]/g, '');
  const plain = decimalComma ? bare.replace(/\./g, '').replace(',', '.') : bare.replace(/,/g, '');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : null;
}

/** No table of keywords is older or comes from later: such a year is a slip. */
const FIRST_YEAR = 2000;
const LAST_YEAR = 2100;

/** A day since 1970-01-01 in any usual notation; `null` if it is none, no day of the calendar, or not of 2000–2100. */
export function readDay(text: string, order: FileReading['dateOrder']): number | null {
  const trimmed = text.trim();
  const yearFirst =
    /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ].*)?$/.exec(trimmed) ??
    /^(\d{4})(\d{2})(\d{2})$/.exec(trimmed);
  if (yearFirst) return dayOf(+yearFirst[1]!, +yearFirst[2]!, +yearFirst[3]!);
  const yearLast = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4}|\d{2})(?:[T ].*)?$/.exec(trimmed);
  if (yearLast) {
    const [first, second] = [+yearLast[1]!, +yearLast[2]!];
    const year = yearLast[3]!.length === 2 ? 2000 + +yearLast[3]! : +yearLast[3]!;
    return order === 'month first' ? dayOf(year, first, second) : dayOf(year, second, first);
  }
  const spelled =
    /^(\d{1,2})\.?\s+(?:de\s+)?(\p{L}{3,})\.?,?\s+(?:de\s+)?(\d{4})$/u.exec(trimmed) ??
    /^(?<month>\p{L}{3,})\.?\s+(?<day>\d{1,2}),?\s+(?<year>\d{4})$/u.exec(trimmed);
  if (!spelled) return null;
  const [day, month, year] = spelled.groups?.month
    ? [spelled.groups.day!, spelled.groups.month, spelled.groups.year!]
    : [spelled[1]!, spelled[2]!, spelled[3]!];
  return dayOf(+year, MONTHS[month.toLowerCase().slice(0, 3)] ?? 0, +day);
}

function dayOf(year: number, month: number, day: number): number | null {
  if (year < FIRST_YEAR || year > LAST_YEAR) return null;
  const date = new Date(Date.UTC(year, month - 1, day));
  const real =
    date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return real ? date.getTime() / DAY_MS : null;
}

import { DAY_MS } from './day';

/** Kinds of values, by how they are spelled: the same on every screen, on paper and in every file of text. */
export type ShownKind =
  'text' | 'count' | 'decimal' | 'share' | 'money' | 'position' | 'day' | 'address' | 'lane';

const NOTHING = '–';

/** How one language spells values. */
export interface Speller {
  /**
   * A value in words: counts with thousands marks, shares (0–1) in per cent, money whole from 10 on, days spelled.
   *
   * @param digits after the point, where the kind leaves that open
   * @returns `–` for what is unknown; `shown('share', 0.1234)` is `12.3 %`
   */
  shown(kind: ShownKind, value: string | number | null | undefined, digits?: number): string;
  /** `2026-03-14` as 14 Mar 2026; what is no day stays as it is. */
  spelledDay(isoDay: string): string;
}

/**
 * @param locales BCP 47 tags of what spells numbers, and of what spells days
 */
export function speller(locales: { numbers: string; days: string }): Speller {
  const byDigits = new Map<number, Intl.NumberFormat>();
  const days = new Intl.DateTimeFormat(locales.days, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
  const numeral = (value: number, digits: number): string => {
    let format = byDigits.get(digits);
    if (!format) {
      format = new Intl.NumberFormat(locales.numbers, {
        minimumFractionDigits: digits,
        maximumFractionDigits: digits,
      });
      byDigits.set(digits, format);
    }
    // A loss that rounds to nothing is nothing.
    return format.format(Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value);
  };
  const spelledDay = (isoDay: string): string => {
    const time = Date.parse(`${isoDay}T00:00:00Z`);
    return Number.isNaN(time) ? isoDay : days.format(new Date(Math.floor(time / DAY_MS) * DAY_MS));
  };
  const shown: Speller['shown'] = (kind, value, digits) => {
    if (value === null || value === undefined) return NOTHING;
    if (typeof value === 'string') return kind === 'day' ? spelledDay(value) : value;
    switch (kind) {
      case 'share':
        return `${numeral(value * 100, digits ?? 1)} %`;
      case 'money':
        return numeral(value, digits ?? (Math.abs(value) >= 10 ? 0 : Math.abs(value) >= 1 ? 1 : 2));
      case 'decimal':
        return numeral(value, digits ?? 1);
      default:
        return numeral(value, digits ?? 0);
    }
  };
  return { shown, spelledDay };
}

/** As English spells them: reports, files, and all that the server says. */
export const { shown, spelledDay } = speller({ numbers: 'en-US', days: 'en-GB' });

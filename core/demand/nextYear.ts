const YEAR = /\b(20\d\d)\b/;

/**
 * The year that stands in a keyword, as people type it; `null` without one.
 *
 * @example yearIn('best panniers 2026') // 2026
 */
export function yearIn(keyword: string): number | null {
  const found = YEAR.exec(keyword);
  return found ? Number(found[1]) : null;
}

/**
 * A dated keyword as it will be typed after its year (method §2): with the year that follows it, or the one that a date lies
 * in where that is later still.
 *
 * @param date ISO day
 * @returns `null` for a keyword without a year
 */
export function forNextYear(keyword: string, date: string): string | null {
  const year = yearIn(keyword);
  if (year === null) return null;
  return keyword.replace(YEAR, String(Math.max(year + 1, Number(date.slice(0, 4)))));
}

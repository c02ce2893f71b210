import { median } from '../ranking/statistics';
import { centredLevel, seasonIndices } from './season';
import type { MonthlyVolumes } from './volume';

export interface Trend {
  /** Change of ln(1 + volume) a year. */
  slope: number;
  /** Two-sided, by Mann and Kendall with the normal approximation and correction for ties. */
  p: number;
  word: 'rising' | 'falling' | 'level';
}

const LEAST_MONTHS = 12;
const CERTAIN = 0.05;

/**
 * Trend of a monthly series (method §2): Theil–Sen slope of ln(1+v) after removing the season, per year, with
 * the Mann–Kendall p-value; called rising or falling only at p < 0.05.
 *
 * @param series oldest first, `null` where unknown
 * @param firstMonth calendar month of `series[0]`, 0 = January
 * @returns `null` with fewer than 12 known months
 */
export function trendOf(series: MonthlyVolumes, firstMonth: number): Trend | null {
  const season = seasonIndices(series, firstMonth);
  const points = series.flatMap((value, at) => {
    if (value === null) return [];
    const index = season === null ? 1 : season[(firstMonth + at) % 12]!;
    return [{ at, level: Math.log(1 + (index > 0 ? value / index : value)) }];
  });
  if (points.length < LEAST_MONTHS) return null;
  const slopes: number[] = [];
  let s = 0;
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const rise = points[j]!.level - points[i]!.level;
      slopes.push(rise / (points[j]!.at - points[i]!.at));
      s += Math.sign(rise);
    }
  }
  const slope = 12 * median(slopes)!;
  const p = mannKendall(
    s,
    points.map(({ level }) => level),
  );
  return { slope, p, word: p >= CERTAIN || slope === 0 ? 'level' : slope > 0 ? 'rising' : 'falling' };
}

function mannKendall(s: number, levels: readonly number[]): number {
  const n = levels.length;
  const ties = new Map<number, number>();
  for (const level of levels) ties.set(level, (ties.get(level) ?? 0) + 1);
  let variance = n * (n - 1) * (2 * n + 5);
  for (const count of ties.values()) variance -= count * (count - 1) * (2 * count + 5);
  variance /= 18;
  if (variance <= 0 || s === 0) return 1;
  const z = (Math.abs(s) - 1) / Math.sqrt(variance);
  return Math.min(1, 2 * (1 - normalBelow(z)));
}

/** Share of a standard normal below z, by the error function's rational approximation (error under 1.5e-7). */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.3275911 * (z / Math.SQRT2));
  const tail =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return 1 - 0.5 * tail * Math.exp(-(z * z) / 2);
}

/**
 * Calendar month (0 = January) with the largest index; ties go to the earlier. `null` without a season.
 *
 * @example peakMonth([1, 1, 1, 2, 3, 2, 1, 1, 0, 0, 0, 0]) // 4
 */
export function peakMonth(season: readonly number[] | null): number | null {
  if (season === null) return null;
  return season.reduce((best, index, month) => (index > season[best]! ? month : best), 0);
}

/**
 * Season strength, 0–1 (method §2): max(0, 1 − Var(remainder) / Var(season + remainder)) on the logs of the
 * multiplicative decomposition. `null` without a season.
 */
export function seasonStrength(series: MonthlyVolumes, firstMonth: number): number | null {
  const season = seasonIndices(series, firstMonth);
  if (season === null) return null;
  const remainder: number[] = [];
  const both: number[] = [];
  for (let at = 6; at + 6 < series.length; at++) {
    const level = centredLevel(series, at);
    const value = series[at];
    const index = season[(firstMonth + at) % 12]!;
    if (level === null || level <= 0 || value === null || value === undefined || value <= 0 || index <= 0)
      continue;
    both.push(Math.log(value / level));
    remainder.push(Math.log(value / level / index));
  }
  const whole = variance(both);
  return whole > 0 ? Math.max(0, 1 - variance(remainder) / whole) : 0;
}

function variance(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
}

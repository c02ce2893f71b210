import type { MonthlyVolumes } from './volume';

const MONTHS = 12;
const LEAST_MONTHS = 24;

/**
 * Season indices of the twelve calendar months, January first, with mean 1 (method §2).
 *
 * Classical ratio to the centred 2×12 moving average, averaged per calendar month, normalised.
 *
 * @param series oldest first
 * @param firstMonth calendar month of `series[0]`, 0 = January
 * @returns `null` with fewer than 24 known months, or when some calendar month has no usable ratio
 */
export function seasonIndices(series: MonthlyVolumes, firstMonth: number): number[] | null {
  if (series.filter((value) => value !== null).length < LEAST_MONTHS) return null;
  const sums = new Array<number>(MONTHS).fill(0);
  const counts = new Array<number>(MONTHS).fill(0);
  for (let at = MONTHS / 2; at + MONTHS / 2 < series.length; at++) {
    const level = centredLevel(series, at);
    const value = series[at];
    if (level === null || level <= 0 || value === null || value === undefined) continue;
    const month = (firstMonth + at) % MONTHS;
    sums[month]! += value / level;
    counts[month]!++;
  }
  if (counts.some((count) => count === 0)) return null;
  const means = sums.map((sum, month) => sum / counts[month]!);
  const mean = means.reduce((total, value) => total + value, 0) / MONTHS;
  return mean > 0 ? means.map((value) => value / mean) : null;
}

/**
 * The 2×12 moving average at `at`: half weight on the two ends, `null` where a month is missing.
 *
 * @example centredLevel(Array(13).fill(100), 6) // 100
 */
export function centredLevel(series: MonthlyVolumes, at: number): number | null {
  let sum = 0;
  for (let offset = -MONTHS / 2; offset <= MONTHS / 2; offset++) {
    const value = series[at + offset];
    if (value === null || value === undefined) return null;
    sum += Math.abs(offset) === MONTHS / 2 ? value / 2 : value;
  }
  return sum / MONTHS;
}

/**
 * V of method §8: searches a month expected over the three calendar months after the given one.
 * Volume times the mean of their season indices; plain volume without a season.
 *
 * @param month calendar month of the date in scope, 0 = January
 * @example expectedVolume(100, null, 3) // 100
 */
export function expectedVolume(volume: number, indices: readonly number[] | null, month: number): number {
  return volume * seasonMean(indices, month);
}

/**
 * Mean season index of the three calendar months after one; 1 without a season.
 *
 * @example seasonMean([1, 1, 1, 2, 2, 2, 1, 1, 1, 0, 0, 0], 2) // 2
 */
export function seasonMean(indices: readonly number[] | null, month: number): number {
  if (indices === null) return 1;
  const [first, second, third] = [1, 2, 3].map((ahead) => indices[(month + ahead) % MONTHS]!);
  return (first! + second! + third!) / 3;
}

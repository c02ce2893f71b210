/** Monthly search volumes, oldest first; `null` where the source gave none. */
export type MonthlyVolumes = readonly (number | null)[];

export interface Volume {
  /** Searches a month, rounded half up; `null` when no month is known. */
  value: number | null;
  /** How many months it rests on (0–12); fewer than 12 is marked wherever it is shown. */
  months: number;
}

/**
 * Volume = mean of the latest 12 known months, rounded half up (method §2).
 * Fewer than 12 known: the mean of those. None known: `null`, never 0.
 */
export function volumeOf(series: MonthlyVolumes): Volume {
  const known = series.filter((value): value is number => value !== null).slice(-12);
  if (known.length === 0) return { value: null, months: 0 };
  const sum = known.reduce((total, value) => total + value, 0);
  return { value: Math.round(sum / known.length), months: known.length };
}

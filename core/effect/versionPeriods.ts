interface Periods {
  before: { from: number; to: number };
  after: { from: number; to: number };
}

/** More days than this say less of the version than of the seasons. */
const MOST_DAYS = 28;
const LEAST_DAYS = 3;

/**
 * Days with one version of something, and with the next: both end or begin with the change, are equally long, and hold no
 * other change. Days are numbers, both ends included.
 *
 * @param day from which on search shows the change
 * @param others days of other changes of the same target
 * @param oldest first day of which anything is known, and `newest` the last
 * @returns `null` where there are fewer than three days of either
 */
export function versionPeriods({
  day,
  others,
  oldest,
  newest,
}: {
  day: number;
  others: readonly number[];
  oldest: number;
  newest: number;
}): Periods | null {
  const last = Math.max(oldest - 1, ...others.filter((other) => other <= day));
  const next = Math.min(newest + 1, ...others.filter((other) => other > day));
  const known = Math.min(MOST_DAYS, day - 1 - Math.max(last, oldest - 1), next - day);
  if (known < LEAST_DAYS) return null;
  return { before: { from: day - known, to: day - 1 }, after: { from: day, to: day + known - 1 } };
}

/** First and last ISO day of the newest calendar month that is over by a day, and of the one before it. */
export function lastTwoMonths(isoDay: string): { now: MonthSpan; before: MonthSpan } {
  const end = new Date(`${isoDay}T00:00:00Z`);
  const [year, month] = [end.getUTCFullYear(), end.getUTCMonth()];
  const isOver = new Date(Date.UTC(year, month, end.getUTCDate() + 1)).getUTCMonth() !== month;
  const last = isOver ? month : month - 1;
  return { now: monthSpan(year, last), before: monthSpan(year, last - 1) };
}

export interface MonthSpan {
  from: string;
  to: string;
}

const monthSpan = (year: number, month: number): MonthSpan => ({
  from: iso(Date.UTC(year, month, 1)),
  to: iso(Date.UTC(year, month + 1, 0)),
});
const iso = (time: number): string => new Date(time).toISOString().slice(0, 10);

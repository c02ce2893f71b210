/** Days are counted since 1970-01-01, UTC. */
export function dayNumber(isoDay: string): number {
  return Math.floor(Date.parse(`${isoDay}T00:00:00Z`) / 86_400_000);
}
export function isoDay(day: number): string {
  return new Date(day * 86_400_000).toISOString().slice(0, 10);
}
/** Months since year 0; `monthIndex % 12` is the calendar month, 0 = January. */
export function monthIndex(day: number): number {
  const date = new Date(day * 86_400_000);
  return date.getUTCFullYear() * 12 + date.getUTCMonth();
}
export function isoMonth(month: number): string {
  return `${Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, '0')}`;
}

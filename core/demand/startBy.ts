import { DAY_MS } from '../day';

/**
 * The day by which work for the next peak should begin (method §2): first day of the peak month, less a lead time. The peak
 * is the first one that is not over on a date; its day to begin may have passed already.
 *
 * @param peak calendar month, 0 = January
 * @param date ISO day
 * @param leadDays days, from 0
 * @returns ISO day
 */
export function startBy(peak: number, date: string, leadDays: number): string {
  const [year, month] = date.split('-').map(Number);
  const ofPeak = month! - 1 <= peak ? year! : year! + 1;
  return new Date(Date.UTC(ofPeak, peak, 1) - leadDays * DAY_MS).toISOString().slice(0, 10);
}

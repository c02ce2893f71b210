/**
 * Paid keywords missing (method §19): as many as a guide of organic keywords for each paid one asks for, less those there
 * are; rounded half up, at least 0.
 *
 * @param guide organic keywords for each paid one, above 0
 * @example paidMissing(10, 2, 2) // 3
 */
export function paidMissing(organic: number, paid: number, guide: number): number {
  return Math.max(0, Math.floor(organic / guide - paid + 0.5));
}

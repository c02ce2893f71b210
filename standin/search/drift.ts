import { mix, unit } from '../random';

const PERIOD_DAYS = 33;

/**
 * Slow seeded movement between −1 and 1 of one document for one keyword: values drawn at lattice days and
 * joined smoothly, so that neighbouring days differ little.
 */
export function drift(seed: number, keyword: number, day: number): number {
  const own = mix(seed, keyword);
  // Each pair has its own phase, so that not everything turns on the same day.
  const at = day / PERIOD_DAYS + unit(own);
  const left = Math.floor(at);
  const share = at - left;
  const smooth = share * share * (3 - 2 * share);
  const a = unit(mix(own, left)) * 2 - 1;
  const b = unit(mix(own, left + 1)) * 2 - 1;
  return a + (b - a) * smooth;
}

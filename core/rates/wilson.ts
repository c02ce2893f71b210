const Z = 1.959963984540054;
/** A rate is thin when its interval is wider than itself and than this. */
const TWO_POINTS = 0.02;

export interface Interval {
  low: number;
  high: number;
}

/**
 * 95 % Wilson interval of a rate. `hits` may exceed `cases` where a table says so: the rate then counts as 1.
 * @returns 0 to 1 where there was no case
 */
export function wilson(hits: number, cases: number): Interval {
  if (cases <= 0) return { low: 0, high: 1 };
  const rate = Math.min(1, hits / cases);
  const spread = Z * Math.sqrt((rate * (1 - rate)) / cases + (Z * Z) / (4 * cases * cases));
  const scale = 1 + (Z * Z) / cases;
  const middle = rate + (Z * Z) / (2 * cases);
  return { low: Math.max(0, (middle - spread) / scale), high: Math.min(1, (middle + spread) / scale) };
}

/** Whether a rate rests on too few cases to prove anything: its interval is wider than the larger of it and 2 points. */
export function isThin(hits: number, cases: number): boolean {
  const { low, high } = wilson(hits, cases);
  return high - low > Math.max(cases > 0 ? hits / cases : 0, TWO_POINTS);
}

export interface KnownRate extends Interval {
  /** 0–1; `null` without a case. */
  rate: number | null;
  thin: boolean;
}

/** A rate with all that is told of it: its interval, and whether it is thin. */
export function rateOf(hits: number, cases: number): KnownRate {
  return { rate: cases > 0 ? hits / cases : null, ...wilson(hits, cases), thin: isThin(hits, cases) };
}

interface Told {
  low: number;
  high: number;
}

export const LASTING = ['holds', 'fades', 'not enough data yet', 'no gain', 'loss'] as const;
export type Lasting = (typeof LASTING)[number];

/**
 * Whether a gain lasts (method §16): it holds while the interval of the last later window lies above 0.
 *
 * @param later windows one after another, as far as they can be told
 */
export function lastingOf(first: Told, later: readonly Told[]): Lasting {
  if (first.high < 0) return 'loss';
  if (first.low <= 0) return 'no gain';
  const last = later.at(-1);
  if (!last) return 'not enough data yet';
  return last.low > 0 ? 'holds' : 'fades';
}

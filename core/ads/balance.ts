import { median } from '../ranking/statistics';

/** Conversion against volume, split at the medians of a list. */
export const BALANCES = [
  'sells and is searched',
  'sells, seldom searched',
  'searched, seldom sells',
  'neither',
] as const;
export type Balance = (typeof BALANCES)[number];

/** Medians of the shrunk conversion rates and volumes of those of a list of which both are known; `null` without one. */
export function balanceEdges(
  rates: ArrayLike<number>,
  volumes: ArrayLike<number>,
): { rate: number; volume: number } | null {
  const known = Array.from(rates, (_, n) => n).filter(
    (n) => !Number.isNaN(rates[n]!) && !Number.isNaN(volumes[n]!),
  );
  const rate = median(known.map((n) => rates[n]!));
  const volume = median(known.map((n) => volumes[n]!));
  return rate === null || volume === null ? null : { rate, volume };
}

/**
 * Balances conversion against volume: each of a list falls into one of four groups by whether its shrunk conversion rate and
 * its volume lie above the median of the list's known ones; ties belong to the lower group. What has no rate or no volume
 * is in no group: few clicks give an unknown rate, not a low one.
 *
 * @param rates 0–1, NaN where unknown
 * @param volumes searches a month, NaN where unknown
 */
export function balances(rates: ArrayLike<number>, volumes: ArrayLike<number>): (Balance | null)[] {
  const edges = balanceEdges(rates, volumes);
  return Array.from(rates, (own, n) =>
    edges === null || Number.isNaN(own) || Number.isNaN(volumes[n]!)
      ? null
      : named(own > edges.rate, volumes[n]! > edges.volume),
  );
}

function named(sells: boolean, searched: boolean): Balance {
  if (sells) return searched ? 'sells and is searched' : 'sells, seldom searched';
  return searched ? 'searched, seldom sells' : 'neither';
}

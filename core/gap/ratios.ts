const THOUSAND = 1000;

/**
 * Searches a month for a thousand results (method §14); NaN where either is unknown or nothing was counted.
 *
 * @example volumeToResults(500, 20000) // 25
 */
export function volumeToResults(volume: number, results: number): number {
  return (THOUSAND * volume) / (results || NaN);
}

/**
 * Searches a month for each exact rival and one more (method §14); NaN where either is unknown.
 *
 * @example volumeToRivals(500, 4) // 100
 */
export function volumeToRivals(volume: number, exactRivals: number): number {
  return volume / (exactRivals + 1);
}

/**
 * Turnover of a front a month (method §14, rough): V · Σ c(p), p ≤ F, · conversion rate · price; NaN where any is unknown.
 *
 * @param conversionRate 0–1
 * @param price median of the front, in the project's currency
 */
export function turnover(
  expectedVolume: number,
  curve: ArrayLike<number>,
  front: number,
  conversionRate: number,
  price: number,
): number {
  let clicks = 0;
  for (let position = 1; position <= front; position++) clicks += curve[position]!;
  return expectedVolume * clicks * conversionRate * price;
}

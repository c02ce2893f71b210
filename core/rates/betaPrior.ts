/** A Beta distribution of rates. */
export interface BetaPrior {
  alpha: number;
  beta: number;
}

/** Where rates differ no more than chance makes them, nothing tells how sure that is: as good as so many cases. */
const SURE = 1000;
const UNSURE = 1;
const LEAST = 1 / (2 * SURE);

/**
 * The Beta prior of some rates by the method of moments (method §7, §17) for counts: the overall rate p, and a strength from
 * how much more rates differ than chance makes them (intra-class correlation ρ of the beta-binomial, strength = (1 − ρ)/ρ).
 * Plain moments of the rates would take the noise of terms with one case for true difference. Where they differ no more
 * than by chance the strength is 1,000 cases, and it is never below 1 or above 1,000.
 *
 * @param hits successes of each entry, at most its cases
 * @param cases tries of each entry, whole numbers from 0
 * @returns `null` when nobody had a case
 */
export function betaPrior(hits: ArrayLike<number>, cases: ArrayLike<number>): BetaPrior | null {
  let [entries, all, squares, sum] = [0, 0, 0, 0];
  for (let n = 0; n < cases.length; n++) {
    if (!(cases[n]! > 0)) continue;
    entries++;
    all += cases[n]!;
    squares += cases[n]! ** 2;
    sum += hits[n]!;
  }
  if (entries === 0) return null;
  const mean = Math.min(Math.max(sum / all, LEAST), 1 - LEAST);
  const chance = mean * (1 - mean);
  let spread = 0;
  for (let n = 0; n < cases.length; n++)
    if (cases[n]! > 0) spread += cases[n]! * (hits[n]! / cases[n]! - mean) ** 2;
  const room = all - squares / all - (entries - 1);
  const correlation = room > 0 ? (spread - chance * (entries - 1)) / (chance * room) : 0;
  const strength = correlation > 0 ? (1 - correlation) / correlation : SURE;
  return ofStrength(mean, Math.min(Math.max(strength, UNSURE), SURE));
}

function ofStrength(mean: number, strength: number): BetaPrior {
  return { alpha: mean * strength, beta: (1 - mean) * strength };
}

/**
 * A rate drawn towards what all rates say: the posterior mean, 0–1.
 *
 * @example shrunkRate(1, 10, { alpha: 2, beta: 18 }) // 0.1
 */
export function shrunkRate(hits: number, cases: number, { alpha, beta }: BetaPrior): number {
  return (alpha + hits) / (alpha + beta + cases);
}

/** A Beta distribution of rates. */
export interface BetaPrior {
  alpha: number;
  beta: number;
}

/** Where all rates are the same, nothing tells how sure that is: as good as so many cases. */
const SURE = 1000;
const UNSURE = 1;

/**
 * The Beta prior of some rates by the method of moments (method §7, §17): mean and variance (over n − 1) of the rates of
 * all entries that had a case; where the variance says nothing (one entry, all the same, wider than a Beta can be) the
 * overall rate with a strength of 1,000 cases, of 1 where it is too wide.
 *
 * @param cases tries of each entry, whole numbers from 0; `hits` those that succeeded, at most as many
 * @returns `null` when nobody had a case
 */
export function betaPrior(hits: ArrayLike<number>, cases: ArrayLike<number>): BetaPrior | null {
  const rates: number[] = [];
  for (let n = 0; n < cases.length; n++) if (cases[n]! > 0) rates.push(hits[n]! / cases[n]!);
  if (rates.length === 0) return null;
  const mean = rates.reduce((sum, rate) => sum + rate, 0) / rates.length;
  if (mean <= 0 || mean >= 1)
    return ofStrength(Math.min(Math.max(mean, 1 / (2 * SURE)), 1 - 1 / (2 * SURE)), SURE);
  const variance =
    rates.length < 2 ? 0 : rates.reduce((sum, rate) => sum + (rate - mean) ** 2, 0) / (rates.length - 1);
  if (variance === 0) return ofStrength(mean, SURE);
  const strength = (mean * (1 - mean)) / variance - 1;
  return ofStrength(mean, strength > 0 ? strength : UNSURE);
}

function ofStrength(mean: number, strength: number): BetaPrior {
  return { alpha: mean * strength, beta: (1 - mean) * strength };
}

/** A rate drawn towards what all rates say: the posterior mean, 0–1. */
export function shrunkRate(hits: number, cases: number, { alpha, beta }: BetaPrior): number {
  return (alpha + hits) / (alpha + beta + cases);
}

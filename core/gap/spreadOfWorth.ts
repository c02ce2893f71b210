import { quantileOfSorted } from '../ranking/statistics';
import { draws } from '../rates/draws';

/** What the worth of a gap was made of, and how sure each part is (method §8). */
export interface WorthParts {
  /** V, and σ of its logarithm. */
  demand: number;
  demandSigma: number;
  /** Feature factor times the difference of click-through. */
  clickShare: number;
  /** Chance on the logit, and its standard error. */
  logit: number;
  logitError: number;
  worth: number;
  /** σ of its logarithm. */
  worthSigma: number;
  fit: number;
  effort: number;
}

export interface WorthSpread {
  /** P10 and P90 of E, a month. */
  low: number;
  high: number;
  /** Probability of being among the first by priority, 0–1. */
  first: number;
}

export const DRAWS = 2000;
export const FIRST = 20;
/** σ of the logarithm of a volume that was given as one figure. */
export const VOLUME_SIGMA = 0.25;

/**
 * Spread of E (method §8): seeded draws of demand (lognormal, its median the known figure), chance (normal on the logit)
 * and worth (lognormal), every keyword on its own. `first` is the share of draws in which a keyword is among the first 20
 * of those given by E ÷ effort; ties go to the earlier.
 */
export function spreadOfWorth(keywords: readonly WorthParts[], seed: number): WorthSpread[] {
  const { normal } = draws(seed);
  const drawn = keywords.map(() => new Float64Array(DRAWS));
  const firsts = new Int32Array(keywords.length);
  const priorities = new Float64Array(keywords.length);
  for (let draw = 0; draw < DRAWS; draw++) {
    keywords.forEach((parts, k) => {
      const demand = parts.demand * Math.exp(parts.demandSigma * normal());
      const chance = 1 / (1 + Math.exp(-(parts.logit + parts.logitError * normal())));
      const worth = parts.worth * Math.exp(parts.worthSigma * normal());
      const value = chance * demand * parts.clickShare * worth * parts.fit;
      drawn[k]![draw] = value;
      priorities[k] = value / parts.effort;
    });
    for (const k of firstOf(priorities)) firsts[k]!++;
  }
  return drawn.map((values, k) => {
    values.sort();
    return {
      low: quantileOfSorted(values, 0.1),
      high: quantileOfSorted(values, 0.9),
      first: firsts[k]! / DRAWS,
    };
  });
}

function firstOf(priorities: Float64Array): number[] {
  return Array.from(priorities.keys())
    .sort((a, b) => priorities[b]! - priorities[a]! || a - b)
    .slice(0, FIRST);
}

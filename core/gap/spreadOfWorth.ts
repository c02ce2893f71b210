import { quantileOfSorted } from '../ranking/statistics';
import { draws } from '../rates/draws';

/** What the value of an action is made of, and how sure each part is (method §8). */
export interface WorthParts {
  /** Clicks a month that it adds, and their standard error. */
  clicks: number;
  clicksError: number;
  /** What it costs a month beside work; what it saves is below 0. */
  cost: number;
  /** σ of the logarithm of the demand. */
  demandSigma: number;
  worth: number;
  /** σ of its logarithm. */
  worthSigma: number;
  fit: number;
  effort: number;
}

export interface WorthSpread {
  /** P10 and P90 of the value, a month. */
  low: number;
  high: number;
  /** Probability of being among the first by priority, 0–1. */
  first: number;
}

export const DRAWS = 2000;
export const FIRST = 20;
/** σ of the logarithm of a volume that was given as one figure. */
export const VOLUME_SIGMA = 0.25;

/** P10 and P90 of what several bring together. */
export interface SumSpread {
  low: number;
  high: number;
}

/**
 * Spread of values (method §8): seeded draws of demand (lognormal, its median the known figure), added clicks (normal) and
 * worth (lognormal), every keyword on its own. `first` is the share of draws in which a keyword is among the first 20 of
 * those given by value ÷ effort; ties go to the earlier.
 */
export function spreadOfWorth(keywords: readonly WorthParts[], seed: number): WorthSpread[] {
  const { normal } = draws(seed);
  const drawn = keywords.map(() => new Float64Array(DRAWS));
  const firsts = new Int32Array(keywords.length);
  const priorities = new Float64Array(keywords.length);
  for (let draw = 0; draw < DRAWS; draw++) {
    keywords.forEach((parts, k) => {
      const value = drawnValue(parts, normal);
      drawn[k]![draw] = value;
      priorities[k] = value / parts.effort;
    });
    for (const k of firstOf(priorities)) firsts[k]!++;
  }
  return drawn.map((values, k) => ({ ...ends(values), first: firsts[k]! / DRAWS }));
}

/** Spread of what several bring together, drawn as in {@link spreadOfWorth}. */
export function spreadOfSum(keywords: readonly WorthParts[], seed: number): SumSpread {
  const { normal } = draws(seed);
  const together = new Float64Array(DRAWS);
  for (let draw = 0; draw < DRAWS; draw++)
    for (const parts of keywords) together[draw]! += drawnValue(parts, normal);
  return ends(together);
}

function drawnValue(parts: WorthParts, normal: () => number): number {
  const demand = Math.exp(parts.demandSigma * normal());
  const clicks = parts.clicks + parts.clicksError * normal();
  const worth = parts.worth * Math.exp(parts.worthSigma * normal());
  return demand * (clicks * worth * parts.fit - parts.cost);
}

function ends(values: Float64Array): SumSpread {
  values.sort();
  return { low: quantileOfSorted(values, 0.1), high: quantileOfSorted(values, 0.9) };
}

function firstOf(priorities: Float64Array): number[] {
  return Array.from(priorities.keys())
    .sort((a, b) => priorities[b]! - priorities[a]! || a - b)
    .slice(0, FIRST);
}

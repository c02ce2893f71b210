import { type BetaPrior, betaPrior, shrunkRate } from '../rates/betaPrior';

/** What an ad search term is against the keyword list (method §17). */
export const TERM_STATES = ['listed', 'unlisted with clicks', 'unlisted'] as const;
export type TermState = (typeof TERM_STATES)[number];

export interface TermFigures {
  impressions: number;
  clicks: number;
  cost: number;
  conversions: number;
}

/** *listed* by key; else with clicks it is a candidate keyword. */
export function termState(isListed: boolean, clicks: number): TermState {
  if (isListed) return 'listed';
  return clicks > 0 ? 'unlisted with clicks' : 'unlisted';
}

/** How many target costs are too much, unless the project says otherwise. */
export const COSTLY_TIMES = 2;

/** *Costly without conversion*: cost at least twice the target cost of a conversion, and none came. A candidate negative. */
export function isCostly(
  { cost, conversions }: TermFigures,
  targetCost: number | null,
  times = COSTLY_TIMES,
): boolean {
  return targetCost !== null && conversions === 0 && cost >= times * targetCost;
}

/**
 * CTR of each term drawn towards the campaign's by Beta-binomial shrinkage (method §17); NaN where nothing was shown
 * anywhere.
 */
export function shrunkCtrs(terms: readonly TermFigures[]): Float64Array {
  const prior = betaPrior(
    terms.map(({ clicks }) => clicks),
    terms.map(({ impressions }) => impressions),
  );
  return Float64Array.from(terms, ({ clicks, impressions }) =>
    prior === null ? NaN : shrunkRate(clicks, impressions, prior),
  );
}

/** What all conversions of a campaign tell: the prior of their rates and their mean value; `null` without a conversion. */
export function conversionsTogether(
  terms: readonly (TermFigures & { value: number })[],
): { prior: BetaPrior; valueOfConversion: number; costOfConversion: number } | null {
  const sum = (of: (term: TermFigures & { value: number }) => number): number =>
    terms.reduce((total, term) => total + of(term), 0);
  const conversions = sum((term) => term.conversions);
  const prior = betaPrior(
    terms.map((term) => Math.min(term.conversions, term.clicks)),
    terms.map((term) => term.clicks),
  );
  if (conversions <= 0 || prior === null) return null;
  return {
    prior,
    valueOfConversion: sum((term) => term.value) / conversions,
    costOfConversion: sum((term) => term.cost) / conversions,
  };
}

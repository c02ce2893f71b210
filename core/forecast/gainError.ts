import { CUTS } from './bands';
import { type Spreads, spreadOf } from './changes';
import { type Change, PHRASE, changeInputs, standingInputs } from './forecast';
import { type FittedLogit, type OrderedLogit, score } from './orderedLogit';

/**
 * How the click-through to be expected moves with each parameter of a cumulative logit: those of the eight thresholds, then
 * the weights.
 *
 * @param shift score of the row, with whatever else moves it
 * @param clicks of the bands (`bandClicks`)
 */
export function clickGradient(
  { thresholds, weights }: OrderedLogit,
  inputs: readonly number[],
  shift: number,
  clicks: Float64Array,
): Float64Array {
  const gradient = new Float64Array(CUTS.length + weights.length);
  let total = 0;
  for (let cut = 0; cut < CUTS.length; cut++) {
    const inside = 1 / (1 + Math.exp(-(thresholds[cut]! + shift)));
    gradient[cut] = inside * (1 - inside) * (clicks[cut]! - clicks[cut + 1]!);
    total += gradient[cut]!;
  }
  inputs.forEach((input, n) => (gradient[CUTS.length + n] = total * input));
  return gradient;
}

/** √(g' Σ g): the standard error of a figure whose gradient is g. */
export function errorOf(gradient: Float64Array, covariance: Float64Array): number {
  const n = gradient.length;
  let sum = 0;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) sum += gradient[i]! * gradient[j]! * covariance[i * n + j]!;
  return Math.sqrt(Math.max(0, sum));
}

/** What a fitted forecast knows of its own errors. */
export interface ForecastErrors {
  standing: FittedLogit;
  changes: Float64Array;
  spread: Spreads;
  /** Covariance of the changes, row by row. */
  changesCovariance: Float64Array;
}

/** Standard error of what a change adds to the click-through of a standing (method §8). */
export function gainError(
  { standing, changes, spread, changesCovariance }: ForecastErrors,
  { position, features, held }: { position: number; features: readonly number[]; held: number },
  change: Change,
  clicks: Float64Array,
): number {
  const inputs = standingInputs(position, features, held);
  const changed = changeInputs(change, position, features[PHRASE]!);
  const shift = score(standing.weights, inputs);
  const wider = spreadOf(spread, changed);
  const after = clickGradient(
    { ...standing, thresholds: standing.thresholds.map((threshold) => threshold / wider) },
    inputs,
    (shift + score(changes, changed)) / wider,
    clicks,
  ).map((part) => part / wider);
  const before = clickGradient(standing, inputs, shift, clicks);
  const slope = after.subarray(0, CUTS.length).reduce((sum, part) => sum + part, 0);
  const ofStanding = errorOf(
    after.map((part, n) => part - before[n]!),
    standing.covariance,
  );
  const ofChange = errorOf(
    Float64Array.from(changed, (part) => slope * part),
    changesCovariance,
  );
  return Math.hypot(ofStanding, ofChange);
}

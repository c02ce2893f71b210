import { errorFunction } from 'simple-statistics';

/** One keyword’s scores by day; days ascending, those without a capture are missing. */
export interface ScoreSeries {
  keyword: number;
  days: readonly number[];
  scores: readonly number[];
}

/** Days before a change, days to settle, days after. */
export interface EffectWindows {
  before: number;
  settle: number;
  after: number;
}
export const DEFAULT_WINDOWS: EffectWindows = { before: 14, settle: 3, after: 14 };

/** What one keyword did, beside what others like it did meanwhile. */
export interface KeywordEffect {
  keyword: number;
  before: number;
  after: number;
  /** Above what its likes did. */
  effect: number;
}

export type Effect =
  | {
      state: 'told';
      /** In scores; the same for 95 % of what chance and drift could make of it. */
      effect: number;
      low: number;
      high: number;
      /** How often drift alone does as much, 0–1. */
      p: number;
      keywords: KeywordEffect[];
      control: number;
    }
  | { state: 'lacking'; lacks: 'captures before' | 'captures after' | 'control keywords' };

/** Days of capture without which neither side can be told. */
export const LEAST_DAYS = 3;
const LEAST_CONTROL = 3;
const NEAREST = 20;
const Z = 1.959964;

/**
 * What a change did to the keywords that it aimed at (method §16). Each keyword’s step from before to after is held against the
 * mean step of the twenty control keywords that stood most like it before; how far such steps scatter among the controls
 * themselves says what drift does, and is the spread of the effect.
 *
 * @param day of the change
 * @param windows `after` begins when it has settled
 */
export function effectOf(
  treated: readonly ScoreSeries[],
  control: readonly ScoreSeries[],
  day: number,
  windows: EffectWindows,
): Effect {
  const before = { from: day - windows.before, to: day - 1 };
  const after = { from: day + windows.settle, to: day + windows.settle + windows.after - 1 };
  if (daysIn(treated, before) < LEAST_DAYS) return { state: 'lacking', lacks: 'captures before' };
  if (daysIn(treated, after) < LEAST_DAYS) return { state: 'lacking', lacks: 'captures after' };
  const steps = control
    .flatMap((series) => stepOf(series, before, after) ?? [])
    .sort((a, b) => a.before - b.before || a.keyword - b.keyword);
  if (steps.length < LEAST_CONTROL) return { state: 'lacking', lacks: 'control keywords' };
  const drift = driftOf(steps);
  const near = treated.flatMap((series) => {
    const step = stepOf(series, before, after);
    return step ? [{ step, likes: nearest(steps, step.before) }] : [];
  });
  if (near.length === 0) return { state: 'lacking', lacks: 'captures after' };
  const keywords = near.map(({ step, likes }): KeywordEffect => ({
    ...step,
    effect: step.after - step.before - mean(likes.map((n) => gainOf(steps[n]!))),
  }));
  const effect = mean(keywords.map((one) => one.effect));
  const own =
    near.reduce((sum, { step }) => sum + varianceAt(step.before, steps, drift), 0) / near.length ** 2;
  const ofLikes = mean(near.map(({ step, likes }) => varianceAt(step.before, steps, drift) / likes.length));
  const error = Math.sqrt(own + ofLikes);
  const freedom = steps.length - 1;
  const reach = studentQuantile(freedom) * error;
  return {
    state: 'told',
    effect,
    low: effect - reach,
    high: effect + reach,
    p: error > 0 ? studentBeyond(effect / error, freedom) : Number(effect === 0),
    keywords,
    control: steps.length,
  };
}

interface Step {
  keyword: number;
  before: number;
  after: number;
}
interface Span {
  from: number;
  to: number;
}

const gainOf = ({ before, after }: Step): number => after - before;
const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

function daysIn(all: readonly ScoreSeries[], { from, to }: Span): number {
  const days = new Set<number>();
  for (const series of all) for (const day of series.days) if (day >= from && day <= to) days.add(day);
  return days.size;
}

function stepOf({ keyword, days, scores }: ScoreSeries, before: Span, after: Span): Step | null {
  const within = ({ from, to }: Span): number[] =>
    scores.filter((score, n) => days[n]! >= from && days[n]! <= to && !Number.isNaN(score));
  const [early, late] = [within(before), within(after)];
  return early.length === 0 || late.length === 0 ? null : { keyword, before: mean(early), after: mean(late) };
}

/**
 * Which controls stood most like a score before, at most twenty.
 *
 * @param steps by their score before, ascending
 * @param but one that is left out
 */
function nearest(steps: readonly Step[], before: number, but = -1): number[] {
  let [low, high] = [0, steps.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (steps[middle]!.before < before) low = middle + 1;
    else high = middle;
  }
  const found: number[] = [];
  let [below, above] = [low - 1, low];
  while (found.length < NEAREST && (below >= 0 || above < steps.length)) {
    const down = below >= 0 ? before - steps[below]!.before : Infinity;
    const up = above < steps.length ? steps[above]!.before - before : Infinity;
    const next = down < up ? below-- : above++;
    if (next !== but) found.push(next);
  }
  return found;
}

/** How far each control’s step is from the mean step of its own likes, freed of the scatter of that mean. */
function driftOf(steps: readonly Step[]): number[] {
  return steps.map((step, n) => {
    const likes = nearest(steps, step.before, n);
    return (
      (gainOf(step) - mean(likes.map((other) => gainOf(steps[other]!)))) / Math.sqrt(1 + 1 / likes.length)
    );
  });
}

/** Controls this near in score say most of how much one at a score drifts; all together count as so many of them. */
const NEARNESS = 0.6;
const ALL_AS = 2;

/** Variance of the drift of a keyword that stood at a score before: the lower down, the more keywords move. */
function varianceAt(before: number, steps: readonly Step[], drift: readonly number[]): number {
  const overall = mean(drift.map((one) => one * one));
  let [sum, weights] = [ALL_AS * overall, ALL_AS];
  steps.forEach((step, n) => {
    const weight = Math.exp(-(((step.before - before) / NEARNESS) ** 2) / 2);
    sum += weight * drift[n]! ** 2;
    weights += weight;
  });
  return sum / weights;
}

/**
 * 97.5 % quantile of Student’s distribution, by the first terms of its expansion.
 *
 * @example studentQuantile(10) // 2.228
 */
export function studentQuantile(freedom: number): number {
  const z = Z;
  return (
    z +
    (z ** 3 + z) / (4 * freedom) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedom ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * freedom ** 3)
  );
}

/**
 * How often Student’s distribution lies as far from 0 on either side (Wallace’s approximation).
 *
 * @example studentBeyond(2.228, 10) // 0.05
 */
export function studentBeyond(t: number, freedom: number): number {
  const z = ((8 * freedom + 1) / (8 * freedom + 3)) * Math.sqrt(freedom * Math.log(1 + (t * t) / freedom));
  return 1 - errorFunction(Math.abs(z) / Math.SQRT2);
}

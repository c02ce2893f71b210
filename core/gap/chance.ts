/**
 * The features of method §6, in the order of every weight vector. Each is the value less the median of the
 * same capture's organic results at 1–50; the last three are log ratios to that median.
 */
export const CHANCE_FEATURES = [
  'authority',
  'phrase in title',
  'words in title',
  'words in other fields',
  'engagement',
  'age',
  'days since update',
] as const;

/** What is known of one target for one keyword. `null` where nobody gave the figure. */
export interface FieldStanding {
  /** 0–100, log-scaled. */
  authority: number | null;
  phraseInTitle: 0 | 1;
  /** Share of the keyword's distinct words, 0–1. */
  wordsInTitle: number;
  wordsInFields: number;
  /** Surface's own measure, at least 0: views a day, inverse sales rank, or rating count. */
  engagement: number | null;
  ageDays: number | null;
  daysSinceUpdate: number | null;
}

/** Medians of one capture over its organic results at 1–50, in the order of {@link CHANCE_FEATURES}; NaN if nobody has the figure. */
export type CaptureMedians = ArrayLike<number>;

export interface ChanceWeights {
  intercept: number;
  /** One a feature, in the order of {@link CHANCE_FEATURES}. */
  weights: readonly number[];
}

const RESULTS_LOOKED_AT = 50;

/** Stated default weights (method §6), in the order of {@link CHANCE_FEATURES}. */
export const DEFAULT_WEIGHTS: readonly number[] = [0.6, 1.0, 1.5, 1.0, 0.3, 0.05, -0.15];

/**
 * Weights used until a model is fitted on captures (method §6, stated default, or the project's own).
 * The intercept is the log odds of a result at 1–50 standing within F, a little lowered since fronts differ.
 */
export function defaultChanceWeights(
  front: number,
  weights: readonly number[] = DEFAULT_WEIGHTS,
): ChanceWeights {
  const inside = Math.min(Math.max(front, 1), RESULTS_LOOKED_AT - 1);
  return {
    intercept: Math.log(inside / (RESULTS_LOOKED_AT - inside)) - 0.2,
    weights,
  };
}

/** Features of a standing relative to its capture's medians (method §6). An unknown figure counts as the median. */
export function chanceFeatures(standing: FieldStanding, medians: CaptureMedians): number[] {
  return [
    difference(standing.authority, medians[0]!) / 10,
    difference(standing.phraseInTitle, medians[1]!),
    difference(standing.wordsInTitle, medians[2]!),
    difference(standing.wordsInFields, medians[3]!),
    logRatio(standing.engagement, medians[4]!),
    logRatio(standing.ageDays, medians[5]!),
    logRatio(standing.daysSinceUpdate, medians[6]!),
  ];
}

/** The standing after the suggested action: phrase in title and words covered set to 1 (method §6). */
export function afterAction(standing: FieldStanding): FieldStanding {
  return { ...standing, phraseInTitle: 1, wordsInTitle: 1, wordsInFields: 1 };
}

/** Probability (0–1) of standing within F (method §6): logistic of intercept + Σ weight · feature. */
export function chance(standing: FieldStanding, medians: CaptureMedians, model: ChanceWeights): number {
  let logit = model.intercept;
  chanceFeatures(standing, medians).forEach((feature, i) => {
    logit += model.weights[i]! * feature;
  });
  return 1 / (1 + Math.exp(-logit));
}

function difference(value: number | null, median: number): number {
  return value === null || Number.isNaN(median) ? 0 : value - median;
}

function logRatio(value: number | null, median: number): number {
  return value === null || Number.isNaN(median) ? 0 : Math.log((value + 1) / (median + 1));
}

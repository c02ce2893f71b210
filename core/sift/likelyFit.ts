import { stems } from '../text/stems';

/** A keyword as the model sees it. */
export interface SeenKeyword {
  /** Key (§1). */
  key: string;
  /** Names of the targets that rank for it. */
  ranking: readonly string[];
}
export interface JudgedKeyword extends SeenKeyword {
  /** Whether it was judged to be fit. */
  fit: boolean;
}

/** What was learnt: weights by feature, and how right it has been on keywords it had not seen. */
export interface LikelyFit {
  weights: ReadonlyMap<string, number>;
  bias: number;
  /** Share of held-out verdicts that it foretold, 0–1; `null` with too few of either kind. */
  accuracy: number | null;
  /** What always saying the commoner verdict would have been right for, 0–1. */
  baseline: number;
  judged: number;
}

const PASSES = 60;
const RATE = 0.3;
/** Pulls weights towards nought: with few verdicts a word says little. */
const RIDGE = 0.02;
const FOLDS = 5;
/** Verdicts of each kind before anything is said of accuracy. */
const LEAST_OF_EACH = 5;

/**
 * A small logistic model of which keywords are judged to be fit, learnt from the verdicts so far: stems of the words
 * and which targets rank. It sorts, it never decides. Deterministic: the same verdicts give the same model.
 *
 * @param language of the market, for the stems
 */
export function learnLikelyFit(judged: readonly JudgedKeyword[], language: string): LikelyFit {
  const rows = judged.map((row) => ({ features: featuresOf(row, language), fit: row.fit }));
  const fits = rows.filter(({ fit }) => fit).length;
  const few = Math.min(fits, rows.length - fits) < LEAST_OF_EACH;
  return {
    ...train(rows),
    accuracy: few ? null : heldOutAccuracy(rows),
    baseline: rows.length === 0 ? 0 : Math.max(fits, rows.length - fits) / rows.length,
    judged: rows.length,
  };
}

/** How likely a keyword is to be judged fit, 0–1, as far as the verdicts so far tell. */
export function likelihoodOf(
  model: Pick<LikelyFit, 'weights' | 'bias'>,
  keyword: SeenKeyword,
  language: string,
): number {
  return predict(model, featuresOf(keyword, language));
}

interface Row {
  features: readonly string[];
  fit: boolean;
}

function featuresOf({ key, ranking }: SeenKeyword, language: string): string[] {
  return [
    ...new Set([
      ...stems(key, language).map((stem) => `word ${stem}`),
      ...ranking.map((name) => `rank ${name}`),
    ]),
  ];
}

function train(rows: readonly Row[]): Pick<LikelyFit, 'weights' | 'bias'> {
  const weights = new Map<string, number>();
  let bias = 0;
  for (let pass = 0; pass < PASSES; pass++) {
    const rate = RATE / (1 + pass / 20);
    for (const { features, fit } of rows) {
      const error = (fit ? 1 : 0) - predict({ weights, bias }, features);
      bias += rate * error;
      for (const feature of features) {
        const weight = weights.get(feature) ?? 0;
        weights.set(feature, weight + rate * (error - RIDGE * weight));
      }
    }
  }
  return { weights, bias };
}

function predict(
  { weights, bias }: Pick<LikelyFit, 'weights' | 'bias'>,
  features: readonly string[],
): number {
  const sum = features.reduce((so, feature) => so + (weights.get(feature) ?? 0), bias);
  return 1 / (1 + Math.exp(-sum));
}

/** Each fifth is foretold by a model that learnt from the other four. */
function heldOutAccuracy(rows: readonly Row[]): number {
  let right = 0;
  for (let fold = 0; fold < FOLDS; fold++) {
    const model = train(rows.filter((_, n) => n % FOLDS !== fold));
    rows.forEach(({ features, fit }, n) => {
      if (n % FOLDS === fold && predict(model, features) >= 0.5 === fit) right++;
    });
  }
  return right / rows.length;
}

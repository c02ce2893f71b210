import { Matrix, inverse as invert } from 'ml-matrix';
import { CHANCE_FEATURES, type ChanceWeights } from './chance';

/** Captures needed before a model is fitted; below, the stated default weights hold (method §6). */
export const LEAST_CAPTURES = 200;
const RIDGE = 1;
const FOLDS = 5;
const BINS = 10;
const MOST_STEPS = 50;
const SETTLED = 1e-8;
const WIDTH = CHANCE_FEATURES.length;

/** Organic results at positions 1–50 of captures, end to end. */
export interface ChanceRows {
  /** Seven features a row, in the order of CHANCE_FEATURES. */
  features: Float64Array;
  /** 1 for a position within the front. */
  inside: Uint8Array;
  /** Number of the keyword of each row, from 0: keywords are kept whole in a fold. */
  keyword: Int32Array;
}

/** How well a model foretells keywords it has not seen. */
export interface ChanceQuality {
  /** Area under the curve of right and wrong alarms, 0–1; 0.5 is chance. */
  auc: number;
  /** Mean squared error of the probability. */
  brier: number;
  /** Mean difference between what was foretold and what was, weighed by how often. */
  calibrationError: number;
  /** Ten equal steps of probability: how many fell into each, what was foretold and what share was inside. */
  calibration: { rows: number; foretold: number; inside: number }[];
}

export interface FittedChance extends ChanceWeights {
  /** Covariance of intercept and weights, (1 + 7)², row by row; in the scale of the features. */
  covariance: Float64Array;
  captures: number;
  rows: number;
  quality: ChanceQuality;
  /** The same keywords foretold by the weights it is compared with, and by the share inside alone. */
  others: { against: ChanceQuality; constant: ChanceQuality };
}

/**
 * The chance model of method §6 fitted to what captures show: ridge-penalised logistic regression (λ = 1 on
 * standardised features, intercept free) by iteratively reweighted least squares, with its quality by 5-fold
 * cross-validation grouped by keyword (keyword n is in fold n mod 5).
 *
 * @param against weights that the quality is compared with
 * @returns `null` for fewer than 200 keywords, or where all rows are on one side
 */
export function fitChance(rows: ChanceRows, against: ChanceWeights): FittedChance | null {
  const size = rows.inside.length;
  const captures = new Set(rows.keyword).size;
  let inside = 0;
  for (const y of rows.inside) inside += y;
  if (captures < LEAST_CAPTURES || inside === 0 || inside === size) return null;
  const scale = scaleOf(rows.features, size);
  const standard = standardised(rows.features, size, scale);
  const foretold = new Float64Array(size);
  for (let fold = 0; fold < FOLDS; fold++) {
    const { beta } = solve(standard, rows, (row) => rows.keyword[row]! % FOLDS !== fold);
    for (let row = 0; row < size; row++)
      if (rows.keyword[row]! % FOLDS === fold) foretold[row] = probability(standard, row, beta);
  }
  const { beta, covariance } = solve(standard, rows, () => true);
  return {
    ...unscaled(beta, covariance, scale),
    captures,
    rows: size,
    quality: qualityOf(foretold, rows.inside),
    others: {
      against: qualityOf(weighed(rows, against), rows.inside),
      constant: qualityOf(new Float64Array(size).fill(inside / size), rows.inside),
    },
  };
}

/** What given weights foretell of every row. */
function weighed({ features, inside }: ChanceRows, { intercept, weights }: ChanceWeights): Float64Array {
  return Float64Array.from(inside, (_, row) => {
    let logit = intercept;
    for (let f = 0; f < WIDTH; f++) logit += weights[f]! * features[row * WIDTH + f]!;
    return 1 / (1 + Math.exp(-logit));
  });
}

/** Standard error of the logit for features (method §6): √(x' Σ x), x with a leading 1. */
export function logitError(features: readonly number[], covariance: Float64Array): number {
  const x = [1, ...features];
  let sum = 0;
  for (let i = 0; i <= WIDTH; i++)
    for (let j = 0; j <= WIDTH; j++) sum += x[i]! * x[j]! * covariance[i * (WIDTH + 1) + j]!;
  return Math.sqrt(Math.max(0, sum));
}

/** Quality of probabilities against what was; ties count half in the AUC. */
export function qualityOf(foretold: Float64Array, inside: ArrayLike<number>): ChanceQuality {
  const order = Array.from(foretold.keys()).sort((a, b) => foretold[a]! - foretold[b]!);
  let [positives, rankSum, brier] = [0, 0, 0];
  for (let n = 0; n < order.length;) {
    let end = n;
    while (end < order.length && foretold[order[end]!]! === foretold[order[n]!]!) end++;
    const rank = (n + 1 + end) / 2;
    for (; n < end; n++)
      if (inside[order[n]!] === 1) {
        positives++;
        rankSum += rank;
      }
  }
  const negatives = order.length - positives;
  const bins = Array.from({ length: BINS }, () => ({ rows: 0, foretold: 0, inside: 0 }));
  for (let row = 0; row < foretold.length; row++) {
    const p = foretold[row]!;
    const y = inside[row]!;
    brier += (p - y) ** 2;
    const bin = bins[Math.min(BINS - 1, Math.floor(p * BINS))]!;
    bin.rows++;
    bin.foretold += p;
    bin.inside += y;
  }
  const size = Math.max(1, foretold.length);
  return {
    auc:
      positives > 0 && negatives > 0
        ? (rankSum - (positives * (positives + 1)) / 2) / (positives * negatives)
        : NaN,
    brier: brier / size,
    calibrationError: bins.reduce((sum, bin) => sum + Math.abs(bin.foretold - bin.inside), 0) / size,
    calibration: bins.map(({ rows, foretold: sum, inside: count }) => ({
      rows,
      foretold: rows > 0 ? sum / rows : NaN,
      inside: rows > 0 ? count / rows : NaN,
    })),
  };
}

interface Scale {
  mean: Float64Array;
  deviation: Float64Array;
}

/** A feature that never differs gets no scale: its weight comes out as 0. */
function scaleOf(features: Float64Array, size: number): Scale {
  const mean = new Float64Array(WIDTH);
  const deviation = new Float64Array(WIDTH);
  for (let n = 0; n < features.length; n++) mean[n % WIDTH]! += features[n]! / size;
  for (let n = 0; n < features.length; n++)
    deviation[n % WIDTH]! += (features[n]! - mean[n % WIDTH]!) ** 2 / size;
  return { mean, deviation: deviation.map((variance) => (variance > 1e-18 ? Math.sqrt(variance) : 1)) };
}

function standardised(features: Float64Array, size: number, { mean, deviation }: Scale): Float64Array {
  const standard = new Float64Array(size * WIDTH);
  for (let n = 0; n < standard.length; n++)
    standard[n] = (features[n]! - mean[n % WIDTH]!) / deviation[n % WIDTH]!;
  return standard;
}

function probability(standard: Float64Array, row: number, beta: Float64Array): number {
  let logit = beta[0]!;
  for (let f = 0; f < WIDTH; f++) logit += beta[f + 1]! * standard[row * WIDTH + f]!;
  return 1 / (1 + Math.exp(-logit));
}

/** Newton steps until the weights settle; the covariance is the inverse of the last penalised information. */
function solve(
  standard: Float64Array,
  { inside }: ChanceRows,
  counts: (row: number) => boolean,
): { beta: Float64Array; covariance: Float64Array } {
  const n = WIDTH + 1;
  const beta = new Float64Array(n);
  let inverse: Float64Array = new Float64Array(n * n);
  const x = new Float64Array(n);
  x[0] = 1;
  for (let step = 0; step < MOST_STEPS; step++) {
    const gradient = new Float64Array(n);
    const information = new Float64Array(n * n);
    for (let row = 0; row < inside.length; row++) {
      if (!counts(row)) continue;
      const p = probability(standard, row, beta);
      const weight = p * (1 - p);
      for (let f = 0; f < WIDTH; f++) x[f + 1] = standard[row * WIDTH + f]!;
      for (let i = 0; i < n; i++) {
        gradient[i]! += (inside[row]! - p) * x[i]!;
        for (let j = 0; j <= i; j++) information[i * n + j]! += weight * x[i]! * x[j]!;
      }
    }
    for (let i = 0; i < n; i++)
      for (let j = i + 1; j < n; j++) information[i * n + j] = information[j * n + i]!;
    for (let i = 1; i < n; i++) {
      gradient[i]! -= RIDGE * beta[i]!;
      information[i * n + i]! += RIDGE;
    }
    inverse = Float64Array.from(invert(Matrix.from1DArray(n, n, information)).to1DArray());
    let moved = 0;
    for (let i = 0; i < n; i++) {
      let change = 0;
      for (let j = 0; j < n; j++) change += inverse[i * n + j]! * gradient[j]!;
      beta[i]! += change;
      moved = Math.max(moved, Math.abs(change));
    }
    if (moved < SETTLED) break;
  }
  return { beta, covariance: inverse };
}

/** Back to the scale of the features: w = β / deviation, intercept less what the means bring; covariance likewise. */
function unscaled(
  beta: Float64Array,
  covariance: Float64Array,
  { mean, deviation }: Scale,
): ChanceWeights & { covariance: Float64Array } {
  const n = WIDTH + 1;
  // Rows of the change of scale: new = T · old.
  const change = new Float64Array(n * n);
  change[0] = 1;
  for (let f = 0; f < WIDTH; f++) {
    change[f + 1] = -mean[f]! / deviation[f]!;
    change[(f + 1) * n + f + 1] = 1 / deviation[f]!;
  }
  const times = (a: Float64Array, b: Float64Array, turned: boolean): Float64Array => {
    const product = new Float64Array(n * n);
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        for (let k = 0; k < n; k++)
          product[i * n + j]! += a[i * n + k]! * (turned ? b[j * n + k]! : b[k * n + j]!);
    return product;
  };
  const weights = Array.from({ length: WIDTH }, (_, f) => beta[f + 1]! / deviation[f]!);
  return {
    intercept: beta[0]! - weights.reduce((sum, weight, f) => sum + weight * mean[f]!, 0),
    weights,
    covariance: times(times(change, covariance, false), change, true),
  };
}

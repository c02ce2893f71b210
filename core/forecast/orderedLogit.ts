import { Matrix, inverse, solve } from 'ml-matrix';
import { ABSENT_BAND, BAND_COUNT, CUTS, type Distribution } from './bands';
import { level } from './level';

/**
 * A cumulative logit over the bands (method §6a): `P(position ≤ k) = σ(θk + Σ weight · input)`, the same weights at every
 * cut. Higher is better placed.
 */
export interface OrderedLogit {
  /** θ at each of the eight cuts, ascending. */
  thresholds: Float64Array;
  weights: Float64Array;
}

/** How the thresholds may lie: each by itself, or all on the scale of levels, `θk = a − b · L(k + ½)`. */
export type Thresholds = 'free' | 'on levels';

/** Rows with their outcomes, end to end. */
export interface OrderedRows {
  /** `width` inputs a row. */
  inputs: Float64Array;
  width: number;
  /** Band of the outcome. */
  band: Uint8Array;
}

export interface FittedLogit extends OrderedLogit {
  /** Covariance of the eight thresholds, then the weights; row by row. */
  covariance: Float64Array;
}

/** L(k + ½) at each cut: what a level must exceed to stand within k. */
export const CUT_LEVELS: Float64Array = Float64Array.from(CUTS, (last) => level(last + 0.5));

const RIDGE = 1;
const MOST_STEPS = 60;
const SETTLED = 1e-7;
const ROUNDING = 1e-9;
/** Keeps a threshold that no row speaks of in its place. */
const LEAST_INFORMATION = 1e-6;
const LEAST = 1e-300;
const CUT_COUNT = CUTS.length;

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/**
 * Σ weight · input of one row, whose inputs begin at `from`.
 *
 * @example score([1, 2], [3, 4]) // 11
 */
export function score(weights: ArrayLike<number>, inputs: ArrayLike<number>, from = 0): number {
  let sum = 0;
  for (let n = 0; n < weights.length; n++) sum += weights[n]! * inputs[from + n]!;
  return sum;
}

/** The distribution that thresholds and a score foretell. */
export function distributionAt(thresholds: ArrayLike<number>, shift: number): Distribution {
  const distribution = new Float64Array(BAND_COUNT);
  let below = 0;
  for (let cut = 0; cut < CUT_COUNT; cut++) {
    const up = sigmoid(thresholds[cut]! + shift);
    distribution[cut] = Math.max(0, up - below);
    below = Math.max(below, up);
  }
  distribution[ABSENT_BAND] = 1 - below;
  return distribution;
}

/**
 * Fits a cumulative logit by Newton steps on the ridge-penalised log likelihood (λ = 1 on standardised inputs, thresholds
 * free); a step that would lose is halved.
 *
 * @param counts whether a row takes part; all do without it
 * @returns `null` where all rows that take part are in one band
 */
export function fitOrderedLogit(
  rows: OrderedRows,
  thresholds: Thresholds,
  counts: (row: number) => boolean = () => true,
): FittedLogit | null {
  const problem = prepared(rows, thresholds, counts);
  if (problem === null) return null;
  const parameters = firstParameters(problem);
  let at = evaluate(problem, parameters);
  for (let step = 0; step < MOST_STEPS; step++) {
    const move = solve(at.information, Matrix.columnVector(at.gradient)).to1DArray();
    let size = 1;
    while (likelihood(problem, moved(parameters, move, size)) < at.likelihood - ROUNDING && size > SETTLED)
      size /= 2;
    parameters.set(moved(parameters, move, size));
    at = evaluate(problem, parameters);
    if (size * Math.max(...move.map(Math.abs)) < SETTLED) break;
  }
  return unscaled(problem, parameters, inverse(at.information));
}

interface Problem {
  /** Standardised inputs of the rows that take part, end to end. */
  inputs: Float64Array;
  width: number;
  band: Uint8Array;
  /** How the thresholds follow from their parameters, of which there are `own`: 8 rows, row by row. */
  design: Float64Array;
  own: number;
  mean: Float64Array;
  deviation: Float64Array;
}

function prepared(
  { inputs, width, band }: OrderedRows,
  thresholds: Thresholds,
  counts: (row: number) => boolean,
): Problem | null {
  const taking: number[] = [];
  for (let row = 0; row < band.length; row++) if (counts(row)) taking.push(row);
  const bands = Uint8Array.from(taking, (row) => band[row]!);
  if (new Set(bands).size < 2) return null;
  const mean = new Float64Array(width);
  const deviation = new Float64Array(width);
  for (const row of taking)
    for (let n = 0; n < width; n++) mean[n]! += inputs[row * width + n]! / taking.length;
  for (const row of taking)
    for (let n = 0; n < width; n++)
      deviation[n]! += (inputs[row * width + n]! - mean[n]!) ** 2 / taking.length;
  // What never differs gets no scale: its weight comes out as 0.
  for (let n = 0; n < width; n++) deviation[n] = deviation[n]! > 1e-18 ? Math.sqrt(deviation[n]!) : 1;
  const standard = new Float64Array(taking.length * width);
  taking.forEach((row, at) => {
    for (let n = 0; n < width; n++)
      standard[at * width + n] = (inputs[row * width + n]! - mean[n]!) / deviation[n]!;
  });
  const free = thresholds === 'free';
  const own = free ? CUT_COUNT : 2;
  const design = new Float64Array(CUT_COUNT * own);
  for (let cut = 0; cut < CUT_COUNT; cut++) {
    design[cut * own + (free ? cut : 0)] = 1;
    if (!free) design[cut * own + 1] = -CUT_LEVELS[cut]!;
  }
  return { inputs: standard, width, band: bands, design, own, mean, deviation };
}

/** Thresholds as the shares of the bands alone would have them; no weight. */
function firstParameters({ band, design, own, width }: Problem): Float64Array {
  const parameters = new Float64Array(own + width);
  const shares = new Float64Array(BAND_COUNT);
  for (const one of band) shares[one]!++;
  let below = 0;
  const logits = Array.from(CUT_LEVELS, (_, cut) => {
    below += shares[cut]!;
    return Math.log((below + 0.5) / (band.length - below + 0.5));
  });
  const first = solve(new Matrix(rowsOf(design, own)), Matrix.columnVector(logits), true).to1DArray();
  parameters.set(first);
  return parameters;
}

function rowsOf(values: ArrayLike<number>, width: number): number[][] {
  return Array.from({ length: values.length / width }, (_, row) =>
    Array.from({ length: width }, (__, n) => values[row * width + n]!),
  );
}

function moved(parameters: Float64Array, move: readonly number[], size: number): Float64Array {
  return parameters.map((value, n) => value + size * move[n]!);
}

function thresholdsOf(
  { design, own }: Pick<Problem, 'design' | 'own'>,
  parameters: Float64Array,
): Float64Array {
  return Float64Array.from(CUT_LEVELS, (_, cut) => score(parameters.subarray(0, own), design, cut * own));
}

/** Chances of a row at the ends of its band. */
function ends(thresholds: Float64Array, shift: number, band: number): { up: number; low: number } {
  return {
    up: band === ABSENT_BAND ? 1 : sigmoid(thresholds[band]! + shift),
    low: band === 0 ? 0 : sigmoid(thresholds[band - 1]! + shift),
  };
}

/** Log likelihood less the ridge. */
function likelihood(problem: Problem, parameters: Float64Array): number {
  const { inputs, width, band, own } = problem;
  const thresholds = thresholdsOf(problem, parameters);
  const weights = parameters.subarray(own);
  let sum = 0;
  for (const weight of weights) sum -= (RIDGE / 2) * weight * weight;
  for (let row = 0; row < band.length; row++) {
    const { up, low } = ends(thresholds, score(weights, inputs, row * width), band[row]!);
    sum += Math.log(Math.max(up - low, LEAST));
  }
  return sum;
}

/** Log likelihood with its gradient and information, all less the ridge. */
function evaluate(
  problem: Problem,
  parameters: Float64Array,
): { likelihood: number; gradient: number[]; information: Matrix } {
  const { inputs, width, band, own, design } = problem;
  const thresholds = thresholdsOf(problem, parameters);
  const weights = parameters.subarray(own);
  const size = CUT_COUNT + width;
  // In the space of the eight thresholds and the weights; brought to the parameters at the end.
  const gradient = new Float64Array(size);
  const information = new Float64Array(size * size);
  let sum = 0;
  for (let row = 0; row < band.length; row++) {
    const from = row * width;
    const at = band[row]!;
    const { up, low } = ends(thresholds, score(weights, inputs, from), at);
    const chance = Math.max(up - low, LEAST);
    sum += Math.log(chance);
    const [slopeUp, slopeLow] = [up * (1 - up), low * (1 - low)];
    const [a, b] = [slopeUp / chance, slopeLow / chance];
    if (at < ABSENT_BAND) {
      gradient[at]! += a;
      information[at * size + at]! += a * a - a * (1 - 2 * up);
      for (let n = 0; n < width; n++) information[at * size + CUT_COUNT + n]! += slopeUp * inputs[from + n]!;
    }
    if (at > 0) {
      gradient[at - 1]! -= b;
      information[(at - 1) * size + at - 1]! += b * b + b * (1 - 2 * low);
      for (let n = 0; n < width; n++)
        information[(at - 1) * size + CUT_COUNT + n]! += slopeLow * inputs[from + n]!;
    }
    if (at > 0 && at < ABSENT_BAND) information[(at - 1) * size + at]! -= a * b;
    const pull = 1 - up - low;
    const stiff = slopeUp + slopeLow;
    for (let n = 0; n < width; n++) {
      const input = inputs[from + n]!;
      gradient[CUT_COUNT + n]! += pull * input;
      for (let m = n; m < width; m++)
        information[(CUT_COUNT + n) * size + CUT_COUNT + m]! += stiff * input * inputs[from + m]!;
    }
  }
  for (let i = 0; i < size; i++)
    for (let j = 0; j < i; j++) information[i * size + j] = information[j * size + i]!;
  const change = changeOf(design, own, width);
  const brought = change
    .transpose()
    .mmul(new Matrix(rowsOf(information, size)))
    .mmul(change);
  const pulled = change
    .transpose()
    .mmul(Matrix.columnVector(Array.from(gradient)))
    .to1DArray();
  for (let i = 0; i < own + width; i++) {
    if (i < own) brought.set(i, i, brought.get(i, i) + LEAST_INFORMATION);
    else {
      const weight = weights[i - own]!;
      brought.set(i, i, brought.get(i, i) + RIDGE);
      pulled[i]! -= RIDGE * weight;
      sum -= (RIDGE / 2) * weight * weight;
    }
  }
  return { likelihood: sum, gradient: pulled, information: brought };
}

/** From parameters to thresholds and weights, as a matrix. */
function changeOf(design: Float64Array, own: number, width: number): Matrix {
  const change = Matrix.zeros(CUT_COUNT + width, own + width);
  for (let cut = 0; cut < CUT_COUNT; cut++)
    for (let n = 0; n < own; n++) change.set(cut, n, design[cut * own + n]!);
  for (let n = 0; n < width; n++) change.set(CUT_COUNT + n, own + n, 1);
  return change;
}

/** Back to the scale of the inputs, thresholds and weights with their covariance. */
function unscaled(problem: Problem, parameters: Float64Array, covariance: Matrix): FittedLogit {
  const { own, width, mean, deviation, design } = problem;
  const back = Matrix.eye(CUT_COUNT + width);
  for (let n = 0; n < width; n++) {
    for (let cut = 0; cut < CUT_COUNT; cut++) back.set(cut, CUT_COUNT + n, -mean[n]! / deviation[n]!);
    back.set(CUT_COUNT + n, CUT_COUNT + n, 1 / deviation[n]!);
  }
  const change = back.mmul(changeOf(design, own, width));
  const values = change.mmul(Matrix.columnVector(Array.from(parameters))).to1DArray();
  return {
    thresholds: Float64Array.from(values.slice(0, CUT_COUNT)),
    weights: Float64Array.from(values.slice(CUT_COUNT)),
    covariance: Float64Array.from(change.mmul(covariance).mmul(change.transpose()).to1DArray()),
  };
}

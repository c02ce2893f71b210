import { Matrix, inverse, solve } from 'ml-matrix';
import { ABSENT_BAND } from './bands';
import { type OrderedLogit, distributionAt, score } from './orderedLogit';

/** Rows of which something changed: what a model without changes says of each, what changed, and the band it came to. */
export interface ChangedRows {
  /** Score of the standing. */
  shift: Float64Array;
  /** `width` changes a row. */
  changes: Float64Array;
  width: number;
  band: Uint8Array;
  /** Number of the keyword, by which rows are held out together. */
  keyword: Int32Array;
}

export interface FittedChanges {
  weights: Float64Array;
  /** Covariance of the weights, row by row. */
  covariance: Float64Array;
  rows: number;
  /** How strongly the prior of words holds, in rows; ∞ where too few rows changed at all. */
  strength: number;
}

/** Changed rows below which the prior alone holds; and rows of which words changed below which its strength is the stated one. */
const LEAST_CHANGED = 200;
/** How many rows’ worth of certainty the prior of words may be given, and what it has where too few tell. */
const STRENGTHS = [1, 10, 100, 1000, 10_000] as const;
const STATED_STRENGTH = 100;
/** Of changes that are no words the prior is 0, a place to begin. */
const WORDS = 3;
const FOLDS = 5;
const STEPS = 20;
const SETTLED = 1e-6;
const LEAST = 1e-12;

/**
 * What changes do (method §6a). Few are seen: their weights lean on a prior, which is what the same difference does among
 * the results of one capture, as strongly as makes held-out rows of changed words most likely.
 *
 * @param prior a weight a change, in logits; those of words come first
 */
export function fitChanges(
  rows: ChangedRows,
  thresholds: OrderedLogit['thresholds'],
  prior: Float64Array,
): FittedChanges {
  const size = rows.band.length;
  if (size < LEAST_CHANGED)
    return {
      weights: prior,
      covariance: new Float64Array(rows.width ** 2),
      rows: size,
      strength: Infinity,
    };
  const strength = strengthOf(rows, thresholds, prior);
  return { ...leaning(rows, thresholds, prior, strength, () => true), rows: size, strength };
}

/** The strength with which the prior of words foretells held-out rows best of which words changed. */
function strengthOf(rows: ChangedRows, thresholds: Float64Array, prior: Float64Array): number {
  const telling: number[] = [];
  for (let row = 0; row < rows.band.length; row++)
    for (let n = 0; n < WORDS; n++)
      if (rows.changes[row * rows.width + n] !== 0) {
        telling.push(row);
        break;
      }
  if (telling.length < LEAST_CHANGED) return STATED_STRENGTH;
  let [best, strength] = [-Infinity, STATED_STRENGTH];
  for (const one of STRENGTHS) {
    let sum = 0;
    for (let fold = 0; fold < FOLDS; fold++) {
      const { weights } = leaning(rows, thresholds, prior, one, (row) => rows.keyword[row]! % FOLDS !== fold);
      for (const row of telling)
        if (rows.keyword[row]! % FOLDS === fold) sum += logScore(rows, thresholds, weights, row);
    }
    if (sum > best) [best, strength] = [sum, one];
  }
  return strength;
}

function logScore(rows: ChangedRows, thresholds: Float64Array, weights: Float64Array, row: number): number {
  const shift = rows.shift[row]! + score(weights, rows.changes, row * rows.width);
  return Math.log(Math.max(distributionAt(thresholds, shift)[rows.band[row]!]!, LEAST));
}

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/** Newton steps of the weights alone, drawn towards the prior; a step that would lose is halved. */
function leaning(
  rows: ChangedRows,
  thresholds: Float64Array,
  prior: Float64Array,
  strength: number,
  counts: (row: number) => boolean,
): { weights: Float64Array; covariance: Float64Array } {
  const { band } = rows;
  const taking: number[] = [];
  for (let row = 0; row < band.length; row++) if (counts(row)) taking.push(row);
  // A quarter is what a row tells at the most.
  const stiffness = Float64Array.from(prior, (_, n) => (n < WORDS ? strength : 1) / 4);
  const pull: Pull = { prior, stiffness };
  let weights = Float64Array.from(prior);
  let at = evaluate(rows, thresholds, taking, weights, pull);
  for (let step = 0; step < STEPS; step++) {
    const move = solve(at.information, Matrix.columnVector(at.gradient)).to1DArray();
    let size = 1;
    for (;;) {
      const next = weights.map((weight, n) => weight + size * move[n]!);
      const there = evaluate(rows, thresholds, taking, next, pull);
      if (there.objective >= at.objective || size < SETTLED) {
        [weights, at] = [next, there];
        break;
      }
      size /= 2;
    }
    if (size * Math.max(...move.map(Math.abs)) < SETTLED) break;
  }
  return { weights, covariance: Float64Array.from(inverse(at.information).to1DArray()) };
}

interface Pull {
  prior: Float64Array;
  /** How strongly each weight is held to it. */
  stiffness: Float64Array;
}

function evaluate(
  { shift, changes, width, band }: ChangedRows,
  thresholds: Float64Array,
  taking: readonly number[],
  weights: Float64Array,
  { prior, stiffness }: Pull,
): { objective: number; gradient: Float64Array; information: Matrix } {
  const gradient = Float64Array.from(weights, (weight, n) => stiffness[n]! * (prior[n]! - weight));
  let objective = 0;
  weights.forEach((weight, n) => (objective -= (stiffness[n]! / 2) * (weight - prior[n]!) ** 2));
  const told = new Float64Array(width * width);
  for (const row of taking) {
    const from = row * width;
    const at = shift[row]! + score(weights, changes, from);
    const up = band[row] === ABSENT_BAND ? 1 : sigmoid(thresholds[band[row]!]! + at);
    const low = band[row] === 0 ? 0 : sigmoid(thresholds[band[row]! - 1]! + at);
    objective += Math.log(Math.max(up - low, LEAST));
    const stiff = up * (1 - up) + low * (1 - low);
    for (let i = 0; i < width; i++) {
      const input = changes[from + i]!;
      gradient[i]! += (1 - up - low) * input;
      for (let j = 0; j < width; j++) told[i * width + j]! += stiff * input * changes[from + j]!;
    }
  }
  const information = Matrix.diag(Array.from(stiffness)).add(Matrix.from1DArray(width, width, told));
  return { objective, gradient, information };
}

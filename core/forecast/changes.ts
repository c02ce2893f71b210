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
  /** How strongly the prior holds, of {@link STRENGTHS}; ∞ where there were too few rows to ask. */
  strength: number;
}

/** Changed rows below which the prior alone holds. */
export const LEAST_CHANGED = 200;
/** How many rows’ worth of certainty the prior may be given. */
export const STRENGTHS = [1, 10, 100, 1000, 10_000] as const;
const FOLDS = 5;
const STEPS = 20;
const SETTLED = 1e-6;
const LEAST = 1e-12;

/**
 * What changes do (method §6a). Few are seen: their weights lean on a prior, which is what the same difference does among
 * the results of one capture, as strongly as makes held-out changed rows most likely.
 *
 * @param prior a weight a change, in logits
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
  let [best, strength] = [-Infinity, STRENGTHS[0] as number];
  for (const one of STRENGTHS) {
    let sum = 0;
    for (let fold = 0; fold < FOLDS; fold++) {
      const { weights } = leaning(rows, thresholds, prior, one, (row) => rows.keyword[row]! % FOLDS !== fold);
      for (let row = 0; row < size; row++)
        if (rows.keyword[row]! % FOLDS === fold) sum += logScore(rows, thresholds, weights, row);
    }
    if (sum > best) [best, strength] = [sum, one];
  }
  return { ...leaning(rows, thresholds, prior, strength, () => true), rows: size, strength };
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
  const pull: Pull = { prior, stiffness: strength / 4 };
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
  /** A quarter, what a row tells at the most, times the rows that the prior counts for. */
  stiffness: number;
}

function evaluate(
  { shift, changes, width, band }: ChangedRows,
  thresholds: Float64Array,
  taking: readonly number[],
  weights: Float64Array,
  { prior, stiffness }: Pull,
): { objective: number; gradient: Float64Array; information: Matrix } {
  const gradient = Float64Array.from(weights, (weight, n) => stiffness * (prior[n]! - weight));
  let objective = 0;
  weights.forEach((weight, n) => (objective -= (stiffness / 2) * (weight - prior[n]!) ** 2));
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
  const information = Matrix.eye(width)
    .mul(stiffness)
    .add(Matrix.from1DArray(width, width, told));
  return { objective, gradient, information };
}

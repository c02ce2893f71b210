import { Matrix, inverse, solve } from 'ml-matrix';
import { ABSENT_BAND } from './bands';
import { type OrderedLogit, distributionAt, score } from './orderedLogit';

/** Rows of which something changed: what a model without changes says of each, what changed, and the band it came to. */
export interface ChangedRows {
  /** Score of the standing. */
  shift: Float64Array;
  /** `width` changes a row, the two of touches the last. */
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
  /** How much wider a forecast is once words have changed, 1 or more. */
  spread: number;
}

/** Changed rows below which the prior alone holds; and rows of which words changed below which its strength is the stated one. */
const LEAST_CHANGED = 200;
/** How many rows’ worth of certainty the prior of words may be given, and what it has where too few tell. */
const STRENGTHS = [1, 10, 100, 1000, 10_000] as const;
const STATED_STRENGTH = 100;
/** How much wider a forecast may be once words have changed, and how much it is where too few tell. */
const SPREADS = [1, 1.25, 1.5, 1.75, 2, 2.5, 3] as const;
export const STATED_SPREAD = 1.5;
/** Of touches the prior is 0, a place to begin. */
const TOUCHES = 2;
const FOLDS = 5;
const STEPS = 20;
const SETTLED = 1e-6;
const LEAST = 1e-12;

/**
 * What changes do (method §6a). Few are seen: their weights lean on a prior, which is what the same difference does among
 * the results of one capture, as strongly as makes held-out rows of changed words most likely; and whoever changed words is
 * less surely foretold, by how much the same rows say.
 *
 * @param prior a weight a change, in logits; those of words come first
 */
export function fitChanges(
  rows: ChangedRows,
  thresholds: OrderedLogit['thresholds'],
  prior: Float64Array,
): FittedChanges {
  const size = rows.band.length;
  const nothing = { covariance: new Float64Array(rows.width ** 2), rows: size, spread: STATED_SPREAD };
  if (size < LEAST_CHANGED) return { weights: prior, strength: Infinity, ...nothing };
  const telling = rowsOfWords(rows);
  if (telling.length < LEAST_CHANGED) {
    const fitted = leaning(rows, thresholds, prior, STATED_STRENGTH, STATED_SPREAD, () => true);
    return { ...fitted, rows: size, strength: STATED_STRENGTH, spread: STATED_SPREAD };
  }
  const score = (strength: number, spread: number): number =>
    heldOutScore(rows, thresholds, prior, strength, spread, telling);
  const strength = likeliest(STRENGTHS, (one) => score(one, STATED_SPREAD));
  const spread = likeliest(SPREADS, (one) => score(strength, one));
  return {
    ...leaning(rows, thresholds, prior, strength, spread, () => true),
    rows: size,
    strength,
    spread,
  };
}

function likeliest<T extends number>(tried: readonly T[], score: (one: T) => number): T {
  let [best, kept] = [-Infinity, tried[0]!];
  for (const one of tried) {
    const is = score(one);
    if (is > best) [best, kept] = [is, one];
  }
  return kept;
}

/** Rows of which words changed, not only the day. */
function rowsOfWords(rows: ChangedRows): number[] {
  const telling: number[] = [];
  for (let row = 0; row < rows.band.length; row++)
    if (hasWords(rows.changes, row * rows.width, rows.width)) telling.push(row);
  return telling;
}

/** Whether any change beside touches is there. @param from where the row’s changes begin */
export function hasWords(changes: ArrayLike<number>, from: number, width: number): boolean {
  for (let n = 0; n < width - TOUCHES; n++) if (changes[from + n] !== 0) return true;
  return false;
}

/** Σ ln P of what came, over rows of changed words that the fit had not seen. */
function heldOutScore(
  rows: ChangedRows,
  thresholds: Float64Array,
  prior: Float64Array,
  strength: number,
  spread: number,
  telling: readonly number[],
): number {
  let sum = 0;
  const wider = thresholds.map((threshold) => threshold / spread);
  for (let fold = 0; fold < FOLDS; fold++) {
    const isHeldOut = (row: number): boolean => rows.keyword[row]! % FOLDS === fold;
    const { weights } = leaning(rows, thresholds, prior, strength, spread, (row) => !isHeldOut(row));
    for (const row of telling) {
      if (!isHeldOut(row)) continue;
      const shift = rows.shift[row]! + score(weights, rows.changes, row * rows.width);
      sum += Math.log(Math.max(distributionAt(wider, shift / spread)[rows.band[row]!]!, LEAST));
    }
  }
  return sum;
}

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));

/** Newton steps of the weights alone, drawn towards the prior; a step that would lose is halved. */
function leaning(
  rows: ChangedRows,
  thresholds: Float64Array,
  prior: Float64Array,
  strength: number,
  spread: number,
  counts: (row: number) => boolean,
): { weights: Float64Array; covariance: Float64Array } {
  const { band } = rows;
  const taking: number[] = [];
  for (let row = 0; row < band.length; row++) if (counts(row)) taking.push(row);
  // A quarter is what a row tells at the most.
  const stiffness = Float64Array.from(
    prior,
    (_, n) => (n < prior.length - TOUCHES ? strength : 1) / 4 / spread ** 2,
  );
  const pull: Pull = { prior, stiffness };
  let weights = Float64Array.from(prior);
  let at = evaluate(rows, thresholds, taking, weights, spread, pull);
  for (let step = 0; step < STEPS; step++) {
    const move = solve(at.information, Matrix.columnVector(at.gradient)).to1DArray();
    let size = 1;
    for (;;) {
      const next = weights.map((weight, n) => weight + size * move[n]!);
      const there = evaluate(rows, thresholds, taking, next, spread, pull);
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
  spread: number,
  { prior, stiffness }: Pull,
): { objective: number; gradient: Float64Array; information: Matrix } {
  const gradient = Float64Array.from(weights, (weight, n) => stiffness[n]! * (prior[n]! - weight));
  let objective = 0;
  weights.forEach((weight, n) => (objective -= (stiffness[n]! / 2) * (weight - prior[n]!) ** 2));
  const told = new Float64Array(width * width);
  for (const row of taking) {
    const from = row * width;
    const ease = hasWords(changes, from, width) ? 1 / spread : 1;
    const at = shift[row]! + score(weights, changes, from);
    const up = band[row] === ABSENT_BAND ? 1 : sigmoid(ease * (thresholds[band[row]!]! + at));
    const low = band[row] === 0 ? 0 : sigmoid(ease * (thresholds[band[row]! - 1]! + at));
    objective += Math.log(Math.max(up - low, LEAST));
    const stiff = ease ** 2 * (up * (1 - up) + low * (1 - low));
    for (let i = 0; i < width; i++) {
      const input = changes[from + i]!;
      if (input === 0) continue;
      gradient[i]! += ease * (1 - up - low) * input;
      for (let j = 0; j < width; j++) told[i * width + j]! += stiff * input * changes[from + j]!;
    }
  }
  const information = Matrix.diag(Array.from(stiffness)).add(Matrix.from1DArray(width, width, told));
  return { objective, gradient, information };
}

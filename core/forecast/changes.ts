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

/** How much less surely a place is foretold once words have changed, by what changed: the scores are divided by it; 1 or more. */
export interface Spreads {
  /** The phrase came into the title, and nothing went. */
  phrase: number;
  /** Words came, and nothing went. */
  came: number;
  /** Words went. */
  went: number;
}

export interface FittedChanges {
  weights: Float64Array;
  /** Covariance of the weights, row by row. */
  covariance: Float64Array;
  rows: number;
  /** How strongly the prior of words holds, in rows; ∞ where too few rows changed at all. */
  strength: number;
  spread: Spreads;
}

/** Changed rows below which the prior alone holds; and rows of which words changed below which its strength is the stated one. */
const LEAST_CHANGED = 200;
/** How many rows’ worth of certainty the prior of words may be given, and what it has where too few tell. */
const STRENGTHS = [10, 100, 1000] as const;
const STATED_STRENGTH = 100;
/** Spreads that are tried, and what they are where too few rows tell. */
const SPREADS = [1, 1.25, 1.5, 2] as const;
export const STATED_SPREAD: Spreads = { phrase: 1, came: 1, went: 1 };
const LEAST_OF_A_KIND = 20;
/** Changes of words that come, and as many that go; of what is after them the prior is 0, a place to begin. */
const WORDS = 3;
const FOLDS = 5;
/** Of rows that were only touched so many are looked at while shares and strengths are tried. */
const THINNED = 20;
const STEPS = 20;
const SETTLED = 1e-6;
const LEAST = 1e-12;

/**
 * What changes do (method §6a). Few are seen: their weights lean on a prior, which is what the same difference does among
 * the results of one capture, as strongly as makes held-out rows of changed words most likely; whoever changed words is
 * less surely foretold, by how much the same rows say.
 *
 * @param prior a weight a change, in logits; those of words come first, then all others
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
      spread: STATED_SPREAD,
    };
  const kinds = kindsOf(rows);
  const telling = kinds.phrase.length + kinds.came.length + kinds.went.length;
  let [strength, spread] = [STATED_STRENGTH as number, STATED_SPREAD];
  if (telling >= LEAST_CHANGED) {
    const all = [...kinds.phrase, ...kinds.came, ...kinds.went];
    const heldOut = (own: number, spreads: Spreads, of = all): number =>
      heldOutScore(rows, thresholds, prior, own, spreads, of);
    strength = likeliest(STRENGTHS, (one) => heldOut(one, spread));
    for (const kind of ['went', 'came', 'phrase'] as const) {
      if (kinds[kind].length < LEAST_OF_A_KIND) continue;
      const own = likeliest(SPREADS, (one) => heldOut(strength, { ...spread, [kind]: one }, kinds[kind]));
      spread = { ...spread, [kind]: own };
    }
  }
  return { ...leaning(rows, thresholds, prior, strength, spread, () => true), rows: size, strength, spread };
}

function likeliest<T extends number>(tried: readonly T[], score: (one: T) => number): T {
  let [best, kept] = [-Infinity, tried[0]!];
  for (const one of tried) {
    const is = score(one);
    if (is > best) [best, kept] = [is, one];
  }
  return kept;
}

/** Which kind of change of words the changes are; `null` for none, a touch alone. */
export function kindOfChange(changes: ArrayLike<number>, from = 0): keyof Spreads | null {
  for (let n = WORDS; n < 2 * WORDS; n++) if (changes[from + n]! < 0) return 'went';
  if (changes[from]! > 0) return 'phrase';
  for (let n = 1; n < WORDS; n++) if (changes[from + n]! > 0) return 'came';
  return null;
}

function kindsOf(rows: ChangedRows): Record<keyof Spreads, number[]> {
  const kinds: Record<keyof Spreads, number[]> = { phrase: [], came: [], went: [] };
  for (let row = 0; row < rows.band.length; row++) {
    const kind = kindOfChange(rows.changes, row * rows.width);
    if (kind !== null) kinds[kind].push(row);
  }
  return kinds;
}

/** The spread of a forecast with these changes: 1 where no words are among them. */
export function spreadOf(spread: Spreads, changes: ArrayLike<number>, from = 0): number {
  const kind = kindOfChange(changes, from);
  return kind === null ? 1 : spread[kind];
}

/** Σ ln P of what came, over rows that the fit had not seen. */
function heldOutScore(
  rows: ChangedRows,
  thresholds: Float64Array,
  prior: Float64Array,
  strength: number,
  spread: Spreads,
  telling: readonly number[],
): number {
  let sum = 0;
  const widened = new Map(
    [1, ...Object.values(spread)].map((wider) => [wider, thresholds.map((threshold) => threshold / wider)]),
  );
  for (let fold = 0; fold < FOLDS; fold++) {
    const isHeldOut = (row: number): boolean => rows.keyword[row]! % FOLDS === fold;
    const { weights } = leaning(
      rows,
      thresholds,
      prior,
      strength,
      spread,
      (row) =>
        !isHeldOut(row) && (row % THINNED === 0 || kindOfChange(rows.changes, row * rows.width) !== null),
    );
    for (const row of telling) {
      if (!isHeldOut(row)) continue;
      const from = row * rows.width;
      const wider = spreadOf(spread, rows.changes, from);
      const at = (rows.shift[row]! + score(weights, rows.changes, from)) / wider;
      const told = distributionAt(widened.get(wider)!, at);
      sum += Math.log(Math.max(told[rows.band[row]!]!, LEAST));
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
  spread: Spreads,
  counts: (row: number) => boolean,
): { weights: Float64Array; covariance: Float64Array } {
  const taking: { row: number; ease: number }[] = [];
  for (let row = 0; row < rows.band.length; row++)
    if (counts(row)) taking.push({ row, ease: 1 / spreadOf(spread, rows.changes, row * rows.width) });
  // A quarter is what a row tells at the most.
  const stiffness = Float64Array.from(prior, (_, n) => (n < 2 * WORDS ? strength : 1) / 4);
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

/** The penalised log likelihood with its gradient, and what the rows tell of the weights. */
function evaluate(
  { shift, changes, width, band }: ChangedRows,
  thresholds: Float64Array,
  taking: readonly { row: number; ease: number }[],
  weights: Float64Array,
  { prior, stiffness }: Pull,
): { objective: number; gradient: Float64Array; information: Matrix } {
  const gradient = Float64Array.from(weights, (weight, n) => stiffness[n]! * (prior[n]! - weight));
  let objective = 0;
  weights.forEach((weight, n) => (objective -= (stiffness[n]! / 2) * (weight - prior[n]!) ** 2));
  const told = new Float64Array(width * width);
  for (const { row, ease } of taking) {
    const from = row * width;
    const at = shift[row]! + score(weights, changes, from);
    const up = band[row] === ABSENT_BAND ? 1 : sigmoid(ease * (thresholds[band[row]!]! + at));
    const low = band[row] === 0 ? 0 : sigmoid(ease * (thresholds[band[row]! - 1]! + at));
    objective += Math.log(Math.max(up - low, LEAST));
    const stiff = ease ** 2 * (up * (1 - up) + low * (1 - low));
    const slope = ease * (1 - up - low);
    for (let i = 0; i < width; i++) {
      const input = changes[from + i]!;
      if (input === 0) continue;
      gradient[i]! += slope * input;
      for (let j = 0; j < width; j++) told[i * width + j]! += stiff * input * changes[from + j]!;
    }
  }
  const information = Matrix.diag(Array.from(stiffness)).add(Matrix.from1DArray(width, width, told));
  return { objective, gradient, information };
}

import { type ChanceQuality, qualityOf } from '../gap/fitChance';
import { BAND_COUNT, bandOf, within } from './bands';
import { type FittedChanges, fitChanges } from './changes';
import {
  CHANGE_COUNT,
  CHANGE_INPUTS,
  FEATURE_COUNT,
  PHRASE,
  type ForecastModel,
  STANDING_INPUTS,
  changeInputs,
  standingInputs,
} from './forecast';
import { ABSENT_LEVEL, level } from './level';
import { fitLevels } from './levels';
import { isRanked } from '../ranking/position';
import {
  type FittedLogit,
  type OrderedLogit,
  type Thresholds,
  CUT_LEVELS,
  distributionAt,
  fitOrderedLogit,
  score,
} from './orderedLogit';

/** Result pages of one keyword captured about a horizon apart, a result of the first a row. */
export interface PairRows {
  /** Column values: where it stood, and where it stood later; never unknown. */
  before: Uint8Array;
  after: Uint8Array;
  /** How many results of the same site the first page held, for the best of them; 0 for the others. */
  held: Uint8Array;
  /** Where the best of the same site stood later. */
  siteAfter: Uint8Array;
  /** Seven features a row at the first capture, in the order of CHANCE_FEATURES. */
  features: Float64Array;
  /** `CHANGE_COUNT` figures a row, a change each. */
  changes: Float64Array;
  /** Number of the keyword of each row, from 0: keywords are held out whole. */
  keyword: Int32Array;
}

export interface ForecastRows {
  pairs: PairRows;
  /** How many captures the pairs are from. */
  captures: number;
}

/** How well held-out keywords were foretold. */
export interface ForecastQuality {
  /** Mean of ln P(band that came), at most 0: nearer to 0 is better. */
  logScore: number;
  /** P(within F) against whether it was. */
  front: ChanceQuality;
}

export interface FittedForecast extends Omit<ForecastModel, 'entry'> {
  standing: FittedLogit;
  /** Which way of placing the thresholds foretold held-out keywords better. */
  thresholds: Thresholds;
  changesFit: FittedChanges;
  rows: number;
  captures: number;
  quality: ForecastQuality;
  others: { otherThresholds: number; stays: number; shares: number };
}

/** Captures that must be paired before a model is fitted; below, the stated defaults hold (method §6a). */
export const LEAST_PAIRED = 200;
/** Results of which nothing changed that are learnt from. */
const MOST_CALM = 100_000;
const FOLDS = 5;
const LEAST = 1e-12;

/**
 * Fits the forecast (method §6a). Two ways of placing the thresholds are tried on four fifths of the keywords; the one
 * that foretells the last fifth better is fitted to all.
 *
 * @param front F, at which the quality is told
 * @returns `null` for fewer than {@link LEAST_PAIRED} captures, or where nothing ever moves
 */
export function fitForecast({ pairs, captures }: ForecastRows, front: number): FittedForecast | null {
  if (captures < LEAST_PAIRED) return null;
  const size = pairs.before.length;
  const inputs = new Float64Array(size * STANDING_INPUTS);
  const band = new Uint8Array(size);
  const changed = new Uint8Array(size);
  for (let row = 0; row < size; row++) {
    const features = pairs.features.subarray(row * FEATURE_COUNT, (row + 1) * FEATURE_COUNT);
    const held = pairs.held[row]!;
    inputs.set(standingInputs(pairs.before[row]!, Array.from(features), held), row * STANDING_INPUTS);
    band[row] = bandOfColumn(pairs.siteAfter[row]!);
    for (let n = 0; n < CHANGE_COUNT; n++) if (pairs.changes[row * CHANGE_COUNT + n] !== 0) changed[row] = 1;
  }
  const standingRows = { inputs, width: STANDING_INPUTS, band };
  // Our place is that of the best of ours: so are those that it is learnt from. What a change does is the page’s own.
  const isCalm = (row: number): boolean => changed[row] === 0 && pairs.held[row]! > 0;
  let end = 0;
  for (let calm = 0; end < size && calm < MOST_CALM; end++) if (isCalm(end)) calm++;
  const unchanged = (row: number): boolean => row < end && isCalm(row);
  const learnt = (row: number): boolean => unchanged(row) && pairs.keyword[row]! % FOLDS !== 0;
  const heldOut = (row: number): boolean => unchanged(row) && pairs.keyword[row]! % FOLDS === 0;
  const tried: { thresholds: Thresholds; logScore: number; fit: FittedLogit }[] = [];
  for (const thresholds of ['free', 'on levels'] as const) {
    const fit = fitOrderedLogit(standingRows, thresholds, learnt);
    if (fit === null) return null;
    tried.push({ thresholds, fit, logScore: meanLog(standingRows, fit, heldOut) });
  }
  tried.sort((a, b) => b.logScore - a.logScore);
  const [kept, other] = [tried[0]!, tried[1]!];
  const standing = fitOrderedLogit(standingRows, kept.thresholds, unchanged)!;
  const changesFit = fitChanges(
    changedRows(pairs, changed, standing),
    standing.thresholds,
    priorOfChanges(pairs, standing),
  );
  return {
    standing,
    thresholds: kept.thresholds,
    changes: changesFit.weights,
    spread: changesFit.spread,
    changesFit,
    rows: size,
    captures,
    quality: {
      logScore: kept.logScore,
      front: frontQuality(standingRows, pairs.siteAfter, kept.fit, heldOut, front),
    },
    others: {
      otherThresholds: other.logScore,
      ...plainScores(pairs.before, band, learnt, heldOut),
    },
  };
}

/** Band of every column value. */
const BANDS_OF = Uint8Array.from({ length: 256 }, (_, position) => bandOf(position));
const bandOfColumn = (position: number): number => BANDS_OF[position]!;

/**
 * What a change is worth before any was seen: what the same difference does on one day, in logits. The slope from levels to
 * logits is that of the thresholds.
 */
function priorOfChanges({ before, features }: PairRows, { thresholds }: OrderedLogit): Float64Array {
  const onOneDay = fitLevels({
    features,
    width: FEATURE_COUNT,
    level: Float64Array.from(before, (position) => (isRanked(position) ? level(position) : ABSENT_LEVEL)),
  });
  const slope = slopeOf(thresholds);
  // The features of the words stand at 1 to 3. Whether a touch alone does anything only changes can say.
  const ofWords = [1, 2, 3].map((feature) => onOneDay[feature]! * slope);
  return Float64Array.from([...ofWords, ...ofWords, 0, 0, 0, 0, 0]);
}

/** Logits for one unit of level: thresholds against the levels of the cuts, by least squares. */
function slopeOf(thresholds: Float64Array): number {
  const meanCut = CUT_LEVELS.reduce((sum, cut) => sum + cut, 0) / CUT_LEVELS.length;
  let [products, squares] = [0, 0];
  CUT_LEVELS.forEach((cut, n) => {
    products += (cut - meanCut) * thresholds[n]!;
    squares += (cut - meanCut) ** 2;
  });
  return Math.max(0, -products / squares);
}

function changedRows(
  pairs: PairRows,
  changed: Uint8Array,
  standing: OrderedLogit,
): Parameters<typeof fitChanges>[0] {
  const taking: number[] = [];
  changed.forEach((one, row) => {
    if (one === 1) taking.push(row);
  });
  const changes = new Float64Array(taking.length * CHANGE_INPUTS);
  taking.forEach((row, n) => {
    const change = pairs.changes.subarray(row * CHANGE_COUNT, (row + 1) * CHANGE_COUNT);
    changes.set(
      changeInputs(change, pairs.before[row]!, pairs.features[row * FEATURE_COUNT + PHRASE]!),
      n * CHANGE_INPUTS,
    );
  });
  return {
    shift: Float64Array.from(taking, (row) => {
      const features = pairs.features.subarray(row * FEATURE_COUNT, (row + 1) * FEATURE_COUNT);
      return score(standing.weights, standingInputs(pairs.before[row]!, Array.from(features)));
    }),
    changes,
    width: CHANGE_INPUTS,
    band: Uint8Array.from(taking, (row) => bandOfColumn(pairs.after[row]!)),
    keyword: Int32Array.from(taking, (row) => pairs.keyword[row]!),
  };
}

interface StandingRows {
  inputs: Float64Array;
  band: Uint8Array;
}

function meanLog(
  { inputs, band }: StandingRows,
  fit: OrderedLogit,
  counts: (row: number) => boolean,
): number {
  let [sum, size] = [0, 0];
  for (let row = 0; row < band.length; row++) {
    if (!counts(row)) continue;
    const distribution = distributionAt(fit.thresholds, score(fit.weights, inputs, row * STANDING_INPUTS));
    sum += Math.log(Math.max(distribution[band[row]!]!, LEAST));
    size++;
  }
  return sum / Math.max(1, size);
}

function frontQuality(
  { inputs }: StandingRows,
  after: Uint8Array,
  fit: OrderedLogit,
  counts: (row: number) => boolean,
  front: number,
): ChanceQuality {
  const foretold: number[] = [];
  const inside: number[] = [];
  for (let row = 0; row < after.length; row++) {
    if (!counts(row)) continue;
    const distribution = distributionAt(fit.thresholds, score(fit.weights, inputs, row * STANDING_INPUTS));
    foretold.push(within(distribution, front));
    inside.push(after[row]! <= front ? 1 : 0);
  }
  return qualityOf(Float64Array.from(foretold), inside);
}

/** Log scores of two plain ways: “it stays in its band”, as often as rows do, and the shares of the bands whatever stood. */
function plainScores(
  before: Uint8Array,
  band: Uint8Array,
  learnt: (row: number) => boolean,
  heldOut: (row: number) => boolean,
): { stays: number; shares: number } {
  const shares = new Float64Array(BAND_COUNT).fill(1);
  let [stayed, size] = [1, 2];
  for (let row = 0; row < band.length; row++)
    if (learnt(row)) {
      shares[band[row]!]!++;
      size++;
      if (bandOfColumn(before[row]!) === band[row]) stayed++;
    }
  const total = shares.reduce((sum, share) => sum + share, 0);
  let [stays, alone, rows] = [0, 0, 0];
  for (let row = 0; row < band.length; row++) {
    if (!heldOut(row)) continue;
    const [was, is] = [bandOfColumn(before[row]!), band[row]!];
    const elsewhere = total - shares[was]!;
    stays += Math.log(was === is ? stayed / size : (1 - stayed / size) * (shares[is]! / elsewhere));
    alone += Math.log(shares[is]! / total);
    rows++;
  }
  return { stays: stays / Math.max(1, rows), shares: alone / Math.max(1, rows) };
}

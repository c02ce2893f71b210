import { CHANCE_FEATURES } from '../gap/chance';
import { ABSENT, isRanked } from '../ranking/position';
import { type ScoredChange, distributionAfter } from './afterChange';
import type { Distribution } from './bands';
import { STATED_SPREAD, type Spreads, spreadOf } from './changes';
import { ABSENT_LEVEL, level } from './level';
import { type OrderedLogit, CUT_LEVELS, distributionAt, score } from './orderedLogit';

/** What is told of a target between two captures ({@link Change}). */
export const CHANGE_COUNT = 5;
/**
 * What counts of changes, in the order of every vector of their weights: what comes and what goes each by itself, for who
 * loses a word may no longer be found at all.
 */
export const CHANGES = [
  'phrase into title',
  'words into title',
  'words into other fields',
  'phrase out of title',
  'words out of title',
  'words out of other fields',
  'touched',
  'touched lately',
  'words in, by how far down it stood',
  'words out, by how far down it stood',
  'phrase into title where most have it',
] as const;
export const CHANGE_INPUTS = CHANGES.length;
/** Where the phrase stands among the features. */
export const PHRASE = 1;
export const FEATURE_COUNT = CHANCE_FEATURES.length;
/** Beyond these levels a place counts more or less than below: the ends of the front and of the second page. */
const FRONT_LEVEL = level(10.5);
const BENDS = [level(20.5), FRONT_LEVEL, level(3.5)];
/** Level, how far it lies beyond each bend, whether it is absent, what stands behind it, and the seven features of §6. */
export const STANDING_INPUTS = 3 + BENDS.length + FEATURE_COUNT;

/** Where a target will stand after a horizon, given where it stands and what is done (method §6a). */
export interface ForecastModel {
  /** From where it stands now ({@link standingInputs}). */
  standing: OrderedLogit;
  /** What each change adds to the score, in the order of {@link CHANGES}. */
  changes: Float64Array;
  spread: Spreads;
  /** Of a target that is not there yet, from its features alone. */
  entry: OrderedLogit;
}

/**
 * A change of the fields a forecast knows of: differences of phrase (0/1) and of shares of words, whether touched (0/1), and
 * how lately: (1 − days since ÷ days of the whole)², so that what is done now counts 0 when the horizon has come.
 */
export type Change = readonly [
  phrase: number,
  inTitle: number,
  inFields: number,
  touched: number,
  lately: number,
];
export const NO_CHANGE: Change = [0, 0, 0, 0, 0];

/**
 * Changes as they count, in the order of {@link CHANGES}: what comes above 0, what goes below. Then how far
 * below the end of the front a page stood that words came to or went from: who stands low has more to win. The last:
 * what most results have already lifts nobody above them.
 *
 * @param position where it stood, a column value
 * @param phraseGap its feature *phrase in title* before, relative to the capture: −1 where most have it and it has not
 */
export function changeInputs(
  change: Change | ArrayLike<number>,
  position: number,
  phraseGap: number,
): number[] {
  const [phrase, inTitle, inFields] = [change[0]!, change[1]!, change[2]!];
  const came = [phrase, inTitle, inFields].map((part) => Math.max(0, part));
  const went = [phrase, inTitle, inFields].map((part) => Math.min(0, part));
  const depth = FRONT_LEVEL - (isRanked(position) && position <= 100 ? level(position) : ABSENT_LEVEL);
  return [
    ...came,
    ...went,
    change[3]!,
    change[4]!,
    Math.max(...came) * depth,
    Math.min(...went) * depth,
    came[0]! * Math.max(0, -phraseGap),
  ];
}

/**
 * Inputs of a standing.
 *
 * @param position a column value, not unknown
 * @param held how many results of the same site the page holds, this one among them
 */
export function standingInputs(position: number, features: readonly number[], held = 1): number[] {
  const absent = !isRanked(position) || position > 100;
  const now = absent ? ABSENT_LEVEL : level(position);
  return [
    now,
    ...BENDS.map((bend) => Math.max(0, now - bend)),
    absent ? 1 : 0,
    Math.log(Math.max(1, held)),
    ...features,
  ];
}

/**
 * Where a target will stand that stands somewhere now, or is absent though it could.
 *
 * @param position a column value; unknown throws a RangeError
 * @param features relative to the capture’s medians, in the order of CHANCE_FEATURES, before any change
 */
export function forecastStanding(
  model: ForecastModel,
  position: number,
  features: readonly number[],
  change: Change = NO_CHANGE,
  held = 1,
): Distribution {
  if (!isRanked(position) && position !== ABSENT)
    throw new RangeError('Nothing is foretold from an unknown position.');
  const { thresholds, weights } = model.standing;
  const shift = score(weights, standingInputs(position, features, held));
  if (change === NO_CHANGE) return distributionAt(thresholds, shift);
  return distributionAfter(thresholds, scoredChange(model, shift, change, position, features[PHRASE]!));
}

/** The scores of a change. @param shift score of the target as it stands */
export function scoredChange(
  { changes, spread }: Pick<ForecastModel, 'changes' | 'spread'>,
  shift: number,
  change: Change,
  position: number,
  phraseGap: number,
): ScoredChange {
  const inputs = changeInputs(change, position, phraseGap);
  return {
    before: shift,
    after: shift + score(changes, inputs),
    spread: spreadOf(spread, inputs),
    isBetter: change.every((part) => part >= 0),
  };
}

/** Where a target will stand that is not written yet. @param features as it is planned to be */
export function forecastEntry(model: ForecastModel, features: readonly number[]): Distribution {
  return distributionAt(model.entry.thresholds, score(model.entry.weights, features));
}

/** Logits for one unit of level, by the stated defaults. */
const DEFAULT_SLOPE = 1.7;
/** How much of a level is still there after a horizon, by the stated defaults. */
const DEFAULT_PERSISTENCE = 0.9;
/** Level of a target that holds a keyword’s words and has the features of the middle, by the stated defaults. */
const DEFAULT_ENTRY_LEVEL = -2.2;

/**
 * The model until there is enough to fit one (method §6a): standing carries over with the stated persistence, features and
 * changes count as the weights of chance say, and a new target comes in at the stated level.
 *
 * @param weights of chance, in logits, in the order of CHANCE_FEATURES
 */
export function defaultForecast(weights: readonly number[]): ForecastModel {
  const thresholds = CUT_LEVELS.map((cut) => -DEFAULT_SLOPE * cut);
  return {
    standing: {
      thresholds,
      weights: Float64Array.from([
        DEFAULT_SLOPE * DEFAULT_PERSISTENCE,
        ...BENDS.map(() => 0),
        0,
        0,
        ...weights.map((weight) => weight * (1 - DEFAULT_PERSISTENCE)),
      ]),
    },
    changes: Float64Array.from([...weights.slice(1, 4), ...weights.slice(1, 4), 0, 0, 0, 0, 0]),
    spread: STATED_SPREAD,
    entry: {
      thresholds: thresholds.map((threshold) => threshold + DEFAULT_SLOPE * DEFAULT_ENTRY_LEVEL),
      weights: Float64Array.from(weights),
    },
  };
}

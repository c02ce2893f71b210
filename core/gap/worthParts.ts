import { standardDeviation } from 'simple-statistics';
import { rangeSigma } from '../demand/volumeRange';
import type { ClickCurve } from '../ranking/clickThrough';
import { VOLUME_SIGMA, type WorthParts } from './spreadOfWorth';

/** What the parts of one keyword's expected worth are worked out from; NaN where a figure is unknown. */
export interface WorthMade {
  expectedVolume: number;
  /** From … to, where the source gave a range of the volume. */
  volumeRange: { low: number; high: number } | null;
  featureFactor: number;
  curve: ClickCurve;
  /** Column values: the position aimed at, and ours. */
  aim: number;
  own: number;
  /** After the action, and its standard error on the logit. */
  chance: number;
  chanceError: number;
  /** Mean of the known chances of the comparison, and how they differ on the logit: they stand in for an unknown one. */
  meanChance: number;
  chanceSpread: number;
  worth: number;
  worthSigma: number;
  fit: number;
  effort: number;
}

/**
 * The parts that spread an expected worth (method §8), each with how sure it is. A volume given as a range says itself how
 * unsure it is; a chance that is the market's mean is as unsure as known chances there differ.
 */
export function worthParts(made: WorthMade): WorthParts {
  const assumed = Number.isNaN(made.chance);
  const chance = assumed ? made.meanChance : made.chance;
  return {
    demand: made.expectedVolume,
    demandSigma: made.volumeRange === null ? VOLUME_SIGMA : rangeSigma(made.volumeRange),
    clickShare: made.featureFactor * Math.max(0, made.curve[made.aim]! - made.curve[made.own]!),
    logit: logitOf(chance),
    logitError: assumed ? made.chanceSpread : made.chanceError || 0,
    worth: made.worth,
    worthSigma: made.worthSigma,
    fit: made.fit,
    effort: made.effort,
  };
}

/** Standard deviation of known chances on the logit; 0 for fewer than two. */
export function chanceSpread(chances: Iterable<number>): number {
  const logits = Array.from(chances)
    .filter((chance) => chance > 0 && chance < 1)
    .map(logitOf);
  return logits.length < 2 ? 0 : standardDeviation(logits);
}

function logitOf(chance: number): number {
  return Math.log(chance / (1 - chance));
}

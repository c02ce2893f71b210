import { rangeSigma } from '../demand/volumeRange';
import { VOLUME_SIGMA, type WorthParts } from './spreadOfWorth';

/** What the parts of one action's value are worked out from. */
export interface WorthMade {
  /** From … to, where the source gave a range of the volume. */
  volumeRange: { low: number; high: number } | null;
  /** Clicks added and the value, a month. */
  clicks: number;
  value: number;
  /** Standard error of the clicks; NaN where no capture tells of the page. */
  clicksError: number;
  worth: number;
  worthSigma: number;
  fit: number;
  effort: number;
}

/** How unsure added clicks are that rest on a position alone, as a share of them (method §8). */
export const ASSUMED_ERROR = 0.5;

/**
 * The parts that spread the value of an action (method §8), each with how sure it is. A volume given as a range says itself
 * how unsure it is; what rests on a position alone, without a capture, counts as half unsure.
 */
export function worthParts(made: WorthMade): WorthParts {
  const { clicks, clicksError, worth, fit } = made;
  return {
    clicks,
    clicksError: Number.isNaN(clicksError) ? ASSUMED_ERROR * Math.abs(clicks) : clicksError,
    cost: clicks * worth * fit - made.value,
    demandSigma: made.volumeRange === null ? VOLUME_SIGMA : rangeSigma(made.volumeRange),
    worth,
    worthSigma: made.worthSigma,
    fit,
    effort: made.effort,
  };
}

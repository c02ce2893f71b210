import { type Surface, ofEachSurface } from '../text/surfaces';
import { isRanked } from './position';

/** c1 and b of the prior (method §3). */
export interface CurvePrior {
  first: number;
  decay: number;
}

export const PRIORS: Readonly<Record<Surface, CurvePrior>> = ofEachSurface('prior');
const PAGE_SIZE = 10;

/** c(p) by position: `curve[p]` = share of searches that click position p; `curve[0]` is 0 and unused. */
export type ClickCurve = Float64Array;

/**
 * Prior click-through at a position (method §3): `c1 · p^(−b) · 0.5^⌊(p−1)/10⌋`.
 * @param position column value; absent and unknown give 0 (an unknown must be handled before).
 */
export function priorClickThrough(
  surface: Surface,
  position: number,
  { first, decay }: CurvePrior = PRIORS[surface],
): number {
  if (!isRanked(position)) return 0;
  return first * position ** -decay * 0.5 ** Math.floor((position - 1) / PAGE_SIZE);
}

/** The prior as a curve over every column value, 0 for absent and unknown. */
export function priorCurve(surface: Surface, prior: CurvePrior = PRIORS[surface]): ClickCurve {
  return Float64Array.from({ length: 256 }, (_, position) => priorClickThrough(surface, position, prior));
}

/**
 * Click-through of a paid slot (method §3): `0.08 · p^(−0.7)`.
 *
 * @example paidClickThrough(1) // 0.08
 */
export function paidClickThrough(position: number): number {
  return isRanked(position) ? 0.08 * position ** -0.7 : 0;
}

/** What a capture shows above its first organic slot. */
export interface AboveOrganic {
  answerBox: boolean;
  imageBlock: boolean;
  videoBlock: boolean;
  paidSlots: number;
}

/**
 * Feature factor (method §3): answer box 0.85, image block 0.95, video block 0.95, each paid slot 0.95
 * but the paid slots together not below 0.80. 1 for a bare page.
 * @example featureFactor({ answerBox: true, imageBlock: false, videoBlock: false, paidSlots: 1 }) // 0.807
 */
export function featureFactor(above: AboveOrganic): number {
  return (
    (above.answerBox ? 0.85 : 1) *
    (above.imageBlock ? 0.95 : 1) *
    (above.videoBlock ? 0.95 : 1) *
    Math.max(0.8, 0.95 ** above.paidSlots)
  );
}

/**
 * Estimated clicks a month of a target for a keyword (method §3). Volume in searches a month.
 *
 * @example estimatedClicks(1000, 1, 1, priorCurve('web')) // 300
 */
export function estimatedClicks(volume: number, position: number, factor: number, curve: ClickCurve): number {
  return volume * curve[position]! * factor;
}

/**
 * Share of searches that click something on a bare front (method §3): Σ c(p) over its positions, 0–1.
 *
 * @example clicksOfFront(priorCurve('web'), 3) // 0.55
 */
export function clicksOfFront(curve: ClickCurve, front: number): number {
  let share = 0;
  for (let position = 1; position <= front; position++) share += curve[position]!;
  return Math.min(1, share);
}

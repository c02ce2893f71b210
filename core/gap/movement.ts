import { ABSENT, UNKNOWN, isRanked } from '../ranking/position';

/** Movement marks of method §5, *none* first; stored in columns as the index here. */
export const MOVEMENT_MARKS = ['none', 'gained', 'lost', 'climbing', 'slipping'] as const;
export type MovementMark = (typeof MOVEMENT_MARKS)[number];

/** From how many places on a movement is marked (method §5). */
export interface MovementLimits {
  climbing: number;
  slipping: number;
  /** Where the side leaves the front by it. */
  slippingOff: number;
}
export const MOVEMENT_LIMITS: MovementLimits = { climbing: 3, slipping: 5, slippingOff: 3 };

/**
 * Δ = p(before) − p(now), positive is up (method §5).
 * @returns `null` unless both are positions.
 * @example moved(15, 5) // 10
 */
export function moved(before: number, now: number): number | null {
  return isRanked(before) && isRanked(now) ? before - now : null;
}

/** The movement mark as an index into {@link MOVEMENT_MARKS}. Never computed from an unknown. */
export function movementMark(
  before: number,
  now: number,
  front: number,
  limits: MovementLimits = MOVEMENT_LIMITS,
): number {
  if (before === UNKNOWN || now === UNKNOWN) return 0;
  if (before === ABSENT) return now === ABSENT ? 0 : 1;
  if (now === ABSENT) return 2;
  const delta = before - now;
  if (delta >= limits.climbing) return 3;
  if (delta <= -limits.slipping) return 4;
  if (delta <= -limits.slippingOff && before <= front && now > front) return 4;
  return 0;
}

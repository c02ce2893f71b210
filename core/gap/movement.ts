import { ABSENT, UNKNOWN, isRanked } from '../ranking/position';

/** Movement marks of method §5, *none* first; stored in columns as the index here. */
export const MOVEMENT_MARKS = ['none', 'gained', 'lost', 'climbing', 'slipping'] as const;
export type MovementMark = (typeof MOVEMENT_MARKS)[number];

/**
 * Δ = p(before) − p(now), positive is up (method §5).
 * @returns `null` unless both are positions.
 */
export function moved(before: number, now: number): number | null {
  return isRanked(before) && isRanked(now) ? before - now : null;
}

/** The movement mark as an index into {@link MOVEMENT_MARKS}. Never computed from an unknown. */
export function movementMark(before: number, now: number, front: number): number {
  if (before === UNKNOWN || now === UNKNOWN) return 0;
  if (before === ABSENT) return now === ABSENT ? 0 : 1;
  if (now === ABSENT) return 2;
  const delta = before - now;
  if (delta >= 3) return 3;
  if (delta <= -5 || (delta <= -3 && before <= front && now > front)) return 4;
  return 0;
}

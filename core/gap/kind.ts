import { ABSENT, UNKNOWN, isRanked } from '../ranking/position';

/** Gap kinds in the order of method §5; a kind is stored in columns as its index here. */
export const GAP_KINDS = ['unknown', 'open', 'absent', 'buried', 'trailing', 'leading', 'alone'] as const;
export type GapKind = (typeof GAP_KINDS)[number];

/** What a kind asks about the rivals of one keyword. */
export interface RivalStanding {
  /** Best known position of any rival: a position, ABSENT when looked and none found, UNKNOWN when never looked. */
  best: number;
  /** Spread: how many rivals stand within the front. */
  spread: number;
}

/**
 * The one gap kind of a keyword (method §5), as an index into {@link GAP_KINDS}. First rule that holds.
 *
 * @param own our best position as a column value
 * @param rivalBest best rival position as a column value; UNKNOWN when every rival is unknown
 * @param front F, at least 1
 * @example GAP_KINDS[gapKind(14, 3, 10)] // 'buried'
 */
export function gapKind(own: number, rivalBest: number, front: number): number {
  if (own === UNKNOWN || rivalBest === UNKNOWN) return 0;
  if (own > front && rivalBest > front) return 1;
  if (own === ABSENT) return 2;
  if (own > front) return 3;
  if (rivalBest < own) return 4;
  return rivalBest === ABSENT ? 6 : 5;
}

/** The mark *near*: buried at 11–20 (method §5). */
export function isNear(kind: number, own: number): boolean {
  return GAP_KINDS[kind] === 'buried' && own >= 11 && own <= 20;
}

/** Best position and spread of the rivals of one keyword. An unknown rival is left out, never counted absent. */
export function rivalStanding(positions: ArrayLike<number>, front: number): RivalStanding {
  let best = UNKNOWN;
  let spread = 0;
  for (let i = 0; i < positions.length; i++) {
    const position = positions[i]!;
    if (position === UNKNOWN) continue;
    if (best === UNKNOWN || position < best) best = position;
    if (isRanked(position) && position <= front) spread++;
  }
  return { best, spread };
}

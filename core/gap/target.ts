import { isRanked } from '../ranking/position';
import { median } from '../ranking/statistics';
import { GAP_KINDS } from './kind';

const OPEN_TARGET = 5;

/**
 * p*: the position to aim at (method §8). Absent and buried: median rival position within F, rounded half up,
 * at least 1; trailing: the best rival's; open: 5; leading and alone: our own.
 * @returns 0 for unknown
 */
export function targetPosition(
  kind: number,
  own: number,
  rivals: ArrayLike<number>,
  rivalBest: number,
  front: number,
): number {
  switch (GAP_KINDS[kind]) {
    case 'absent':
    case 'buried': {
      const within: number[] = [];
      for (let i = 0; i < rivals.length; i++) {
        if (isRanked(rivals[i]!) && rivals[i]! <= front) within.push(rivals[i]!);
      }
      return Math.max(1, Math.round(median(within)!));
    }
    case 'trailing':
      return rivalBest;
    case 'open':
      return OPEN_TARGET;
    case 'leading':
    case 'alone':
      return own;
    default:
      return 0;
  }
}

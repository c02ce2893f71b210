import { UNKNOWN, isRanked } from '../ranking/position';

/** Somebody came onto the front, or left it, and stayed so. */
export interface FrontMove {
  move: 'came' | 'left';
  /** Place among the days at which it began. */
  at: number;
}

/** At least so many captures before it must agree that it was otherwise. */
const LEAST_BEFORE = 3;

/**
 * When a side came onto the front or left it (method §16): the captures before agree, and so do those after, so many in a row. One
 * odd capture is a wobble and nothing.
 *
 * @param positions by day, as stored; days without a capture are passed over
 * @param front deepest position that counts
 * @param lasting captures in a row that make it count, at least 1
 */
export function frontMoves(positions: readonly number[], front: number, lasting: number): FrontMove[] {
  const known = positions.flatMap((position, at) =>
    position === UNKNOWN ? [] : [{ at, on: isRanked(position) && position <= front }],
  );
  const moves: FrontMove[] = [];
  const earlier = Math.max(LEAST_BEFORE, lasting);
  for (let n = earlier; n + lasting <= known.length; n++) {
    const { on, at } = known[n]!;
    const before = known.slice(n - earlier, n);
    const after = known.slice(n, n + lasting);
    if (before.every((one) => one.on !== on) && after.every((one) => one.on === on))
      moves.push({ move: on ? 'came' : 'left', at });
  }
  return moves;
}

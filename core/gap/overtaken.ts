import { ABSENT, UNKNOWN, isRanked } from '../ranking/position';

/**
 * Who stands before us now and did not at the earlier date: places were lost to them. Column values (see {@link ABSENT},
 * {@link UNKNOWN}); of whom one of the two dates is unknown nothing is said, nor where ours is unknown at one of them.
 *
 * @param own ours now and before
 * @param rivals theirs now and before, in the same order
 * @returns indices of rivals, the best placed first
 */
export function overtakenBy(
  own: { now: number; before: number },
  rivals: readonly { now: number; before: number }[],
): number[] {
  if (own.now === UNKNOWN || own.before === UNKNOWN) return [];
  return rivals
    .flatMap(({ now, before }, rival) =>
      isRanked(now) && before !== UNKNOWN && isAhead(now, own.now) && !isAhead(before, own.before)
        ? [{ rival, now }]
        : [],
    )
    .sort((a, b) => a.now - b.now || a.rival - b.rival)
    .map(({ rival }) => rival);
}

/** Whether one stands before another; who is absent stands before nobody. */
function isAhead(one: number, other: number): boolean {
  return one !== ABSENT && (other === ABSENT || one < other);
}

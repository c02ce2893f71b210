import { DAY_SLACK } from './roundProblem';

/** Tries before it is given up that work fits: what fits is nearly always found in the first few. */
const MOST_TRIES = 20_000;

/**
 * Hands pieces of work out to people so that nobody gets more than their days: the longest first, each to whom has most days
 * left; where that ends in a corner, otherwise.
 *
 * @returns for each piece the person; `null` where no way was found
 */
export function handOut(efforts: readonly number[], people: readonly number[]): number[] | null {
  const order = efforts.map((_, n) => n).sort((a, b) => efforts[b]! - efforts[a]! || a - b);
  const left = [...people];
  const given = new Array<number>(efforts.length).fill(-1);
  let tries = 0;
  const place = (at: number): boolean => {
    if (at === order.length) return true;
    if (++tries > MOST_TRIES) return false;
    const piece = order[at]!;
    const effort = efforts[piece]!;
    const able = people.map((_, person) => person).filter((person) => left[person]! + DAY_SLACK >= effort);
    able.sort((a, b) => left[b]! - left[a]! || a - b);
    const seen = new Set<number>();
    for (const person of able) {
      // Two with as many days left are the same.
      if (seen.has(left[person]!)) continue;
      seen.add(left[person]!);
      left[person]! -= effort;
      given[piece] = person;
      if (place(at + 1)) return true;
      left[person]! += effort;
    }
    return false;
  };
  return place(0) ? given : null;
}

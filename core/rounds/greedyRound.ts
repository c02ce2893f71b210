import { valueTogether } from './gainsOnce';
import { DAY_SLACK, type FilledRound, type RoundProblem, mostOf, usesUp } from './roundProblem';

/**
 * A good round without a solver: what brings most for a day first, then what brings most, whichever of the two brings more;
 * each goes to the person with most days left. Something is left out that has come to bring nothing beside the rest.
 */
export function greedyRound(problem: RoundProblem): FilledRound {
  const byDay = filledBy(problem, (candidate) => mostOf(candidate) / candidate.effort);
  const byValue = filledBy(problem, mostOf);
  return byDay.value >= byValue.value ? byDay : byValue;
}

function filledBy(
  { candidates, people, count }: RoundProblem,
  rank: (candidate: RoundProblem['candidates'][number]) => number,
): FilledRound {
  const order = candidates.map((_, index) => index).filter((index) => mostOf(candidates[index]!) > 0);
  const ranks = candidates.map(rank);
  order.sort((a, b) => ranks[b]! - ranks[a]! || a - b);
  const left = [...people];
  const used = new Set<string>();
  const gained = new Map<number, number>();
  const chosen: FilledRound['chosen'] = [];
  for (const index of order) {
    if (chosen.length >= count) break;
    const candidate = candidates[index]!;
    const names = usesUp(candidate);
    if (names.some((name) => used.has(name))) continue;
    const person = roomiest(left);
    if (person < 0 || left[person]! + DAY_SLACK < candidate.effort) continue;
    // What it adds to what stands: only what it brings more than who serves the keyword already.
    let adds = -candidate.cost;
    for (const { entry, clicks, value } of candidate.serves)
      adds += clicks > 0 ? Math.max(0, value - (gained.get(entry) ?? 0)) : value;
    if (adds <= 0) continue;
    chosen.push({ candidate: index, person });
    left[person]! -= candidate.effort;
    for (const name of names) used.add(name);
    for (const { entry, clicks, value } of candidate.serves)
      if (clicks > 0) gained.set(entry, Math.max(value, gained.get(entry) ?? 0));
  }
  const value = valueTogether(chosen.map(({ candidate }) => candidates[candidate]!));
  return { chosen, value, bound: Infinity };
}

function roomiest(left: readonly number[]): number {
  let best = -1;
  left.forEach((days, person) => {
    if (best < 0 || days > left[best]!) best = person;
  });
  return best;
}

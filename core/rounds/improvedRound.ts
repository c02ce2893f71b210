import { valueTogether } from './gainsOnce';
import { handOut } from './handOut';
import { type FilledRound, type RoundProblem, usesUp } from './roundProblem';

/** Candidates that are tried in the place of another, the most promising first; and passes over the round. */
const MOST_TRIED = 250;
const MOST_PASSES = 4;

/**
 * A round made better by putting one piece of work in the place of another as long as that brings more. The nearer it comes to
 * the best, the more can be left out of the programme.
 *
 * @param order candidates, the most promising first
 */
export function improvedRound(
  problem: RoundProblem,
  from: FilledRound,
  order: readonly number[],
): FilledRound {
  const { candidates, people } = problem;
  const tried = order.slice(0, MOST_TRIED);
  let chosen = from.chosen.map(({ candidate }) => candidate);
  let value = from.value;
  const worth = (all: readonly number[]): number =>
    valueTogether(all.map((candidate) => candidates[candidate]!));
  const fits = (all: readonly number[]): boolean => {
    const names = all.flatMap((candidate) => usesUp(candidates[candidate]!));
    if (new Set(names).size < names.length) return false;
    return (
      handOut(
        all.map((candidate) => candidates[candidate]!.effort),
        people,
      ) !== null
    );
  };
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    const before = value;
    for (let at = 0; at < chosen.length; at++)
      for (const candidate of tried) {
        if (chosen.includes(candidate)) continue;
        const next = chosen.with(at, candidate);
        const brings = worth(next);
        if (brings <= value + 1e-9 || !fits(next)) continue;
        [chosen, value] = [next, brings];
      }
    if (value <= before + 1e-9) break;
  }
  const given = handOut(
    chosen.map((candidate) => candidates[candidate]!.effort),
    people,
  );
  if (given === null) return from;
  return {
    chosen: chosen.map((candidate, n) => ({ candidate, person: given[n]! })),
    value,
    bound: from.bound,
  };
}

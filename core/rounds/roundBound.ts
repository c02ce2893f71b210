import { type RoundProblem, mostOf } from './roundProblem';

const STEPS = 60;

/**
 * An upper limit of what a round can bring, and of what it can bring with each candidate in it: both limits priced (Lagrange),
 * each target’s titles taken as alternatives, every gain counted in full.
 */
export function roundBound({ candidates, people, count }: RoundProblem): {
  bound: number;
  /** By candidate: no round that holds it brings more. */
  with: Float64Array;
} {
  const days = people.reduce((sum, left) => sum + left, 0);
  const most = Float64Array.from(candidates, mostOf);
  const groups = new Map<string, number[]>();
  candidates.forEach(({ place, action }, index) => {
    const name = place === 0 ? `new ${index}` : `${place} ${action}`;
    const group = groups.get(name);
    if (group) group.push(index);
    else groups.set(name, [index]);
  });
  const members = [...groups.values()];
  /** At a price of a day: what the best of each group is left with, and the limit with the best price of a place. */
  const at = (price: number) => {
    const left = (index: number): number => most[index]! - price * candidates[index]!.effort;
    const best = Float64Array.from(members, (group) => Math.max(0, ...group.map(left)));
    const sorted = Float64Array.from(best).sort().reverse();
    const placePrice = count < sorted.length ? sorted[count]! : 0;
    let bound = price * days + placePrice * count;
    for (const value of best) bound += Math.max(0, value - placePrice);
    return { price, placePrice, bound, best, left };
  };
  let [low, high] = [0, Math.max(0, ...candidates.map(({ effort }, index) => most[index]! / effort))];
  // The limit is convex in the price: its lowest point is closed in on from both sides.
  for (let step = 0; step < STEPS; step++) {
    const [left, right] = [low + (high - low) / 3, high - (high - low) / 3];
    if (at(left).bound <= at(right).bound) high = right;
    else low = left;
  }
  const found = at((low + high) / 2);
  const withEach = new Float64Array(candidates.length);
  members.forEach((group, n) => {
    const without = found.bound - Math.max(0, found.best[n]! - found.placePrice);
    for (const index of group) withEach[index] = without + found.left(index) - found.placePrice;
  });
  return { bound: found.bound, with: withEach };
}

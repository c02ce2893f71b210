import fc from 'fast-check';
import loadHighs from 'highs';
import type { Action } from '../gap/action';
import type { WorkCandidate } from '../plan/workList';
import { type Solver, fillRound } from './fillRound';
import { gainsOnce, valueTogether } from './gainsOnce';
import { greedyRound } from './greedyRound';
import { roundBound } from './roundBound';
import { type RoundProblem, usesUp } from './roundProblem';

let solver: Solver;
beforeAll(async () => {
  solver = (await loadHighs()) as unknown as Solver;
});

const EFFORTS = [0.1, 0.25, 1, 2, 3];

const candidates = (most: number): fc.Arbitrary<WorkCandidate[]> =>
  fc
    .array(
      fc.record({
        action: fc.constantFrom<Action>('retitle', 'strengthen', 'new page'),
        place: fc.integer({ min: 0, max: 3 }),
        lead: fc.integer({ min: 0, max: 8 }),
        serves: fc.uniqueArray(
          fc.record({
            entry: fc.integer({ min: 0, max: 8 }),
            clicks: fc.integer({ min: -20, max: 60 }),
            value: fc.constant(0),
          }),
          { maxLength: 4, selector: ({ entry }) => entry },
        ),
        cost: fc.integer({ min: 0, max: 8 }),
        effort: fc.constantFrom(...EFFORTS),
      }),
      { maxLength: most },
    )
    .map((all) =>
      all.map((one) => ({
        ...one,
        serves: one.serves.map((served) => ({ ...served, value: served.clicks * 0.5 })),
      })),
    );

const problems: fc.Arbitrary<RoundProblem> = fc.record({
  candidates: candidates(8),
  people: fc.array(fc.constantFrom(0, 0.5, 1, 2.25, 4), { minLength: 1, maxLength: 2 }),
  count: fc.integer({ min: 0, max: 5 }),
});

/** Whether somebody has the days for each: every way of handing out is tried. */
function fits(efforts: readonly number[], people: readonly number[]): boolean {
  if (efforts.length === 0) return true;
  const [first, ...rest] = efforts;
  return people.some((days, n) => first! <= days + 1e-9 && fits(rest, people.with(n, days - first!)));
}

function allowed({ candidates: all, people, count }: RoundProblem, chosen: readonly number[]): boolean {
  const names = chosen.flatMap((index) => usesUp(all[index]!));
  if (chosen.length > count || new Set(names).size < names.length) return false;
  return fits(
    chosen.map((index) => all[index]!.effort),
    people,
  );
}

/** The best of every set there is. */
function byTrying(problem: RoundProblem): number {
  const size = problem.candidates.length;
  let best = 0;
  for (let set = 0; set < 1 << size; set++) {
    const chosen = problem.candidates.flatMap((_, index) => ((set >> index) & 1 ? [index] : []));
    if (!allowed(problem, chosen)) continue;
    best = Math.max(best, valueTogether(chosen.map((index) => problem.candidates[index]!)));
  }
  return best;
}

test('the best round is the best of all rounds, and keeps every limit', () => {
  fc.assert(
    fc.property(problems, (problem) => {
      const { chosen, value, bound } = fillRound(problem, solver);
      expect(value).toBeCloseTo(byTrying(problem), 5);
      expect(bound).toBeGreaterThanOrEqual(value - 1e-6);
      expect(
        allowed(
          problem,
          chosen.map(({ candidate }) => candidate),
        ),
      ).toBe(true);
      problem.people.forEach((days, person) => {
        const own = chosen.filter((one) => one.person === person);
        const spent = own.reduce((sum, { candidate }) => sum + problem.candidates[candidate]!.effort, 0);
        expect(spent).toBeLessThanOrEqual(days + 1e-6);
      });
    }),
    { numRuns: 150 },
  );
});

test('what is priced out is in no best round; the limit lies above all of them', () => {
  fc.assert(
    fc.property(problems, (problem) => {
      const best = byTrying(problem);
      const limits = roundBound(problem);
      expect(limits.bound).toBeGreaterThanOrEqual(best - 1e-6);
      problem.candidates.forEach((_, index) => {
        const without = { ...problem, candidates: problem.candidates.filter((__, other) => other !== index) };
        // Where only rounds with it are best, its limit cannot lie below.
        if (byTrying(without) < best - 1e-6) expect(limits.with[index]).toBeGreaterThanOrEqual(best - 1e-6);
      });
    }),
    { numRuns: 60 },
  );
});

test('values of what counts once add up to what they bring together', () => {
  fc.assert(
    fc.property(candidates(6), (works) => {
      const shares = gainsOnce(works);
      const winners = shares.flatMap(({ serves }) =>
        serves.filter(({ clicks }) => clicks > 0).map(({ entry }) => entry),
      );
      expect(new Set(winners).size).toBe(winners.length);
      const best = new Map<number, number>();
      let sum = 0;
      for (const { serves, cost } of works) {
        sum -= cost;
        for (const { entry, clicks, value } of serves)
          if (clicks > 0) best.set(entry, Math.max(value, best.get(entry) ?? 0));
          else sum += value;
      }
      for (const value of best.values()) sum += value;
      expect(valueTogether(works)).toBeCloseTo(sum, 9);
    }),
  );
});

test('of many it is never worse than greedy, and ends', () => {
  let seed = 7;
  const random = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const many = Array.from({ length: 2000 }, (_, lead): WorkCandidate => {
    const clicks = Math.exp(6 * random());
    const siblings = Array.from({ length: Math.floor(4 * random()) }, () => {
      const own = Math.exp(4 * random()) * (random() < 0.2 ? -1 : 1);
      return { entry: Math.floor(2000 * random()), clicks: own, value: own * 0.4 };
    });
    return {
      action: lead % 3 === 0 ? 'new page' : 'retitle',
      place: lead % 3 === 0 ? 0 : 1 + (lead % 250),
      lead,
      serves: [
        { entry: lead, clicks, value: clicks * 0.4 },
        ...siblings.filter(({ entry }) => entry !== lead),
      ],
      cost: 0,
      effort: lead % 3 === 0 ? 3 : 0.25,
    };
  });
  const problem = { candidates: many, people: [6, 4], count: 20 };
  const greedy = greedyRound(problem);
  const best = fillRound(problem, solver);
  expect(best.value).toBeGreaterThanOrEqual(greedy.value);
  expect(best.bound).toBeCloseTo(best.value, 6);
  expect(best.chosen.length).toBeLessThanOrEqual(20);
});

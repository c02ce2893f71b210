import { valueTogether } from './gainsOnce';
import { handOut } from './handOut';
import { greedyRound } from './greedyRound';
import { improvedRound } from './improvedRound';
import { roundBound } from './roundBound';
import { type FilledRound, type RoundProblem, usesUp } from './roundProblem';

/** A solver of mixed-integer programmes in the LP format. */
export interface Solver {
  solve(
    programme: string,
    options?: object,
  ): { Status: string; ObjectiveValue: number; Columns: Record<string, object> };
}

/**
 * The round that brings most a month (method §11), solved exactly: each candidate once, by a person who has the days, at most
 * `count` of them, one piece of work of a kind a target, a keyword leading once, a keyword’s gain counted once. What cannot be
 * in a best round is left out before. Never worse than {@link greedyRound}.
 *
 * @param seconds after which the best found so far is taken; `bound` then says how much more there could be
 */
export function fillRound(problem: RoundProblem, solver: Solver, seconds = 10): FilledRound {
  const limits = roundBound(problem);
  const promising = problem.candidates.map((_, index) => index);
  promising.sort((a, b) => limits.with[b]! - limits.with[a]! || a - b);
  const greedy = improvedRound(problem, greedyRound(problem), promising);
  const slack = 1e-9 * Math.max(1, limits.bound);
  const kept = problem.candidates.flatMap((_, index) =>
    limits.with[index]! >= greedy.value - slack ? [index] : [],
  );
  const days = problem.people.reduce((sum, left) => sum + left, 0);
  if (kept.length === 0 || days <= 0 || problem.count <= 0) return { chosen: [], value: 0, bound: 0 };
  const { chosen, isBest } = solved(problem, kept, solver, seconds);
  const value = valueTogether(chosen.map(({ candidate }) => problem.candidates[candidate]!));
  const best = value >= greedy.value ? { chosen, value } : greedy;
  return { ...best, bound: isBest ? best.value : limits.bound };
}

/**
 * As if one person had all days first: that is far quicker, and nearly always the work can be handed out. Where it cannot, who
 * does what is part of the programme.
 */
function solved(
  problem: RoundProblem,
  kept: readonly number[],
  solver: Solver,
  seconds: number,
): { chosen: FilledRound['chosen']; isBest: boolean } {
  const { candidates, people } = problem;
  const options = { time_limit: seconds, mip_rel_gap: 1e-9 };
  const together = { ...problem, people: [people.reduce((sum, days) => sum + days, 0)] };
  const rough = solver.solve(programmeOf(together, kept), options);
  const picked = kept.filter((candidate) => isOne(rough.Columns[`x${candidate}_0`]));
  const given = handOut(
    picked.map((candidate) => candidates[candidate]!.effort),
    people,
  );
  if (given !== null)
    return {
      chosen: picked.map((candidate, n) => ({ candidate, person: given[n]! })),
      isBest: rough.Status === 'Optimal',
    };
  const exact = solver.solve(programmeOf(problem, kept), options);
  return {
    chosen: kept.flatMap((candidate) =>
      people.flatMap((_, person) =>
        isOne(exact.Columns[`x${candidate}_${person}`]) ? [{ candidate, person }] : [],
      ),
    ),
    isBest: exact.Status === 'Optimal',
  };
}

const isOne = (column: object | undefined): boolean =>
  column !== undefined && 'Primal' in column && Number(column.Primal) > 0.5;

/** The programme of the candidates kept, in the LP format. */
function programmeOf({ candidates, people, count }: RoundProblem, kept: readonly number[]): string {
  const name = (candidate: number, person: number): string => `x${candidate}_${person}`;
  const persons = people.map((_, person) => person);
  const all = (candidate: number, factor = 1): string[] =>
    persons.map((person) => `${signed(factor)} ${name(candidate, person)}`);
  const gainers = new Map<number, { candidate: number; value: number }[]>();
  for (const candidate of kept)
    for (const { entry, clicks, value } of candidates[candidate]!.serves) {
      if (clicks <= 0) continue;
      const group = gainers.get(entry);
      if (group) group.push({ candidate, value });
      else gainers.set(entry, [{ candidate, value }]);
    }
  const objective: string[] = [];
  const rules: string[] = [];
  const bounds: string[] = [];
  for (const candidate of kept) {
    const { serves, cost } = candidates[candidate]!;
    let alone = -cost;
    for (const { entry, clicks, value } of serves)
      if (clicks <= 0 || gainers.get(entry)!.length === 1) alone += value;
    objective.push(...all(candidate, alone));
    if (persons.length > 1) rules.push(`${all(candidate).join(' ')} <= 1`);
  }
  for (const [entry, group] of gainers) {
    if (group.length === 1) continue;
    const shares = group.map(({ candidate, value }) => {
      const share = `g${entry}_${candidate}`;
      objective.push(`${signed(value)} ${share}`);
      rules.push(`${share} ${all(candidate, -1).join(' ')} <= 0`);
      bounds.push(`0 <= ${share} <= 1`);
      return `+ 1 ${share}`;
    });
    rules.push(`${shares.join(' ')} <= 1`);
  }
  for (const group of grouped(candidates, kept))
    rules.push(`${group.flatMap((candidate) => all(candidate)).join(' ')} <= 1`);
  for (const person of persons)
    rules.push(
      `${kept.map((candidate) => `${signed(candidates[candidate]!.effort)} ${name(candidate, person)}`).join(' ')} <= ${people[person]! + 1e-7}`,
    );
  rules.push(`${kept.flatMap((candidate) => all(candidate)).join(' ')} <= ${count}`);
  return [
    'Maximize',
    ` obj: ${wrapped(objective)}`,
    'Subject To',
    ...rules.map((rule, n) => ` r${n}: ${wrapped(rule.split(' '))}`),
    'Bounds',
    ...bounds.map((bound) => ` ${bound}`),
    'Binary',
    ...kept.flatMap((candidate) => persons.map((person) => ` ${name(candidate, person)}`)),
    'End',
  ].join('\n');
}

/** Candidates of which one at most can be in a round. */
function grouped(candidates: RoundProblem['candidates'], kept: readonly number[]): number[][] {
  const groups = new Map<string, number[]>();
  for (const candidate of kept)
    for (const name of usesUp(candidates[candidate]!)) {
      const group = groups.get(name);
      if (group) group.push(candidate);
      else groups.set(name, [candidate]);
    }
  return [...groups.values()].filter((group) => group.length > 1);
}

const signed = (value: number): string => (value < 0 ? `- ${plain(-value)}` : `+ ${plain(value)}`);
/** Without an exponent, which not every reader of the format knows. */
const plain = (value: number): string => (value === 0 ? '0' : value.toFixed(9));

/** Lines of the format are short. */
function wrapped(parts: readonly string[]): string {
  const lines: string[] = [];
  for (let from = 0; from < parts.length; from += 40) lines.push(parts.slice(from, from + 40).join(' '));
  return lines.join('\n   ');
}

import type { WorkCandidate } from '../plan/workList';

/** What a round has to be filled from, and its limits (method §11). */
export interface RoundProblem {
  candidates: readonly WorkCandidate[];
  /** Days that each person has left, at least 0. */
  people: readonly number[];
  /** Most pieces of work. */
  count: number;
}

/** A filled round: which candidates, by index, and which person does each. */
export interface FilledRound {
  chosen: { candidate: number; person: number }[];
  /** What they bring together, a month. */
  value: number;
  /** No round could bring more. */
  bound: number;
}

/** Days are compared to this: sums of quarters and tenths are not exact. */
export const DAY_SLACK = 1e-9;

/** What all gains of a candidate would bring were none of them counted elsewhere. */
export const mostOf = ({ serves, cost }: WorkCandidate): number =>
  serves.reduce((sum, { value }) => sum + value, 0) - cost;

/**
 * Names of what a candidate uses up: a target takes one piece of work of each kind (so one new title), a keyword leads once.
 */
export function usesUp({ place, action, lead }: WorkCandidate): string[] {
  return place === 0 ? [`lead ${lead}`] : [`lead ${lead}`, `place ${place} ${action}`];
}

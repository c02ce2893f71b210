import { type Packed, type PackedKeyword, type SlotLimits, packSlots } from '@opsimath/core/copy/packSlots';
import { type Solver, fillRound } from '@opsimath/core/rounds/fillRound';
import type { FilledRound, RoundProblem } from '@opsimath/core/rounds/roundProblem';
import loadHighs from 'highs';

/** What is solved exactly, on a thread of its own. */
export interface SolveTasks {
  round: { given: RoundProblem; gives: FilledRound };
  packing: { given: { keywords: readonly PackedKeyword[]; limits: SlotLimits }; gives: Packed };
}

// A solver that has failed once cannot be trusted again: every question gets one of its own.
const solver = async (): Promise<Solver> => (await loadHighs()) as unknown as Solver;

const tasks: {
  [Name in keyof SolveTasks]: (given: SolveTasks[Name]['given']) => Promise<SolveTasks[Name]['gives']>;
} = {
  round: async (problem) => fillRound(problem, await solver()),
  packing: async ({ keywords, limits }) => packSlots(keywords, limits, await solver()),
};

export default function solve<Name extends keyof SolveTasks>({
  what,
  given,
}: {
  what: Name;
  given: SolveTasks[Name]['given'];
}): Promise<SolveTasks[Name]['gives']> {
  return tasks[what](given);
}

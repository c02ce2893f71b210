import type { Action } from '../../gap/action';
import type { Brought, Foretold, Outcome, PlanFacts } from '../facts';

/** Of what touches no page of ours that is there. */
export const NOTHING: Brought = { clicks: 0, value: 0 };

/** One thing that can be done for a keyword (method §8): a new one is a file of this shape and a line in `all.ts`. */
export interface Alternative {
  action: (facts: PlanFacts) => Action;
  /** Whether it can be done at all. */
  applies: (facts: PlanFacts) => boolean;
  outcome: (facts: PlanFacts) => Outcome;
}

/** What better places bring: demand · (click-through after − click-through as it is). Nothing is paid for it. */
export function organicOutcome(
  { demand, asIs }: PlanFacts,
  after: Foretold,
  elsewhere: Brought = NOTHING,
): Outcome {
  const clicks = demand * (after.clickThrough - asIs.clickThrough);
  return { clicks, elsewhere, cost: 0, chance: after.chance };
}

/** Whether a forecast stands. */
export const isForetold = ({ clickThrough }: Foretold): boolean => !Number.isNaN(clickThrough);

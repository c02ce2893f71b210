import type { AddressReader } from './address';

/** What is planned and written: the round shown first, the task and the draft that are open. */
export interface PlanScope {
  round: number | null;
  task: number | null;
  draft: number | null;
  /** The report that is open, or what was frozen of one, and the frozen one that it is held against. */
  report: number | null;
  frozen: number | null;
  against: number | null;
}

export function readPlan(address: AddressReader): PlanScope {
  return {
    round: address.id('round'),
    task: address.id('task'),
    draft: address.id('draft'),
    report: address.id('report'),
    frozen: address.id('frozen'),
    against: address.id('against'),
  };
}

import { NEW_TARGET } from '../../gap/action';
import { type Alternative, isForetold, organicOutcome } from './alternative';

/** A page, video or listing of its own, where no target of ours serves the keyword. */
export const write: Alternative = {
  action: ({ surface }) => NEW_TARGET[surface],
  applies: ({ served, written }) => !served && isForetold(written),
  outcome: (facts) => organicOutcome(facts, facts.written),
};

import { type Alternative, isForetold, organicOutcome } from './alternative';

/** All words into the other fields of the target that answers, and it touched now. */
export const strengthen: Alternative = {
  action: () => 'strengthen',
  applies: ({ served, strengthened }) => served && isForetold(strengthened),
  outcome: (facts) => organicOutcome(facts, facts.strengthened, facts.elsewhere.strengthened),
};

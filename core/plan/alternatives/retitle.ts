import { type Alternative, isForetold, organicOutcome } from './alternative';

/** The phrase and all words into the title of the target that answers; on marketplaces into its words. */
export const retitle: Alternative = {
  action: ({ surface }) => (surface === 'marketplace' ? 'add the words' : 'retitle'),
  applies: ({ served, retitled }) => served && isForetold(retitled),
  outcome: (facts) => organicOutcome(facts, facts.retitled, facts.elsewhere.retitled),
};

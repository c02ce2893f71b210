import { SURFACE_ROWS } from '../../text/surfaces';
import { type Alternative, isForetold, organicOutcome } from './alternative';

/** The phrase and all words into the title of the target that answers; on marketplaces into its words. */
export const retitle: Alternative = {
  action: ({ surface }) => SURFACE_ROWS[surface].retitle,
  applies: ({ served, retitled }) => served && isForetold(retitled),
  outcome: (facts) => organicOutcome(facts, facts.retitled, facts.elsewhere.retitled),
};

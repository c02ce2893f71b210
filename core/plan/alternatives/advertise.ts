import { isRanked } from '../../ranking/position';
import { type Alternative, NOTHING } from './alternative';

/** A bid where we have none and a click is worth more than it costs. What it brings is known where auctions were observed. */
export const advertise: Alternative = {
  action: () => 'advertise',
  applies: ({ ownPaid, worth, fit, clickCost, bidClicks }) =>
    !isRanked(ownPaid) && (bidClicks > 0 || worth * fit > clickCost),
  outcome: ({ bidClicks, bidCost, asIs }) => ({
    clicks: bidClicks,
    elsewhere: NOTHING,
    cost: bidCost,
    chance: asIs.chance,
  }),
};

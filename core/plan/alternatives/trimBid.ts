import { paidClickThrough } from '../../ranking/clickThrough';
import { type Alternative, NOTHING } from './alternative';

/** No bid where we stand near the top without: most of its clicks come anyway, and its cost is saved. */
export const trimBid: Alternative = {
  action: () => 'trim bid',
  applies: ({ doubling }) => doubling,
  outcome: ({ paidClicks, paidCost, searches, ownPaid, clickCost, asIs, shareMoved }) => {
    const clicks = Number.isNaN(paidClicks) ? searches * paidClickThrough(ownPaid) : paidClicks;
    const cost = Number.isNaN(paidCost) ? clicks * clickCost : paidCost;
    return { clicks: -(1 - shareMoved) * clicks, elsewhere: NOTHING, cost: -cost, chance: asIs.chance };
  },
};

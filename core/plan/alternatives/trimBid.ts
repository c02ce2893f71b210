import { paidClickThrough } from '../../ranking/clickThrough';
import type { Alternative } from './alternative';

/** Share of paid clicks that come to our organic result once the bid is gone (method §8). */
const SHARE_MOVED = 0.8;

/** No bid where we stand near the top without: most of its clicks come anyway, and its cost is saved. */
export const trimBid: Alternative = {
  action: () => 'trim bid',
  applies: ({ doubling }) => doubling,
  outcome: ({ paidClicks, paidCost, searches, ownPaid, clickCost, asIs }) => {
    const clicks = Number.isNaN(paidClicks) ? searches * paidClickThrough(ownPaid) : paidClicks;
    const cost = Number.isNaN(paidCost) ? clicks * clickCost : paidCost;
    return { clicks: -(1 - SHARE_MOVED) * clicks, cost: -cost, chance: asIs.chance };
  },
};

import { paidClickThrough } from '../ranking/clickThrough';

/** One observed auction: what a click of each slot cost; empty where nobody was shown. */
export type Auction = readonly { slot: number; price: number }[];

/** What a bid brings a month, and costs. */
export interface PaidForecast {
  bid: number;
  clicks: number;
  cost: number;
}

/**
 * What a bid would have brought in the auctions observed, by the month (method §17): on each day the best slot whose price
 * is not above the bid, at that price; nothing where every slot is dearer. Where nobody was shown the first slot is free.
 *
 * @param auctions at least one
 * @param searches a month
 */
export function paidForecast(auctions: readonly Auction[], searches: number, bid: number): PaidForecast {
  let [clicks, cost] = [0, 0];
  for (const auction of auctions) {
    const won = auction.length === 0 ? { slot: 1, price: 0 } : bestWon(auction, bid);
    if (won === null) continue;
    const share = paidClickThrough(won.slot) / auctions.length;
    clicks += searches * share;
    cost += searches * share * won.price;
  }
  return { bid, clicks, cost };
}

function bestWon(auction: Auction, bid: number): { slot: number; price: number } | null {
  let best: { slot: number; price: number } | null = null;
  for (const one of auction) if (one.price <= bid && (best === null || one.slot < best.slot)) best = one;
  return best;
}

/**
 * The bid that brings most beyond what it costs, of all prices observed; of two the lower.
 *
 * @param worth of a click, in the currency of the prices
 * @returns `null` without an auction
 */
export function bestBid(auctions: readonly Auction[], searches: number, worth: number): PaidForecast | null {
  if (auctions.length === 0) return null;
  const prices = new Set([0, ...auctions.flatMap((auction) => auction.map(({ price }) => price))]);
  let best: PaidForecast | null = null;
  for (const bid of [...prices].sort((a, b) => a - b)) {
    const one = paidForecast(auctions, searches, bid);
    if (best === null || one.clicks * worth - one.cost > best.clicks * worth - best.cost) best = one;
  }
  return best;
}

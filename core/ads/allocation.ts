import type { Auction, PaidForecast } from './paidForecast';
import { paidForecast } from './paidForecast';

/** What one keyword brings at each bid that was observed, a month or a day, and what a click of it is worth. */
export interface BidCurve {
  points: readonly PaidForecast[];
  worth: number;
}

/** One keyword in a budget: its point, `null` where it gets nothing, and whether it would take too much of it alone. */
export interface Allotted {
  point: PaidForecast | null;
  setApart: boolean;
}

/** Share of a budget above which a keyword is set apart. */
const TOO_MUCH = 0.2;

/**
 * Points of a keyword at every price observed, the cheapest first; free ones too where nobody was shown on some day.
 *
 * @param searches over the period that the points are told for
 */
export function bidCurve(auctions: readonly Auction[], searches: number, worth: number): BidCurve {
  const prices = new Set(auctions.flatMap((auction) => auction.map(({ price }) => price)));
  if (auctions.some((auction) => auction.length === 0)) prices.add(0);
  return {
    points: [...prices].sort((a, b) => a - b).map((bid) => paidForecast(auctions, searches, bid)),
    worth,
  };
}

/**
 * Splits a budget (method §17): each keyword’s points are reduced to their concave hull of worth over cost, and taken step by
 * step, the most worth for a unit of cost first; a step that does not fit is passed over. A keyword that alone, at the bid that
 * brings most beyond its cost, would take over a fifth of the budget is set apart.
 *
 * @param budget for the period of the points, at least 0
 */
export function allocate(keywords: readonly BidCurve[], budget: number): Allotted[] {
  const steps = keywords.flatMap((curve, keyword) =>
    hullOf(curve).map(({ point, gain, cost }, n) => ({ keyword, n, point, gain, cost })),
  );
  const rate = ({ gain, cost }: { gain: number; cost: number }): number =>
    cost <= 0 ? Infinity : gain / cost;
  steps.sort((a, b) => rate(b) - rate(a) || a.keyword - b.keyword || a.n - b.n);
  const taken = keywords.map(() => ({ steps: 0, point: null as PaidForecast | null }));
  let left = budget;
  for (const { keyword, n, point, cost } of steps) {
    const own = taken[keyword]!;
    // A step goes on from the one before it.
    if (own.steps !== n || cost > left + 1e-9) continue;
    own.steps++;
    own.point = point;
    left -= cost;
  }
  return keywords.map((curve, keyword) => ({
    point: taken[keyword]!.point,
    setApart: (bestOf(curve)?.cost ?? 0) > TOO_MUCH * budget,
  }));
}

/** Steps of the upper hull: each with what it adds to the one before it. */
function hullOf({ points, worth }: BidCurve): { point: PaidForecast; gain: number; cost: number }[] {
  const hull: PaidForecast[] = [];
  const value = ({ clicks }: PaidForecast): number => clicks * worth;
  for (const point of [...points].sort((a, b) => a.cost - b.cost || b.clicks - a.clicks)) {
    if (point.clicks <= 0 || value(point) <= value(hull.at(-1) ?? NOTHING)) continue;
    while (hull.length > 0) {
      const last = hull.at(-1)!;
      const before = hull.at(-2) ?? NOTHING;
      const slope = (from: PaidForecast, to: PaidForecast): number =>
        to.cost - from.cost <= 0 ? Infinity : (value(to) - value(from)) / (to.cost - from.cost);
      if (slope(before, last) > slope(last, point)) break;
      hull.pop();
    }
    hull.push(point);
  }
  return hull.map((point, n) => {
    const before = hull[n - 1] ?? NOTHING;
    return { point, gain: value(point) - value(before), cost: point.cost - before.cost };
  });
}

const NOTHING: PaidForecast = { bid: 0, clicks: 0, cost: 0 };

function bestOf({ points, worth }: BidCurve): PaidForecast | null {
  return points.reduce<PaidForecast | null>((best, point) => {
    const net = point.clicks * worth - point.cost;
    return net > (best === null ? 0 : best.clicks * worth - best.cost) ? point : best;
  }, null);
}

/**
 * Mean slot that a bid would have won, over the days on which it would have won one; `null` where on none.
 *
 * @example slotWon([[{ slot: 1, price: 2 }, { slot: 2, price: 1 }]], 1.5) // 2
 */
export function slotWon(auctions: readonly Auction[], bid: number): number | null {
  const slots = auctions.flatMap((auction) => {
    if (auction.length === 0) return [1];
    const won = auction.filter(({ price }) => price <= bid).map(({ slot }) => slot);
    return won.length === 0 ? [] : [Math.min(...won)];
  });
  return slots.length === 0 ? null : slots.reduce((sum, slot) => sum + slot, 0) / slots.length;
}

import fc from 'fast-check';
import { type Auction, bestBid, paidForecast } from './paidForecast';

const THREE: Auction[] = [
  [
    { slot: 1, price: 2 },
    { slot: 2, price: 1 },
  ],
  [{ slot: 1, price: 0.5 }],
  [],
];
const at = (slot: number): number => 0.08 * slot ** -0.7;

test('each day the best slot that the bid reaches, at its price; an empty page is free', () => {
  const { clicks, cost } = paidForecast(THREE, 3000, 1);
  expect(clicks).toBeCloseTo(1000 * (at(2) + at(1) + at(1)), 9);
  expect(cost).toBeCloseTo(1000 * (at(2) * 1 + at(1) * 0.5), 9);
  expect(paidForecast(THREE, 3000, 0.2)).toEqual({ bid: 0.2, clicks: 1000 * at(1), cost: 0 });
});

test('no bid of any height brings more beyond its cost than the best one; more worth never bids less', () => {
  const auction = fc
    .array(fc.double({ min: 0.05, max: 9, noNaN: true }), { maxLength: 4 })
    // Higher slots are dearer.
    .map((prices) => prices.sort((a, b) => b - a).map((price, n) => ({ slot: n + 1, price })));
  const money = fc.double({ min: 0, max: 12, noNaN: true });
  fc.assert(
    fc.property(fc.array(auction, { minLength: 1, maxLength: 8 }), money, money, (auctions, worth, bid) => {
      const best = bestBid(auctions, 1000, worth)!;
      const any = paidForecast(auctions, 1000, bid);
      expect(best.clicks * worth - best.cost).toBeGreaterThanOrEqual(any.clicks * worth - any.cost - 1e-9);
      expect(bestBid(auctions, 1000, worth + 1)!.bid).toBeGreaterThanOrEqual(best.bid);
    }),
  );
  expect(bestBid([], 1000, 5)).toBeNull();
});

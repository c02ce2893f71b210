import fc from 'fast-check';
import { type BidCurve, allocate, bidCurve, slotWon } from './allocation';
import type { Auction } from './paidForecast';

const curve = (worth: number, ...points: [number, number][]): BidCurve => ({
  worth,
  points: points.map(([clicks, cost], n) => ({ bid: n + 1, clicks, cost })),
});
const costs = (allotted: readonly { point: { cost: number } | null }[]): number[] =>
  allotted.map(({ point }) => point?.cost ?? 0);

test('by hand: the most worth for its cost first, from step to step, until the budget is spent', () => {
  const first = curve(1, [10, 2], [14, 6], [16, 12]);
  const second = curve(2, [4, 4], [5, 8]);
  // Worth for cost of the steps: first 5, 1, 1/3; second 2, 1/2.
  expect(costs(allocate([first, second], 2))).toEqual([2, 0]);
  expect(costs(allocate([first, second], 6))).toEqual([2, 4]);
  expect(costs(allocate([first, second], 10))).toEqual([6, 4]);
  expect(costs(allocate([first, second], 100))).toEqual([12, 8]);
  // A point below the hull is passed over.
  expect(costs(allocate([curve(1, [1, 3], [10, 4])], 3))).toEqual([0]);
});

test('what would take over a fifth alone is set apart', () => {
  const dear = curve(5, [10, 30]);
  const cheap = curve(5, [1, 1]);
  expect(allocate([dear, cheap], 100).map(({ setApart }) => setApart)).toEqual([true, false]);
  expect(allocate([dear, cheap], 1000).map(({ setApart }) => setApart)).toEqual([false, false]);
});

const auctions: fc.Arbitrary<Auction[]> = fc.array(
  fc.array(fc.record({ slot: fc.integer({ min: 1, max: 4 }), price: fc.integer({ min: 1, max: 20 }) }), {
    maxLength: 4,
  }),
  { minLength: 1, maxLength: 6 },
);

test('a budget is never overspent, and more of it never brings less', () => {
  const keyword = fc.record({
    days: auctions,
    searches: fc.integer({ min: 1, max: 500 }),
    worth: fc.integer({ min: 1, max: 9 }),
  });
  fc.assert(
    fc.property(
      fc.array(keyword, { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 0, max: 400 }),
      (all, budget) => {
        const curves = all.map(({ days, searches, worth }) => bidCurve(days, searches, worth));
        const spent = (of: ReturnType<typeof allocate>): number =>
          costs(of).reduce((sum, cost) => sum + cost, 0);
        const given = allocate(curves, budget);
        expect(spent(given)).toBeLessThanOrEqual(budget + 1e-6);
        const everything = allocate(curves, 1e9);
        given.forEach(({ point }, n) =>
          expect(point?.clicks ?? 0).toBeLessThanOrEqual((everything[n]!.point?.clicks ?? 0) + 1e-9),
        );
      },
    ),
  );
});

test('the slot that a bid wins is the best that it could pay for, on the days on which it could', () => {
  const days: Auction[] = [
    [
      { slot: 1, price: 9 },
      { slot: 2, price: 4 },
    ],
    [{ slot: 3, price: 4 }],
    [{ slot: 1, price: 99 }],
  ];
  expect(slotWon(days, 5)).toBe(2.5);
  expect(slotWon(days, 1)).toBeNull();
  expect(slotWon([[]], 0)).toBe(1);
});

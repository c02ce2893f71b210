import fc from 'fast-check';
import { FIRST, type WorthParts, spreadOfSum, spreadOfWorth } from './spreadOfWorth';

const parts = (more: Partial<WorthParts> = {}): WorthParts => ({
  clicks: 25,
  clicksError: 3,
  cost: 0,
  demandSigma: 0.25,
  worth: 1,
  worthSigma: 0.2,
  fit: 1,
  effort: 1,
  ...more,
});
const worthOf = ({ clicks, cost, worth, fit }: WorthParts): number => clicks * worth * fit - cost;

test('nothing unsure spreads nothing', () => {
  const sure = parts({ demandSigma: 0, clicksError: 0, worthSigma: 0 });
  const [spread] = spreadOfWorth([sure], 1);
  expect(spread!.low).toBeCloseTo(worthOf(sure), 9);
  expect(spread!.high).toBeCloseTo(worthOf(sure), 9);
  expect(spread!.first).toBe(1);
});

test('a volume alone spreads as its lognormal does', () => {
  const [spread] = spreadOfWorth([parts({ clicksError: 0, worthSigma: 0 })], 7);
  expect(spread!.low / 25).toBeCloseTo(Math.exp(-1.2816 * 0.25), 1);
  expect(spread!.high / 25).toBeCloseTo(Math.exp(1.2816 * 0.25), 1);
});

test('the same seed gives the same spread, and places among the first add up', () => {
  const keywords = Array.from({ length: 40 }, (_, n) => parts({ clicks: 10 + 4 * n }));
  const spreads = spreadOfWorth(keywords, 5);
  expect(spreadOfWorth(keywords, 5)).toEqual(spreads);
  expect(spreads.reduce((sum, { first }) => sum + first, 0)).toBeCloseTo(FIRST, 9);
  expect(spreads.at(-1)!.first).toBeGreaterThan(spreads[0]!.first);
});

test('the median lies between both, scaling worth scales both, and less effort never lowers the place', () => {
  const any = fc.record({
    clicks: fc.double({ min: 20, max: 1e5, noNaN: true }),
    effort: fc.constantFrom(0.25, 1, 3),
  });
  fc.assert(
    fc.property(fc.array(any, { minLength: 22, maxLength: 26 }), (drawn) => {
      const keywords = drawn.map(parts);
      const spreads = spreadOfWorth(keywords, 3);
      spreads.forEach(({ low, high }, n) => {
        expect(low).toBeLessThan(worthOf(keywords[n]!));
        expect(high).toBeGreaterThan(worthOf(keywords[n]!));
      });
      const scaled = spreadOfWorth(
        keywords.map((keyword) => ({ ...keyword, worth: 2 })),
        3,
      );
      scaled.forEach(({ low, high, first }, n) => {
        expect(low).toBeCloseTo(2 * spreads[n]!.low, 6);
        expect(high).toBeCloseTo(2 * spreads[n]!.high, 6);
        expect(first).toBe(spreads[n]!.first);
      });
      const easier = spreadOfWorth(
        keywords.map((keyword, n) => (n === 0 ? { ...keyword, effort: 0.1 } : keyword)),
        3,
      );
      expect(easier[0]!.first).toBeGreaterThanOrEqual(spreads[0]!.first);
    }),
    { numRuns: 3 },
  );
});

test('together the spread is narrower than the sum of spreads, and what is paid is paid for all that come', () => {
  const keywords = Array.from({ length: 20 }, () => parts());
  const sum = spreadOfSum(keywords, 3);
  const each = spreadOfWorth(keywords, 3);
  const width = each.reduce((all, { low, high }) => all + high - low, 0);
  expect(sum.high - sum.low).toBeLessThan(0.5 * width);
  expect(sum.low).toBeLessThan(20 * 25);
  expect(sum.high).toBeGreaterThan(20 * 25);
  const sure = parts({ demandSigma: 0, clicksError: 0, worthSigma: 0, cost: 5 });
  expect(spreadOfSum([sure, sure], 1).low).toBeCloseTo(40, 9);
});

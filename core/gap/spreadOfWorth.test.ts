import fc from 'fast-check';
import { FIRST, type WorthParts, spreadOfWorth } from './spreadOfWorth';

const parts = (more: Partial<WorthParts> = {}): WorthParts => ({
  demand: 1000,
  demandSigma: 0.25,
  clickShare: 0.05,
  logit: 0,
  logitError: 0.3,
  worth: 1,
  worthSigma: 0.2,
  fit: 1,
  effort: 1,
  ...more,
});
const worthOf = ({ logit, demand, clickShare, worth, fit }: WorthParts): number =>
  (demand * clickShare * worth * fit) / (1 + Math.exp(-logit));

test('nothing unsure spreads nothing', () => {
  const sure = parts({ demandSigma: 0, logitError: 0, worthSigma: 0 });
  const [spread] = spreadOfWorth([sure], 1);
  expect(spread!.low).toBeCloseTo(worthOf(sure), 9);
  expect(spread!.high).toBeCloseTo(worthOf(sure), 9);
  expect(spread!.first).toBe(1);
});

test('a volume alone spreads as its lognormal does', () => {
  const [spread] = spreadOfWorth([parts({ logitError: 0, worthSigma: 0 })], 7);
  expect(spread!.low / 25).toBeCloseTo(Math.exp(-1.2816 * 0.25), 1);
  expect(spread!.high / 25).toBeCloseTo(Math.exp(1.2816 * 0.25), 1);
});

test('the same seed gives the same spread, and places among the first add up', () => {
  const keywords = Array.from({ length: 40 }, (_, n) => parts({ demand: 100 + 40 * n }));
  const spreads = spreadOfWorth(keywords, 5);
  expect(spreadOfWorth(keywords, 5)).toEqual(spreads);
  expect(spreads.reduce((sum, { first }) => sum + first, 0)).toBeCloseTo(FIRST, 9);
  expect(spreads.at(-1)!.first).toBeGreaterThan(spreads[0]!.first);
});

test('the median lies between both, scaling worth scales both, and less effort never lowers the place', () => {
  const any = fc.record({
    demand: fc.double({ min: 1, max: 1e5, noNaN: true }),
    logit: fc.double({ min: -3, max: 3, noNaN: true }),
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

import { conversionsTogether, isCostly, shrunkCtrs, termState } from './searchTerms';

const term = (more: object) => ({ impressions: 100, clicks: 5, cost: 4, conversions: 0, value: 0, ...more });

test('a term is listed, a candidate with clicks, or nothing yet', () => {
  expect([termState(true, 0), termState(false, 3), termState(false, 0)]).toEqual([
    'listed',
    'unlisted with clicks',
    'unlisted',
  ]);
});

test.each([
  [{ cost: 20 }, 10, true],
  [{ cost: 19.99 }, 10, false],
  [{ cost: 90, conversions: 1 }, 10, false],
  [{ cost: 90 }, null, false],
])('%j at a wanted cost of %s is costly: %s', (more, wanted, costly) => {
  expect(isCostly(term(more), wanted)).toBe(costly);
});

test('CTRs are drawn towards the campaign’s, those of few impressions most', () => {
  const terms = [
    ...Array.from({ length: 30 }, (_, n) => term({ impressions: 1000, clicks: n % 2 ? 20 : 60 })),
    term({ impressions: 2, clicks: 2 }),
    term({ impressions: 1000, clicks: 100 }),
  ];
  const shrunk = shrunkCtrs(terms);
  expect(shrunk[30]).toBeLessThan(0.15);
  expect(shrunk[31]).toBeGreaterThan(0.09);
  expect(shrunkCtrs([term({ impressions: 0, clicks: 0 })])[0]).toBeNaN();
});

test('what all conversions tell: their mean value, what one costs, and the prior of their rates', () => {
  const terms = [
    term({ clicks: 50, cost: 30, conversions: 2, value: 120 }),
    term({ clicks: 50, cost: 20, conversions: 3, value: 180 }),
  ];
  const together = conversionsTogether(terms)!;
  expect([together.valueOfConversion, together.costOfConversion]).toEqual([60, 10]);
  expect(together.prior.alpha / (together.prior.alpha + together.prior.beta)).toBeCloseTo(0.05, 9);
  expect(conversionsTogether([term({})])).toBeNull();
});

import fc from 'fast-check';
import { WORTH_SOURCES, worthOfClick } from './worth';

describe('worth of a click', () => {
  test('CPC first, then the default, with its source', () => {
    const none = { own: null, market: null, projectDefault: 9 };
    expect(worthOfClick({ ...none, cpcLow: 0.5, cpcHigh: 1.5 })).toMatchObject({ value: 0.7, source: 'CPC' });
    expect(worthOfClick({ ...none, cpcLow: null, cpcHigh: 1.5 })).toEqual({
      value: 9,
      source: 'project default',
      sigma: 0,
    });
    expect(worthOfClick({ ...none, cpcLow: 0, cpcHigh: 0 })).toEqual({ value: 0, source: 'CPC', sigma: 0 });
  });

  test('own conversions go before all, then price and margin of a marketplace', () => {
    const market = { price: 80, margin: 0.4, conversionRate: 0.05 };
    const own = { clicks: 90, conversions: 5, prior: { alpha: 1, beta: 9 }, valueOfConversion: 50 };
    const rest = { cpcLow: 1, cpcHigh: 2, projectDefault: 9 };
    // (1 + 5) / (1 + 9 + 90) of 50.
    expect(worthOfClick({ own, market, ...rest })).toMatchObject({ value: 3, source: 'own conversions' });
    expect(worthOfClick({ own: { ...own, clicks: 0 }, market, ...rest })).toEqual({
      value: 80 * 0.4 * 0.05,
      source: 'price and margin',
      sigma: 0,
    });
  });
});

test('whatever is known, the worth is of the first source that there is and never below nothing', () => {
  const money = fc.double({ min: 0, max: 50, noNaN: true });
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const material = fc.record({
    own: fc.option(
      fc.record({
        clicks: fc.integer({ min: 0, max: 500 }),
        conversions: fc.constant(0),
        prior: fc.record({
          alpha: fc.double({ min: 0.1, max: 50, noNaN: true }),
          beta: fc.double({ min: 0.1, max: 500, noNaN: true }),
        }),
        valueOfConversion: money,
      }),
      { nil: null },
    ),
    market: fc.option(fc.record({ price: money, margin: share, conversionRate: share }), { nil: null }),
    cpcLow: fc.option(money, { nil: null }),
    cpcHigh: fc.option(money, { nil: null }),
    projectDefault: money,
  });
  fc.assert(
    fc.property(material, (known) => {
      const { value, source, sigma } = worthOfClick(known);
      expect(value).toBeGreaterThanOrEqual(0);
      expect(sigma).toBeGreaterThanOrEqual(0);
      const there = [
        known.own !== null && known.own.clicks > 0,
        known.market !== null,
        known.cpcLow !== null && known.cpcHigh !== null,
        true,
      ];
      expect(source).toBe(WORTH_SOURCES[there.indexOf(true)]);
    }),
  );
});

test('more conversions of as many clicks are worth more, and surer', () => {
  const own = { clicks: 100, prior: { alpha: 2, beta: 60 }, valueOfConversion: 40 };
  const none = { market: null, cpcLow: null, cpcHigh: null, projectDefault: 1 };
  const worths = [0, 1, 4, 20].map((conversions) => worthOfClick({ own: { ...own, conversions }, ...none }));
  expect(worths.map(({ value }) => value)).toEqual(worths.map(({ value }) => value).sort((a, b) => a - b));
  expect(worths.map(({ sigma }) => sigma)).toEqual(worths.map(({ sigma }) => sigma).sort((a, b) => b - a));
});

import fc from 'fast-check';
import { betaPrior, shrunkRate } from './betaPrior';
import { draws } from './draws';
import { isThin, wilson } from './wilson';

describe('95 % interval of a rate', () => {
  test.each([
    [0, 10, 0, 0.2775],
    [5, 10, 0.2366, 0.7634],
    [10, 10, 0.7225, 1],
    [20, 1000, 0.013, 0.0307],
  ])('%i of %i', (hits, cases, low, high) => {
    expect(wilson(hits, cases).low).toBeCloseTo(low, 4);
    expect(wilson(hits, cases).high).toBeCloseTo(high, 4);
  });
  test('without a case everything is possible', () => expect(wilson(0, 0)).toEqual({ low: 0, high: 1 }));
  test('holds the rate, lies within 0 and 1, and narrows with more cases', () => {
    fc.assert(
      fc.property(fc.nat(50), fc.integer({ min: 50, max: 500 }), (hits, cases) => {
        const { low, high } = wilson(hits, cases);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(low).toBeLessThanOrEqual(hits / cases + 1e-12);
        expect(high).toBeGreaterThanOrEqual(hits / cases - 1e-12);
        const more = wilson(hits * 10, cases * 10);
        expect(more.high - more.low).toBeLessThan(high - low);
      }),
    );
  });
  test.each([
    [1, 3, true],
    [0, 20, true],
    [0, 2000, false],
    [300, 1000, false],
  ])('%i of %i is thin: %s', (hits, cases, thin) => expect(isThin(hits, cases)).toBe(thin));
});

describe('the prior of rates', () => {
  test('nobody had a case', () => expect(betaPrior([0, 0], [0, 0])).toBeNull());

  test('terms that differ by chance alone make a strong prior, terms that differ truly a weak one', () => {
    const { even } = draws(3);
    const cases = Array.from({ length: 400 }, () => 40);
    const drawn = (rateOf: (n: number) => number): number[] =>
      cases.map((many, n) => Array.from({ length: many }, () => even() < rateOf(n)).filter(Boolean).length);
    const strength = (hits: number[]): number => {
      const { alpha, beta } = betaPrior(hits, cases)!;
      return alpha + beta;
    };
    expect(strength(drawn(() => 0.05))).toBeGreaterThan(200);
    expect(strength(drawn((n) => (n % 2 ? 0.4 : 0.02)))).toBeLessThan(8);
  });

  test('a single case of a term is not taken for its rate', () => {
    // 1 of 1 beside 400 of 8,000 others.
    const cases = [1, ...Array.from({ length: 80 }, () => 100)];
    const hits = [1, ...Array.from({ length: 80 }, () => 5)];
    expect(shrunkRate(1, 1, betaPrior(hits, cases)!)).toBeLessThan(0.1);
  });

  test('a drawn rate lies between the term’s own and the mean of all', () => {
    const term = fc
      .integer({ min: 1, max: 200 })
      .chain((cases) => fc.tuple(fc.nat(cases), fc.constant(cases)));
    fc.assert(
      fc.property(fc.array(term, { minLength: 2, maxLength: 12 }), (terms) => {
        const prior = betaPrior(
          terms.map(([hits]) => hits),
          terms.map(([, cases]) => cases),
        )!;
        const mean = prior.alpha / (prior.alpha + prior.beta);
        for (const [hits, cases] of terms) {
          const shrunk = shrunkRate(hits, cases, prior);
          const [low, high] = [Math.min(mean, hits / cases), Math.max(mean, hits / cases)];
          expect(shrunk).toBeGreaterThanOrEqual(low - 1e-9);
          expect(shrunk).toBeLessThanOrEqual(high + 1e-9);
        }
      }),
    );
  });
});

describe('draws', () => {
  test('the same seed gives the same ones, another seed others', () => {
    const take = (seed: number): number[] => Array.from({ length: 5 }, draws(seed).even);
    expect(take(1)).toEqual(take(1));
    expect(take(1)).not.toEqual(take(2));
  });
  test('normal ones have mean 0 and variance 1', () => {
    const { normal } = draws(11);
    const values = Array.from({ length: 20_000 }, normal);
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
    expect(mean).toBeCloseTo(0, 1);
    expect(variance).toBeCloseTo(1, 1);
  });
});

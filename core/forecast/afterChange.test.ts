import fc from 'fast-check';
import { priorCurve } from '../ranking/clickThrough';
import { DEFAULT_WEIGHTS } from '../gap/chance';
import { bandClicks, within } from './bands';
import { clickThroughAfter, distributionAfter } from './afterChange';
import { type Change, NO_CHANGE, defaultForecast, forecastStanding } from './forecast';
import { distributionAt } from './orderedLogit';

const { standing } = defaultForecast(DEFAULT_WEIGHTS);
const { thresholds } = standing;
const clicks = bandClicks(priorCurve('web'));
const score = fc.double({ min: -15, max: 15, noNaN: true });
const spread = fc.constantFrom(1, 1.25, 1.5, 2);

test('probabilities add to 1; what only improves makes no place less likely and adds no clicks below 0', () => {
  fc.assert(
    fc.property(score, score, spread, fc.boolean(), (before, by, wider, isBetter) => {
      const change = { before, after: before + by, spread: wider, isBetter };
      const after = distributionAfter(thresholds, change);
      expect(after.reduce((sum, part) => sum + part, 0)).toBeCloseTo(1, 12);
      for (const part of after) expect(part).toBeGreaterThanOrEqual(0);
      if (!isBetter) return;
      const asIs = distributionAt(thresholds, before);
      for (const k of [1, 3, 10, 50, 100])
        expect(within(after, k)).toBeGreaterThanOrEqual(within(asIs, k) - 1e-12);
      const plain = { before, after: before, spread: 1, isBetter: true };
      expect(clickThroughAfter(thresholds, clicks, change)).toBeGreaterThanOrEqual(
        clickThroughAfter(thresholds, clicks, plain) - 1e-12,
      );
    }),
  );
});

test('without a spread a change that counts moves the score, and nothing else', () => {
  expect([...distributionAfter(thresholds, { before: 0, after: 1.3, spread: 1, isBetter: false })]).toEqual([
    ...distributionAt(thresholds, 1.3),
  ]);
});

test('an improvement never lowers a forecast, wherever a page stands and however unsure its change', () => {
  const part = fc.double({ min: 0, max: 1, noNaN: true });
  const model = {
    ...defaultForecast(DEFAULT_WEIGHTS),
    changes: Float64Array.from([2, 3, 1, 2, 8, 2, -0.4, 3, 1, 1, -2]),
    spread: { phrase: 1.5, came: 2, went: 2 },
  };
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 100 }), part, part, part, (position, phrase, inTitle, inFields) => {
      const change: Change = [Math.round(phrase), inTitle, inFields, 1, 0];
      const features = [0.4, 0, 0.2, 0, 0.1, 0, -0.3];
      const [asIs, after] = [NO_CHANGE, change].map((one) =>
        forecastStanding(model, position, features, one),
      );
      for (const k of [1, 3, 10, 50, 100])
        expect(within(after!, k)).toBeGreaterThanOrEqual(within(asIs!, k) - 1e-12);
    }),
  );
});

import { DEFAULT_WEIGHTS } from '../gap/chance';
import { priorCurve } from '../ranking/clickThrough';
import { CUTS, bandClicks, expectedClickThrough } from './bands';
import {
  CHANGE_INPUTS,
  type Change,
  NO_CHANGE,
  changeInputs,
  defaultForecast,
  standingInputs,
} from './forecast';
import { clickGradient, errorOf, gainError } from './gainError';
import { distributionAt, score } from './orderedLogit';

const { standing, changes, spread } = defaultForecast(DEFAULT_WEIGHTS);
const clicks = bandClicks(priorCurve('web'));
const FEATURES = [0.4, 1, 0.2, 0, 0.1, 0, -0.3];
const inputs = standingInputs(14, FEATURES);
const size = CUTS.length + standing.weights.length;
const CHANGE: Change = [1, 0.5, 0, 1, 0];

test('the gradient is how the click-through moves with each parameter', () => {
  const STEP = 1e-6;
  const told = clickGradient(standing, inputs, score(standing.weights, inputs), clicks);
  expect(told).toHaveLength(size);
  const at = (parameter: number, by: number): number => {
    const thresholds = Float64Array.from(standing.thresholds);
    const weights = Float64Array.from(standing.weights);
    if (parameter < CUTS.length) thresholds[parameter]! += by;
    else weights[parameter - CUTS.length]! += by;
    return expectedClickThrough(distributionAt(thresholds, score(weights, inputs)), clicks);
  };
  told.forEach((slope, n) => expect(slope).toBeCloseTo((at(n, STEP) - at(n, -STEP)) / (2 * STEP), 7));
});

test('an error is that of the sum, whatever goes with whatever', () => {
  // 3² · 4 + 2 · 3 · 1 · 0.5 + 1² · 9
  expect(errorOf(Float64Array.of(3, 1), Float64Array.of(4, 0.5, 0.5, 9))).toBeCloseTo(
    Math.sqrt(36 + 3 + 9),
    12,
  );
});

describe('the error of what a change adds', () => {
  const diagonal = (n: number, variance: number): Float64Array =>
    Float64Array.from({ length: n * n }, (_, at) => (at % (n + 1) === 0 ? variance : 0));
  const errorWith = (ofStanding: number, ofChange: number, change = CHANGE): number =>
    gainError(
      {
        standing: { ...standing, covariance: diagonal(size, ofStanding) },
        changes,
        spread,
        changesCovariance: diagonal(CHANGE_INPUTS, ofChange),
      },
      { position: 14, features: FEATURES, held: 1 },
      change,
      clicks,
    );

  test('is nothing where nothing is unsure, or nothing changes', () => {
    expect(errorWith(0, 0)).toBe(0);
    expect(errorWith(0.2, 0.3, NO_CHANGE)).toBe(0);
  });

  test('grows with what is unsure, and both parts add up as squares do', () => {
    const [one, other] = [errorWith(0.01, 0), errorWith(0, 0.04)];
    expect(one).toBeGreaterThan(0);
    expect(errorWith(0.01, 0.04)).toBeCloseTo(Math.hypot(one, other), 12);
    expect(errorWith(0.04, 0)).toBeCloseTo(2 * one, 12);
  });

  test('of the change alone: slope of the click-through times how unsure the change is', () => {
    const shift = score(standing.weights, inputs) + score(changes, changeInputs(CHANGE, 14, FEATURES[1]!));
    const through = (more: number): number =>
      expectedClickThrough(
        distributionAt(
          standing.thresholds.map((threshold) => threshold / spread.phrase),
          (shift + more) / spread.phrase,
        ),
        clicks,
      );
    const slope = (through(1e-6) - through(-1e-6)) / 2e-6;
    expect(errorWith(0, 0.04)).toBeCloseTo(
      0.2 * slope * Math.hypot(...changeInputs(CHANGE, 14, FEATURES[1]!)),
      7,
    );
  });
});

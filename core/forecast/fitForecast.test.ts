import { DEFAULT_WEIGHTS } from '../gap/chance';
import { ABSENT } from '../ranking/position';
import { draws } from '../rates/draws';
import { ABSENT_BAND, bandEnds, within } from './bands';
import {
  CHANGE_COUNT,
  CHANGE_INPUTS,
  type Change,
  FEATURE_COUNT,
  type ForecastModel,
  NO_CHANGE,
  defaultForecast,
  forecastEntry,
  forecastStanding,
} from './forecast';
import { fitEntry } from './fitEntry';
import { type ForecastRows, fitForecast } from './fitForecast';

/** What makes the rows: the stated defaults, but a touch helps and a phrase does more. */
const TRUE: ForecastModel = (() => {
  const defaults = defaultForecast(DEFAULT_WEIGHTS);
  return {
    ...defaults,
    changes: Float64Array.from([2, 1.5, 1, 1.2, 3, 0.5, 0.6, 1, 0.4, -0.2, -0.5]),
    spread: { phrase: 1.5, came: 1.5, went: 2 },
  };
})();
const FEATURES = [0.5, 0, 0.2, 0.1, 0, 0, 0];

/** Pages captured twice; one row in `every` has changed. */
function drawn(captures: number, seed: number, every: number, each = 60): ForecastRows {
  const { normal, even } = draws(seed);
  const size = captures * each;
  const pairs = {
    before: new Uint8Array(size),
    after: new Uint8Array(size),
    held: new Uint8Array(size).fill(1),
    siteAfter: new Uint8Array(size),
    features: new Float64Array(size * FEATURE_COUNT),
    changes: new Float64Array(size * CHANGE_COUNT),
    keyword: Int32Array.from({ length: size }, (_, row) => Math.floor(row / each)),
  };
  for (let row = 0; row < size; row++) {
    const position = 1 + Math.floor(100 * even());
    const features = FEATURES.map(() => normal());
    const changed = row % every === 0;
    const sign = even() < 0.5 ? -1 : 1;
    const change = changed
      ? ([sign * Number(even() < 0.5), sign * even(), sign * even(), 1, even() ** 2] as const)
      : NO_CHANGE;
    pairs.before[row] = position;
    pairs.features.set(features, row * FEATURE_COUNT);
    pairs.changes.set(change, row * CHANGE_COUNT);
    const distribution = forecastStanding(TRUE, position, features, change);
    let left = even();
    const band = distribution.findIndex((part) => (left -= part) < 0);
    pairs.siteAfter[row] = pairs.after[row] = band < 0 || band === ABSENT_BAND ? ABSENT : bandEnds(band).last;
  }
  return { pairs, captures };
}

describe('a forecast fitted to pairs of captures', () => {
  const rows = drawn(400, 3, 12);
  const fit = fitForecast(rows, 10)!;
  const model = { ...TRUE, ...fit };

  test('says what the model that made them says, for any standing', () => {
    for (const position of [1, 4, 9, 15, 30, 70, 100])
      for (const k of [1, 3, 10, 50, 100])
        expect(within(forecastStanding(model, position, FEATURES), k)).toBeCloseTo(
          within(forecastStanding(TRUE, position, FEATURES), k),
          1,
        );
  });

  test('finds what changes do, within their errors', () => {
    TRUE.changes.forEach((truth, n) => {
      const error = Math.sqrt(fit.changesFit.covariance[n * CHANGE_INPUTS + n]!);
      expect(error).toBeGreaterThan(0);
      expect(Math.abs(fit.changes[n]! - truth)).toBeLessThan(4.5 * error);
    });
    expect(fit.changesFit.rows).toBe(2000);
  });

  test('foretells held-out keywords better than “it stays” and than shares alone, and is calibrated', () => {
    expect(fit.quality.logScore).toBeGreaterThan(fit.others.stays);
    expect(fit.others.stays).toBeGreaterThan(fit.others.shares);
    expect(fit.quality.logScore).toBeGreaterThanOrEqual(fit.others.otherThresholds);
    expect(fit.quality.front.calibrationError).toBeLessThan(0.03);
    expect(fit.quality.front.auc).toBeGreaterThan(0.85);
  });

  test('the same rows give the same model', () => {
    expect(fitForecast(rows, 10)).toEqual(fit);
  });
});

test('few changes lean on what the same difference does on one day; none leave it at that', () => {
  // A thousandth changed: 24 rows of 24,000.
  const few = fitForecast(drawn(400, 5, 1000), 10)!;
  expect(few.changesFit.strength).toBe(Infinity);
  expect([...few.changes]).toEqual([...few.changesFit.weights]);
  expect(few.changes.slice(6).every((weight) => weight === 0)).toBe(true);
});

test('fewer captures than are needed fit nothing', () => {
  expect(fitForecast(drawn(199, 7, 10), 10)).toBeNull();
});

test('a target not written yet is learnt from all that hold the words, the absent ones included', () => {
  const { normal, even } = draws(21);
  const size = 6000;
  const features = Float64Array.from({ length: size * FEATURE_COUNT }, () => normal());
  const band = Uint8Array.from({ length: size }, (_, row) => {
    const own = Array.from(features.subarray(row * FEATURE_COUNT, (row + 1) * FEATURE_COUNT));
    let left = even();
    const found = forecastEntry(TRUE, own).findIndex((part) => (left -= part) < 0);
    return found < 0 ? ABSENT_BAND : found;
  });
  const entry = fitEntry({ features, band })!;
  for (const page of [FEATURES, [2, 1, 0.5, 0.5, 0, -1, 0]])
    for (const k of [3, 10, 50])
      expect(within(forecastEntry({ ...TRUE, entry }, page), k)).toBeCloseTo(
        within(forecastEntry(TRUE, page), k),
        1,
      );
  expect(fitEntry({ features: features.slice(0, 70), band: band.slice(0, 10) })).toBeNull();
});

describe('the stated defaults', () => {
  const model = defaultForecast(DEFAULT_WEIGHTS);
  const level = FEATURES.map(() => 0);

  test('who stands higher is foretold to stand higher, and most stay near', () => {
    let before = 1;
    for (let position = 1; position <= 100; position++) {
      const now = within(forecastStanding(model, position, level), 10);
      expect(now).toBeLessThan(before);
      before = now;
    }
    expect(within(forecastStanding(model, 1, level), 3)).toBeGreaterThan(0.5);
    expect(within(forecastStanding(model, 80, level), 10)).toBeLessThan(0.1);
  });

  test('words that come help, words that go cost as much', () => {
    const shift = (change: Change): number => within(forecastStanding(model, 18, level, change), 10);
    expect(shift([1, 0.5, 0, 1, 0])).toBeGreaterThan(shift(NO_CHANGE));
    expect(shift([-1, -0.5, 0, 1, 0])).toBeLessThan(shift(NO_CHANGE));
  });

  test('nothing is foretold from an unknown position', () => {
    expect(() => forecastStanding(model, 0, level)).toThrow(RangeError);
  });
});

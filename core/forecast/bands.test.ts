import fc from 'fast-check';
import { priorCurve } from '../ranking/clickThrough';
import { ABSENT } from '../ranking/position';
import {
  ABSENT_BAND,
  BAND_COUNT,
  BAND_NAMES,
  CUTS,
  bandClicks,
  bandEnds,
  bandOf,
  certainAt,
  expectedClickThrough,
  within,
} from './bands';
import { ABSENT_LEVEL, level } from './level';

/** Any distribution over the bands. */
const distributions = fc
  .array(fc.integer({ min: 0, max: 1000 }), { minLength: BAND_COUNT, maxLength: BAND_COUNT })
  .filter((parts) => parts.some((part) => part > 0))
  .map((parts) => {
    const sum = parts.reduce((a, b) => a + b, 0);
    return Float64Array.from(parts, (part) => part / sum);
  });

test('every position to 100 lies in one band, between its ends; deeper ones and the absent in the last', () => {
  for (let position = 1; position <= 100; position++) {
    const { first, last } = bandEnds(bandOf(position));
    expect([position >= first, position <= last]).toEqual([true, true]);
  }
  expect([101, 250, ABSENT].map(bandOf)).toEqual([ABSENT_BAND, ABSENT_BAND, ABSENT_BAND]);
  expect(BAND_NAMES).toHaveLength(BAND_COUNT);
  expect(() => bandEnds(ABSENT_BAND)).toThrow(RangeError);
});

test('the chance of standing within k grows with k, jumps nowhere more than a position’s share, and is exact at the cuts', () => {
  fc.assert(
    fc.property(distributions, (distribution) => {
      let before = 0;
      for (let k = 1; k <= 100; k++) {
        const now = within(distribution, k);
        const { first, last } = bandEnds(bandOf(k));
        expect(now - before).toBeCloseTo(distribution[bandOf(k)]! / (last - first + 1), 9);
        before = now;
      }
      CUTS.forEach((cut, n) =>
        expect(within(distribution, cut)).toBeCloseTo(
          distribution.slice(0, n + 1).reduce((sum, part) => sum + part, 0),
          9,
        ),
      );
      expect(within(distribution, 250)).toBeCloseTo(1 - distribution[ABSENT_BAND]!, 9);
    }),
  );
});

test('the expected click-through is the sum over all positions, each with its share of the band', () => {
  const curve = priorCurve('web');
  fc.assert(
    fc.property(distributions, (distribution) => {
      let sum = 0;
      for (let p = 1; p <= 100; p++)
        sum += (within(distribution, p) - (p > 1 ? within(distribution, p - 1) : 0)) * curve[p]!;
      expect(expectedClickThrough(distribution, bandClicks(curve))).toBeCloseTo(sum, 9);
    }),
  );
  expect(expectedClickThrough(certainAt(1), bandClicks(curve))).toBeCloseTo(curve[1]!, 12);
  expect(expectedClickThrough(certainAt(ABSENT), bandClicks(curve))).toBe(0);
});

test('levels fall with every place, are 0 in the middle, and end with the absent', () => {
  for (let position = 1; position < 100; position++)
    expect(level(position)).toBeGreaterThan(level(position + 1));
  expect(level(51)).toBeCloseTo(0, 12);
  expect(level(100)).toBeGreaterThan(ABSENT_LEVEL);
  expect([level(1), ABSENT_LEVEL].map((value) => value.toFixed(1))).toEqual(['5.3', '-5.3']);
});

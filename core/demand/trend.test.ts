import fc from 'fast-check';
import { peakMonth, seasonStrength, trendOf } from './trend';

const shape = [0.6, 0.7, 1, 1.4, 1.6, 1.5, 1.2, 1, 0.9, 0.8, 0.7, 0.6];
const grown = (growth: number, first = 0): number[] =>
  Array.from({ length: 36 }, (_, i) =>
    Math.round(1000 * shape[(first + i) % 12]! * Math.exp((growth * i) / 12)),
  );
const months = fc.array(fc.option(fc.integer({ min: 0, max: 200_000 }), { freq: 8 }), {
  minLength: 0,
  maxLength: 48,
});
const calendarMonth = fc.integer({ min: 0, max: 11 });

describe('trend', () => {
  test('is found under the season, and called only when certain', () => {
    expect(trendOf(grown(0.4), 0)).toMatchObject({ word: 'rising' });
    expect(trendOf(grown(0.4), 0)!.slope).toBeCloseTo(0.4, 1);
    expect(trendOf(grown(-0.4), 0)).toMatchObject({ word: 'falling' });
    expect(trendOf(Array(36).fill(500), 0)).toEqual({ slope: 0, p: 1, word: 'level' });
  });

  test('is unknown with fewer than twelve known months', () => {
    expect(trendOf([...Array(30).fill(null), 1, 2, 3, 4, 5, 6], 0)).toBeNull();
    expect(trendOf([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11], 0)).toBeNull();
    expect(trendOf([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 0)).toMatchObject({ word: 'rising' });
  });

  test('turned round in time it is the opposite, where there is no season to take out', () => {
    const short = fc.array(fc.integer({ min: 0, max: 200_000 }), { minLength: 12, maxLength: 23 });
    fc.assert(
      fc.property(short, (series) => {
        const [there, back] = [trendOf(series, 0)!, trendOf(series.toReversed(), 0)!];
        expect(back.slope).toBeCloseTo(-there.slope, 9);
        expect(back.p).toBeCloseTo(there.p, 9);
      }),
    );
  });

  test('p is a probability, and the word follows from it and the slope', () => {
    fc.assert(
      fc.property(months, calendarMonth, (series, first) => {
        const trend = trendOf(series, first);
        if (trend === null) {
          expect(series.filter((value) => value !== null).length).toBeLessThan(12);
          return;
        }
        expect(trend.p).toBeGreaterThanOrEqual(0);
        expect(trend.p).toBeLessThanOrEqual(1);
        expect(trend.word).toBe(
          trend.p >= 0.05 || trend.slope === 0 ? 'level' : trend.slope > 0 ? 'rising' : 'falling',
        );
      }),
    );
  });

  test('agrees with Mann and Kendall worked out by hand for twelve rising months', () => {
    // S = 66, Var = 12·11·29/18 = 212.67, z = 65/14.583 = 4.4572: p = 8.3e-6.
    const { p } = trendOf([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 0)!;
    expect(p).toBeGreaterThan(7.8e-6);
    expect(p).toBeLessThan(8.8e-6);
  });

  test('ties make it less certain', () => {
    const rising = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
    const tied = [1, 1, 1, 4, 4, 4, 7, 7, 7, 10, 10, 10];
    expect(trendOf(tied, 0)!.p).toBeGreaterThan(trendOf(rising, 0)!.p);
  });
});

describe('season', () => {
  test('its peak is the month with the largest index, the earlier of two', () => {
    expect(peakMonth(shape)).toBe(4);
    expect(peakMonth([1, 2, 2, 1, 1, 1, 1, 1, 1, 1, 1, 1])).toBe(1);
    expect(peakMonth(null)).toBeNull();
  });

  test('is strong where it explains the series, and unknown without two years', () => {
    expect(seasonStrength(grown(0), 0)!).toBeGreaterThan(0.95);
    expect(seasonStrength(grown(0.3, 5), 5)!).toBeGreaterThan(0.95);
    expect(seasonStrength(Array(12).fill(5), 0)).toBeNull();
    expect(seasonStrength(Array(36).fill(5), 0)).toBe(0);
  });

  test('strength lies between 0 and 1 whatever the series', () => {
    fc.assert(
      fc.property(months, calendarMonth, (series, first) => {
        const strength = seasonStrength(series, first);
        if (strength === null) return;
        expect(strength).toBeGreaterThanOrEqual(0);
        expect(strength).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('strength does not depend on the scale of the figures', () => {
    const series = fc.array(fc.integer({ min: 1, max: 10_000 }), { minLength: 30, maxLength: 40 });
    fc.assert(
      fc.property(series, calendarMonth, fc.integer({ min: 2, max: 50 }), (values, first, times) => {
        const scaled = values.map((value) => value * times);
        expect(seasonStrength(scaled, first)!).toBeCloseTo(seasonStrength(values, first)!, 8);
      }),
    );
  });
});

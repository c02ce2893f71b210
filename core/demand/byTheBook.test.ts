import fc from 'fast-check';
import { expectedVolume, seasonIndices } from './season';
import { trendOf } from './trend';
import { volumeOf } from './volume';

// Method §2 worked a second time by other ways than the code goes.

const months = fc.array(fc.option(fc.integer({ min: 0, max: 50_000 }), { freq: 12, nil: null }), {
  minLength: 0,
  maxLength: 36,
});
const calendarMonth = fc.integer({ min: 0, max: 11 });
type Series = (number | null)[];

/** The 2×12 average as the mean of two plain means of twelve. */
function level(series: Series, at: number): number | null {
  const twelve = (from: number): number | null => {
    const part = series.slice(from, from + 12);
    if (from < 0 || part.length < 12 || part.includes(null)) return null;
    return (part as number[]).reduce((sum, value) => sum + value, 0) / 12;
  };
  const [left, right] = [twelve(at - 6), twelve(at - 5)];
  return left === null || right === null ? null : (left + right) / 2;
}

function seasonByHand(series: Series, first: number): number[] | null {
  if (series.filter((value) => value !== null).length < 24) return null;
  const ratios = Array.from({ length: 12 }, (): number[] => []);
  series.forEach((value, at) => {
    const around = level(series, at);
    if (value !== null && around !== null && around > 0) ratios[(first + at) % 12]!.push(value / around);
  });
  if (ratios.some((found) => found.length === 0)) return null;
  const means = ratios.map((found) => found.reduce((sum, ratio) => sum + ratio, 0) / found.length);
  const all = means.reduce((sum, mean) => sum + mean, 0) / 12;
  return all > 0 ? means.map((mean) => mean / all) : null;
}

test('season indices are the mean ratios to the centred average of twice twelve, brought to mean 1', () => {
  fc.assert(
    fc.property(months, calendarMonth, (series, first) => {
      const [found, wanted] = [seasonIndices(series, first), seasonByHand(series, first)];
      expect(found === null).toBe(wanted === null);
      found?.forEach((index, month) => expect(index).toBeCloseTo(wanted![month]!, 9));
    }),
    { numRuns: 400 },
  );
});

test('a season of 24 full months is found at all, and its mean is 1', () => {
  const series = Array.from({ length: 36 }, (_, at) => 100 + 50 * Math.cos((at * Math.PI) / 6));
  const found = seasonIndices(series, 0)!;
  expect(found.reduce((sum, index) => sum + index, 0) / 12).toBeCloseTo(1, 12);
  expect(found.indexOf(Math.max(...found))).toBe(0);
});

test('V is the volume times the mean index of the three months after the date', () => {
  const index = fc.array(fc.double({ min: 0.1, max: 3, noNaN: true }), { minLength: 12, maxLength: 12 });
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e6 }), index, calendarMonth, (volume, indices, month) => {
      const twice = [...indices, ...indices];
      const mean = (twice[month + 1]! + twice[month + 2]! + twice[month + 3]!) / 3;
      expect(expectedVolume(volume, indices, month)).toBeCloseTo(volume * mean, 6);
      expect(expectedVolume(volume, null, month)).toBe(volume);
    }),
  );
});

test('volume is the rounded mean of the newest twelve months that are known', () => {
  fc.assert(
    fc.property(months, (series) => {
      const known: number[] = [];
      for (let at = series.length - 1; at >= 0 && known.length < 12; at--)
        if (series[at] !== null) known.push(series[at]!);
      const wanted =
        known.length === 0
          ? null
          : Math.floor(known.reduce((sum, value) => sum + value, 0) / known.length + 0.5);
      expect(volumeOf(series)).toEqual({ value: wanted, months: known.length });
    }),
  );
});

/** Mann and Kendall's p by drawing orders: how often as many pairs agree or disagree as in the series. */
function shuffledP(levels: readonly number[], draws: number): number {
  let state = 12345;
  const next = (): number => (state = (Math.imul(state, 1103515245) + 12345) >>> 0) / 4294967296;
  const agreement = (order: readonly number[]): number => {
    let sum = 0;
    for (let i = 0; i < order.length; i++)
      for (let j = i + 1; j < order.length; j++) sum += Math.sign(order[j]! - order[i]!);
    return Math.abs(sum);
  };
  const seen = agreement(levels);
  let asMuch = 0;
  for (let draw = 0; draw < draws; draw++) {
    const order = [...levels];
    for (let at = order.length - 1; at > 0; at--) {
      const other = Math.floor(next() * (at + 1));
      [order[at], order[other]] = [order[other]!, order[at]!];
    }
    if (agreement(order) >= seen) asMuch++;
  }
  return asMuch / draws;
}

test.each([
  [[5, 7, 6, 9, 8, 12, 10, 14, 13, 15, 18, 16]],
  [[9, 4, 7, 8, 3, 6, 9, 5, 8, 4, 7, 6]],
  [[20, 18, 19, 15, 16, 12, 14, 13, 9, 10, 8, 11]],
  [[3, 3, 4, 3, 5, 4, 4, 5, 6, 5, 6, 6]],
])('the p-value of %j is that of shuffled series, within what an approximation allows', (series) => {
  const levels = series.map((value) => Math.log(1 + value));
  expect(Math.abs(trendOf(series, 0)!.p - shuffledP(levels, 4000))).toBeLessThan(0.03);
});

test('the slope is the median of all slopes of pairs', () => {
  const short = fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 12, maxLength: 20 });
  fc.assert(
    fc.property(short, (series) => {
      const level = series.map((value) => Math.log(1 + value));
      const slopes = level.flatMap((high, j) => level.slice(0, j).map((low, i) => (high - low) / (j - i)));
      const below = slopes.filter((slope) => 12 * slope < trendOf(series, 0)!.slope - 1e-9).length;
      const above = slopes.filter((slope) => 12 * slope > trendOf(series, 0)!.slope + 1e-9).length;
      expect(below).toBeLessThanOrEqual(slopes.length / 2);
      expect(above).toBeLessThanOrEqual(slopes.length / 2);
    }),
    { numRuns: 60 },
  );
});

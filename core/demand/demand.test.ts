import fc from 'fast-check';
import { expectedVolume, seasonIndices } from './season';
import { volumeOf } from './volume';

describe('volume', () => {
  test.each([
    [[], { value: null, months: 0 }],
    [[null, null], { value: null, months: 0 }],
    [[10, null, 15], { value: 13, months: 2 }],
    [[1000, ...new Array<number>(12).fill(4)], { value: 4, months: 12 }],
    [[0, 0], { value: 0, months: 2 }],
  ])('of %j is %j', (series, expected) => expect(volumeOf(series)).toEqual(expected));
});

describe('season', () => {
  const shape = [0.5, 0.6, 1.2, 1.6, 1.7, 1.5, 1.2, 1.0, 0.8, 0.7, 0.6, 0.6];

  test('recovers an exact seasonal shape from three years without trend', () => {
    const series = Array.from({ length: 36 }, (_, i) => 1000 * shape[(i + 3) % 12]!);
    const indices = seasonIndices(series, 3)!;
    indices.forEach((index, month) => expect(index).toBeCloseTo(shape[month]!, 10));
  });

  test('needs 24 known months', () => {
    expect(seasonIndices(new Array<number>(23).fill(5), 0)).toBeNull();
    expect(seasonIndices(new Array<number>(24).fill(5), 0)).toEqual(new Array(12).fill(1));
    expect(seasonIndices(new Array<number>(36).fill(0), 0)).toBeNull();
  });

  test('indices have mean 1 and do not depend on scale', () => {
    const months = fc.array(fc.integer({ min: 1, max: 100_000 }), { minLength: 24, maxLength: 36 });
    fc.assert(
      fc.property(months, fc.integer({ min: 0, max: 11 }), (series, first) => {
        const indices = seasonIndices(series, first)!;
        expect(indices.reduce((sum, value) => sum + value, 0) / 12).toBeCloseTo(1, 9);
        const scaled = seasonIndices(
          series.map((value) => value * 7),
          first,
        )!;
        scaled.forEach((value, month) => expect(value).toBeCloseTo(indices[month]!, 9));
      }),
    );
  });

  test('expected volume looks at the three months after the date', () => {
    const indices = [1, 1, 1, 1.1, 1.2, 1.3, 1, 1, 1, 0.8, 0.8, 0.8];
    expect(expectedVolume(5400, indices, 2)).toBeCloseTo(6480, 9);
    expect(expectedVolume(100, indices, 11)).toBeCloseTo(100, 9);
    expect(expectedVolume(100, null, 2)).toBe(100);
  });
});

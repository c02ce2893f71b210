import fc from 'fast-check';
import { LEAST_PAIRS, borrowedVolume, borrowingRatio } from './borrowed';

const pairs = (count: number, here: number, there: number): [number, number][] =>
  Array.from({ length: count }, () => [here, there]);

test('the ratio is the median of those known on both; too few lend nothing', () => {
  expect(borrowingRatio([...pairs(20, 30, 100), ...pairs(9, 90, 100), ...pairs(12, 1, 100)])).toEqual({
    ratio: 0.3,
    pairs: 41,
  });
  expect(borrowingRatio(pairs(LEAST_PAIRS - 1, 1, 2))).toBeNull();
  expect(borrowingRatio(pairs(LEAST_PAIRS, 1, 2))).toEqual({ ratio: 0.5, pairs: LEAST_PAIRS });
  expect(borrowingRatio([...pairs(LEAST_PAIRS - 1, 1, 2), ...pairs(40, 5, 0)])).toBeNull();
});

test.each([
  [250, 0.3, 75],
  [5, 0.5, 3],
  [0, 0.4, 0],
])('%i there at %d is %i here', (there, ratio, here) => {
  expect(borrowedVolume(there, ratio)).toBe(here);
});

test('searching ten times as often there makes a tenth of the ratio; order changes nothing', () => {
  const figures = fc.array(fc.tuple(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 1, max: 1e6 })), {
    minLength: LEAST_PAIRS,
    maxLength: 80,
  });
  fc.assert(
    fc.property(figures, (known) => {
      const found = borrowingRatio(known)!;
      expect(borrowingRatio([...known].reverse())).toEqual(found);
      const more = borrowingRatio(known.map(([here, there]) => [here, there * 10]))!;
      expect(more.ratio * 10).toBeCloseTo(found.ratio, 6);
    }),
  );
});

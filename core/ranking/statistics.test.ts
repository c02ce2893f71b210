import fc from 'fast-check';
import { median, quartiles } from './statistics';

test.each([
  [[4], [4, 4, 4]],
  [
    [3, 1, 2],
    [1.5, 2, 2.5],
  ],
  [
    [10, 20, 30, 40],
    [17.5, 25, 32.5],
  ],
] as const)('quartiles of %j are %j', (values, expected) => expect(quartiles([...values])).toEqual(expected));

test('nothing has no quartiles', () => expect(quartiles([])).toBeNull());

test('the middle quartile is the median, and the three are in order, whatever the order of the values', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -1e6, max: 1e6 }), { minLength: 1 }), (values) => {
      const [low, middle, high] = quartiles(values)!;
      expect(middle).toBeCloseTo(median(values)!);
      expect(low).toBeLessThanOrEqual(middle);
      expect(middle).toBeLessThanOrEqual(high);
      expect(quartiles([...values].reverse())).toEqual([low, middle, high]);
    }),
  );
});

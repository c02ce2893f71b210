import fc from 'fast-check';
import { priorCurve } from '../ranking/clickThrough';
import { clickRatio, expectedClicks, snippetWord, topQuarterFrom } from './expectation';

const web = priorCurve('web');

test('expected clicks: impressions times click-through at the rounded position', () => {
  const rows = [
    { impressions: 1000, position: 1 },
    { impressions: 200, position: 4.5 },
    { impressions: 50, position: NaN },
    { impressions: 10, position: 140 },
  ];
  // 4.5 rounds half up; what is deeper than 100 counts as 100.
  expect(expectedClicks(rows, web)).toBeCloseTo(300 + 200 * 0.06 + 10 * web[100]!, 9);
  expect(expectedClicks([], web)).toBe(0);
});

test.each([
  // Exact Poisson limits, as tables have them.
  [0, 1, 0, 3.689],
  [1, 1, 0.0253, 5.572],
  [10, 10, 0.4795, 1.839],
  [100, 50, 1.6273, 2.4325],
])('%i clicks where %i were expected', (clicks, expected, low, high) => {
  const found = clickRatio(clicks, expected)!;
  expect(found.ratio).toBeCloseTo(clicks / expected, 9);
  expect(found.low).toBeCloseTo(low, 3);
  expect(found.high).toBeCloseTo(high, 3);
});

test('nothing expected says nothing', () => {
  expect(clickRatio(3, 0)).toBeNull();
  expect(snippetWord(null)).toBe('unknown');
});

test('words follow the interval, and more clicks never turn strong into weak', () => {
  const order = ['weak snippet', 'as expected', 'strong'];
  fc.assert(
    fc.property(fc.nat(300), fc.double({ min: 0.1, max: 300, noNaN: true }), (clicks, expected) => {
      const [less, more] = [clickRatio(clicks, expected)!, clickRatio(clicks + 1, expected)!];
      expect(less.low).toBeLessThanOrEqual(less.ratio);
      expect(less.high).toBeGreaterThanOrEqual(less.ratio);
      expect(order.indexOf(snippetWord(more))).toBeGreaterThanOrEqual(order.indexOf(snippetWord(less)));
    }),
  );
});

test.each([
  [[], Infinity],
  [[5], 5],
  [[1, 2, 3, 4], 4],
  [[8, 1, 7, 2, 6, 3, 5, 4], 7],
])('the top quarter of %j begins at %s', (figures, from) => {
  expect(topQuarterFrom(figures)).toBe(from);
});

import { paidMissing } from './guideRatio';

test.each([
  [100, 20, 2, 30],
  [100, 60, 2, 0],
  // Rounded half up: 7 ÷ 2 − 1 = 2.5.
  [7, 1, 2, 3],
  [7, 2, 2, 2],
  [0, 0, 2, 0],
  [100, 0, 5, 20],
  [1, 0, 4, 0],
])('%i organic, %i paid, guide %i: %i missing', (organic, paid, guide, expected) => {
  expect(paidMissing(organic, paid, guide)).toBe(expected);
});

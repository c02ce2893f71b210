import { priorCurve } from './clickThrough';
import { bringsLittle } from './littleDemand';
import { ABSENT, UNKNOWN } from './position';

const curve = priorCurve('web');
const brings = (volume: number, position: number, front = 10, littleDemand = 10): boolean =>
  bringsLittle(volume, position, curve, { front, littleDemand });

test.each([
  // c(1) = 0.3: 33 searches bring 9.9 clicks, 34 bring 10.2.
  [33, 1, true],
  [34, 1, false],
  [1000, 11, false],
  [10, ABSENT, false],
  [10, UNKNOWN, false],
  // What is not known to be searched is not said to bring little.
  [NaN, 1, false],
  [0, 5, true],
])('%d searches at %i: %j', (volume, position, expected) => {
  expect(brings(volume, position)).toBe(expected);
});

test('front and floor are those of the project', () => {
  expect(brings(100, 5, 3)).toBe(false);
  expect(brings(100, 5, 5)).toBe(true);
  expect(brings(100, 5, 5, 6)).toBe(false);
});

import { isQuiet } from './quietHours';

test.each([
  [22, 7, 23, true],
  [22, 7, 6, true],
  [22, 7, 7, false],
  [22, 7, 12, false],
  [9, 17, 9, true],
  [9, 17, 17, false],
  [null, 7, 3, false],
  [5, 5, 5, false],
])('from %s to %s, at %s', (quietFrom, quietTo, hour, quiet) =>
  expect(isQuiet({ quietFrom, quietTo }, hour)).toBe(quiet),
);

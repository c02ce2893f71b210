import { PRESUMED_DAYS, presumedAbsent } from './presumed';

const at = (day: number, source: string | null = null) => ({ day, source });

test.each([
  [at(100), at(100), true],
  [at(100), at(100 + PRESUMED_DAYS), true],
  [at(100), at(100 - PRESUMED_DAYS), true],
  [at(100), at(101 + PRESUMED_DAYS), false],
  [at(100), at(99 - PRESUMED_DAYS), false],
  [at(100, 'a.csv'), at(100, 'a.csv'), true],
  [at(100, 'a.csv'), at(100, 'b.csv'), false],
  [at(100, 'a.csv'), at(100), false],
])('%j and %j speak of one state of things: %j', (complete, naming, expected) => {
  expect(presumedAbsent(complete, naming)).toBe(expected);
});

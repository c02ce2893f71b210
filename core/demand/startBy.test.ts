import { startBy } from './startBy';

test.each([
  // July is ahead.
  [6, '2026-03-14', 90, '2026-04-02'],
  // May is ahead, its day to begin is not.
  [4, '2026-03-14', 90, '2026-01-31'],
  // This very month is the peak.
  [2, '2026-03-14', 0, '2026-03-01'],
  // January comes next year.
  [0, '2026-03-14', 90, '2026-10-03'],
])('peak %i seen on %s with %i days: %s', (peak, date, lead, expected) => {
  expect(startBy(peak, date, lead)).toBe(expected);
});

import { dayOf, isoDayOf } from './day';

test.each([
  ['1970-01-01', 0],
  ['2026-03-14', 20526],
  ['2024-02-29', 19782],
])('%s is day %i', (iso, day) => {
  expect(dayOf(iso)).toBe(day);
  expect(isoDayOf(day)).toBe(iso);
});

import { forNextYear, yearIn } from './nextYear';

test.each([
  ['best panniers 2026', '2026-03-14', 2026, 'best panniers 2027'],
  ['best panniers 2022', '2026-03-14', 2022, 'best panniers 2026'],
  ['2026 panniers', '2026-12-31', 2026, '2027 panniers'],
  ['best panniers', '2026-03-14', null, null],
  ['model 20265', '2026-03-14', null, null],
])('%s on %s', (keyword, date, year, next) => {
  expect(yearIn(keyword)).toBe(year);
  expect(forNextYear(keyword, date)).toBe(next);
});

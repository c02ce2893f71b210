import fc from 'fast-check';
import { safeCell } from '@opsimath/core/text/safeCell';
import { readDay, readNumber } from './values';

const day = (iso: string): number => Date.parse(iso) / 86_400_000;

test.each([
  ['2026-03-14', 'day first', '2026-03-14'],
  ['2026/3/4', 'day first', '2026-03-04'],
  ['20260314', 'year first', '2026-03-14'],
  ['2026-03-14T10:00:00Z', 'year first', '2026-03-14'],
  ['14.03.2026', 'day first', '2026-03-14'],
  ['03/04/2026', 'month first', '2026-03-04'],
  ['03/04/2026', 'day first', '2026-04-03'],
  ['14 Mar 2026', 'year first', '2026-03-14'],
  ['14. März 2026', 'year first', '2026-03-14'],
  ['March 14, 2026', 'year first', '2026-03-14'],
  ['14 de marzo de 2026', 'year first', '2026-03-14'],
  ['1/2/26', 'day first', '2026-02-01'],
] as const)('%s, %s, is %s', (text, order, iso) => expect(readDay(text, order)).toBe(day(iso)));

test.each([['2026-02-30'], ['31.02.2026'], ['13/13/2026'], [''], ['Total'], ['14 Foo 2026']])(
  '%j is no day',
  (text) => {
    expect(readDay(text, 'day first')).toBeNull();
  },
);

test('every day of the calendar is read back in every order', () => {
  fc.assert(
    fc.property(fc.integer({ min: day('2000-01-01'), max: day('2100-12-31') }), (number) => {
      const [y, m, d] = new Date(number * 86_400_000).toISOString().slice(0, 10).split('-');
      expect(readDay(`${y}-${m}-${d}`, 'year first')).toBe(number);
      expect(readDay(`${d}.${m}.${y}`, 'day first')).toBe(number);
      expect(readDay(`${m}/${d}/${y}`, 'month first')).toBe(number);
    }),
  );
});

test.each([
  ['1,234', false, 1234],
  ['1.234', true, 1234],
  ['1.234,5', true, 1234.5],
  ['1,234.5', false, 1234.5],
  ['12,5 %', true, 12.5],
  ["1'000", false, 1000],
  ['1 000', true, 1000],
  ['', false, null],
  ['–', false, null],
  ['1e5', false, null],
  ['12abc', false, null],
])('%j with decimal comma %s is %s', (text, comma, expected) =>
  expect(readNumber(text, comma)).toBe(expected),
);

test('no cell begins like a formula, and numbers stay numbers', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      // A figure written as text is no formula.
      if (!/^-?[\d.,]+$/.test(safeCell(text))) expect(safeCell(text)).not.toMatch(/^\s*[=+\-@]/);
      expect(safeCell(text)).not.toMatch(/[\r\n\t]/);
    }),
  );
  expect(safeCell('=1+1')).toBe("'=1+1");
});

test('a day of a year that no table is of is none', () => {
  for (const text of ['1999-12-31', '2101-01-01', '31.12.1875', '0206-03-01'])
    expect(readDay(text, 'day first')).toBeNull();
});

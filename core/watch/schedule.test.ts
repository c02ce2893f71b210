import fc from 'fast-check';
import { dayOf, isoDayOf } from '../day';
import { EVERY_DAY, daysApart, isDue, nextDay, unitsAMonth } from './schedule';

// 14 March 2026 is a Saturday; clocks change on the 29th and, elsewhere, on the 8th.
test.each([
  ['never begun', [6], null, '2026-03-14', true],
  ['today already', EVERY_DAY, '2026-03-14', '2026-03-14', false],
  ['the next day', EVERY_DAY, '2026-03-14', '2026-03-15', true],
  ['not on this day', [1], '2026-03-14', '2026-03-15', false],
  ['on its day', [1], '2026-03-14', '2026-03-16', true],
  ['its day was missed', [1], '2026-03-14', '2026-03-19', true],
  ['a long pause', [1], '2025-01-01', '2026-03-19', true],
  ['no day is planned', [], null, '2026-03-14', false],
  ['a clock that went back', EVERY_DAY, '2026-03-20', '2026-03-14', false],
])('%s', (_, weekdays, last, today, due) => expect(isDue(weekdays, last, today)).toBe(due));

test('the next day, over the end of a week, a month and a change of clocks', () => {
  expect(nextDay([1], '2026-03-14')).toBe('2026-03-16');
  expect(nextDay([7], '2026-03-28')).toBe('2026-03-29');
  expect(nextDay([3], '2026-03-31')).toBe('2026-04-01');
  expect(nextDay([], '2026-03-31')).toBeNull();
});

test('however often it is looked, each planned day is taken once, and none twice', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
      fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 60 }),
      (weekdays, steps) => {
        let [day, last] = [dayOf('2026-03-01'), null as string | null];
        const taken: string[] = [];
        for (const step of steps) {
          day += step;
          const today = isoDayOf(day);
          if (!isDue(weekdays, last, today)) continue;
          taken.push(today);
          last = today;
        }
        expect(new Set(taken).size).toBe(taken.length);
        // Nothing is left lying: after the last look nothing that was planned by then is due.
        if (last !== null && steps.length > 0) expect(isDue(weekdays, last, last)).toBe(false);
      },
    ),
  );
});

test('what a month costs, and how far apart captures are', () => {
  expect(unitsAMonth(EVERY_DAY, 100)).toBe(3044);
  expect(unitsAMonth([1], 100)).toBe(435);
  expect(daysApart(EVERY_DAY)).toBe(1);
  expect(daysApart([1, 4])).toBe(4);
  expect(daysApart([3])).toBe(7);
  expect(daysApart([])).toBeNull();
});

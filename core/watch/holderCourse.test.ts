import fc from 'fast-check';
import { holderCourse } from './holderCourse';

const on = (date: string, place: number, position: number) => ({ date, place, position });

test('days in a row with one holder are one stretch; of several on a day the best stands', () => {
  expect(
    holderCourse([
      on('2026-03-03', 2, 9),
      on('2026-03-01', 1, 12),
      on('2026-03-02', 1, 10),
      on('2026-03-03', 1, 30),
      on('2026-03-05', 1, 8),
    ]),
  ).toEqual([
    { from: '2026-03-01', place: 1, position: 10 },
    { from: '2026-03-03', place: 2, position: 9 },
    { from: '2026-03-05', place: 1, position: 8 },
  ]);
  expect(holderCourse([])).toEqual([]);
});

test('no two stretches after one another have one holder, and days go on', () => {
  const held = fc.array(
    fc.record({
      date: fc.integer({ min: 10, max: 40 }).map((n) => `2026-03-${n}`),
      place: fc.integer({ min: 1, max: 3 }),
      position: fc.integer({ min: 1, max: 100 }),
    }),
  );
  fc.assert(
    fc.property(held, (days) => {
      const course = holderCourse(days);
      course.slice(1).forEach(({ from, place }, n) => {
        expect(place).not.toBe(course[n]!.place);
        expect(from > course[n]!.from).toBe(true);
      });
    }),
  );
});

import fc from 'fast-check';
import { versionPeriods } from './versionPeriods';

test.each([
  [
    { day: 100, others: [], oldest: 1, newest: 200 },
    { before: { from: 72, to: 99 }, after: { from: 100, to: 127 } },
  ],
  [
    { day: 100, others: [90], oldest: 1, newest: 200 },
    { before: { from: 91, to: 99 }, after: { from: 100, to: 108 } },
  ],
  [
    { day: 100, others: [104], oldest: 1, newest: 200 },
    { before: { from: 96, to: 99 }, after: { from: 100, to: 103 } },
  ],
  [
    { day: 100, others: [], oldest: 95, newest: 200 },
    { before: { from: 95, to: 99 }, after: { from: 100, to: 104 } },
  ],
  [{ day: 100, others: [], oldest: 1, newest: 101 }, null],
  [{ day: 100, others: [100], oldest: 1, newest: 200 }, null],
])('%j', (given, told) => expect(versionPeriods(given)).toEqual(told));

test('both are equally long, within what is known, and hold no other change', () => {
  const day = fc.integer({ min: 0, max: 120 });
  fc.assert(
    fc.property(day, fc.array(day, { maxLength: 5 }), day, day, (at, others, oldest, newest) => {
      const told = versionPeriods({ day: at, others, oldest, newest });
      if (told === null) return;
      const { before, after } = told;
      expect(before.to - before.from).toBe(after.to - after.from);
      expect(before.to - before.from + 1).toBeGreaterThanOrEqual(3);
      expect([before.to, after.from]).toEqual([at - 1, at]);
      expect(before.from).toBeGreaterThanOrEqual(oldest);
      expect(after.to).toBeLessThanOrEqual(newest);
      for (const other of others) {
        expect(other >= before.from && other <= before.to).toBe(false);
        expect(other > after.from && other <= after.to).toBe(false);
      }
    }),
  );
});

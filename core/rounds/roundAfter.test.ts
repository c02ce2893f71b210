import fc from 'fast-check';
import { DAY_MS } from '../day';
import { roundAfter } from './roundAfter';

test.each([
  [{ name: 'Round 2', starts: '2026-03-30', ends: '2026-04-10' }, ['Round 3', '2026-04-13', '2026-04-24']],
  [{ name: 'Sprint', starts: '2026-03-30', ends: '2026-03-30' }, ['Sprint 2', '2026-04-06', '2026-04-06']],
  // A whole week: the next begins on the day after.
  [{ name: 'May 9', starts: '2026-05-04', ends: '2026-05-10' }, ['May 10', '2026-05-11', '2026-05-17']],
])('%j is followed by %j', (round, [name, starts, ends]) => {
  expect(roundAfter(round)).toEqual({ name, starts, ends });
});

test('it begins after the other is over, within a week, on the same weekday, and lasts as long', () => {
  const day = (time: number): string => new Date(time).toISOString().slice(0, 10);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 30_000 }), fc.integer({ min: 0, max: 200 }), (from, days) => {
      const round = { name: 'R 1', starts: day(from * DAY_MS), ends: day((from + days) * DAY_MS) };
      const next = roundAfter(round);
      const gap = (Date.parse(next.starts) - Date.parse(round.ends)) / DAY_MS;
      expect(gap).toBeGreaterThan(0);
      expect(gap).toBeLessThanOrEqual(7);
      expect((Date.parse(next.starts) - Date.parse(round.starts)) / DAY_MS / 7).toBe(
        Math.round((Date.parse(next.starts) - Date.parse(round.starts)) / DAY_MS / 7),
      );
      expect(Date.parse(next.ends) - Date.parse(next.starts)).toBe(days * DAY_MS);
    }),
  );
});

import fc from 'fast-check';
import { OWN_PERIODS, periodDays, readPeriod, writePeriod } from './period';

const day = fc
  .integer({ min: Date.UTC(2000, 0, 1) / 86_400_000, max: Date.UTC(2039, 11, 31) / 86_400_000 })
  .map((days) => new Date(days * 86_400_000).toISOString().slice(0, 10));
const daysBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / 86_400_000 + 1;

describe('days of a period', () => {
  test.each([
    ['7 days', '2026-03-14', '2026-03-08', '2026-03-14'],
    ['28 days', '2026-03-14', '2026-02-15', '2026-03-14'],
    ['90 days', '2026-03-14', '2025-12-15', '2026-03-14'],
    ['last month', '2026-03-14', '2026-02-01', '2026-02-28'],
    ['last month', '2026-03-31', '2026-03-01', '2026-03-31'],
    ['last month', '2026-01-15', '2025-12-01', '2025-12-31'],
    ['12 months', '2026-03-14', '2025-03-15', '2026-03-14'],
    ['12 months', '2024-02-29', '2023-03-01', '2024-02-29'],
  ] as const)('%s up to %s are %s to %s', (period, newest, from, to) => {
    expect(periodDays(period, newest)).toEqual({ from, to });
  });

  test('two days of one’s own stay as they are, whatever is held', () => {
    const own = { from: '2025-11-03', to: '2025-11-30' };
    expect(periodDays(own, '2026-03-14')).toEqual(own);
  });

  test('a named period ends by the newest day, holds whole days, and has its length', () => {
    fc.assert(
      fc.property(fc.constantFrom(...OWN_PERIODS), day, (period, newest) => {
        const { from, to } = periodDays(period, newest);
        expect(from <= to && to <= newest).toBe(true);
        const length = daysBetween(from, to);
        if (period === 'last month') {
          expect(from.slice(8)).toBe('01');
          expect([28, 29, 30, 31]).toContain(length);
          expect(daysBetween(to, newest)).toBeLessThanOrEqual(31);
        } else if (period === '12 months') expect([365, 366]).toContain(length);
        else expect(length).toBe(parseInt(period, 10));
      }),
    );
  });
});

describe('a period in an address', () => {
  test('is read as it was written', () => {
    fc.assert(
      fc.property(fc.oneof(fc.constantFrom(...OWN_PERIODS), fc.tuple(day, day)), (given) => {
        const period =
          typeof given === 'string' ? given : { from: given.toSorted()[0]!, to: given.toSorted()[1]! };
        expect(readPeriod(writePeriod(period))).toEqual(period);
      }),
    );
  });

  test.each([
    '',
    '28',
    '2026-02-30..2026-03-01',
    '2026-03-02..2026-03-01',
    '2026-03-01',
    'for ever',
    '2026-3-1..2026-3-2',
  ])('%j is none', (text) => {
    expect(readPeriod(text)).toBeNull();
  });
});

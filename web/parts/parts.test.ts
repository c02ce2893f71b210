import fc from 'fast-check';
import { laneScale } from '@opsimath/core/lane/laneScale';
import { laneWords } from '@opsimath/core/lane/laneWords';
import { safeCell } from '@opsimath/core/text/safeCell';
import { rowFinder } from './table/usePages';
import { count, decimal, duration, movement, percent, spelledDay, worth } from './words/figures';
import { ochreOf } from './words/ochre';

describe('figures', () => {
  test.each([
    [count(11215), '11,215'],
    [count(null), '–'],
    [count(0), '0'],
    [decimal(0.387, 2), '0.39'],
    [percent(0.045), '4.5 %'],
    [percent(null), '–'],
    [worth(816.7), '817'],
    [worth(2.345), '2.3'],
    [worth(0.123), '0.12'],
    [spelledDay('2026-03-14'), '14 Mar 2026'],
    [spelledDay(''), ''],
    [duration(0.2), '1 s'],
    [duration(61), '61 s'],
    [duration(150), '3 min'],
  ])('%s is %s', (shown, expected) => expect(shown).toBe(expected));

  test.each([
    [{ movement: 'gained', moved: null }, 'gained'],
    [{ movement: 'climbing', moved: 4 }, '+4'],
    [{ movement: 'none', moved: -2 }, '−2'],
    [{ movement: 'none', moved: 0 }, '0'],
    [{ movement: 'none', moved: null }, ''],
  ] as const)('movement of %j is %s', (row, expected) => expect(movement(row)).toBe(expected));

  test('ochre deepens with size and is lightest for unknown', () => {
    expect([null, 0, 1, 5, 15, 40, 90].map((priority) => ochreOf(priority, 100))).toEqual([
      0, 0, 0, 1, 2, 3, 4,
    ]);
    expect(ochreOf(5, 0)).toBe(0);
  });
});

describe('lane', () => {
  test('positions go from left to right, then absent, then unknown, inside the width', () => {
    fc.assert(
      fc.property(fc.integer({ min: 150, max: 600 }), (width) => {
        const scale = laneScale(width);
        const places = [1, 2, 3, 10, 20, 50, 100, 'absent', 'unknown'] as const;
        const xs = places.map((place) => scale.at(place));
        expect(xs).toEqual([...xs].sort((a, b) => a - b));
        expect(xs[0]).toBeGreaterThan(0);
        expect(xs.at(-1)).toBeLessThan(width);
        expect(scale.at(140)).toBe(scale.at(100));
      }),
    );
  });

  test('its words tell absent from unknown, before from now, and who pays', () => {
    const rival = { name: 'Cobblemoor', letter: 'C', hue: 0, organic: 3, paid: 1 } as const;
    expect(
      laneWords({ name: 'Tarnwick', organic: 14, before: 18, paid: 'absent' }, [
        rival,
        { ...rival, name: 'Saltfen', organic: 'unknown', paid: 'unknown' },
      ]),
    ).toBe('Organic: Tarnwick 14, was 18; Cobblemoor 3; Saltfen unknown. Paid: Cobblemoor 1.');
    expect(laneWords({ name: 'Tarnwick', organic: 'absent', before: 'unknown', paid: 'unknown' }, [])).toBe(
      'Organic: Tarnwick absent. No paid slots of these.',
    );
  });
});

describe('tables', () => {
  test('copied cells are never formulas and never break their row', () => {
    fc.assert(
      fc.property(fc.string(), (cell) => {
        const safe = safeCell(cell);
        expect(safe).not.toMatch(/[\t\r\n]/);
        if (!/^-?[\d.,]+$/.test(safe)) expect(safe).not.toMatch(/^\s*[=+\-@]/);
      }),
    );
    expect([safeCell('-12.5'), safeCell('-2+3'), safeCell('a\tb')]).toEqual(['-12.5', "'-2+3", 'a b']);
  });

  test('a row is found in whichever page holds it', () => {
    const rowAt = rowFinder([
      { page: 0, rows: ['a', 'b'] },
      { page: 3, rows: ['x'] },
      { page: 4, rows: undefined },
    ]);
    expect([rowAt(1), rowAt(300), rowAt(301), rowAt(400), rowAt(900)]).toEqual([
      'b',
      'x',
      undefined,
      undefined,
      undefined,
    ]);
  });
});

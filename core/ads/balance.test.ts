import fc from 'fast-check';
import { BALANCES, balanceEdges, balances } from './balance';

test('four groups by the medians; unknown is in none', () => {
  expect(balances([0.1, 0.1, 0.01, 0.01, NaN, 0.2], [900, 10, 900, 10, 900, NaN])).toEqual([
    'sells and is searched',
    'sells, seldom searched',
    'searched, seldom sells',
    'neither',
    null,
    null,
  ]);
  expect(balances([], [])).toEqual([]);
});

test('whatever the figures, each known one is in one group, and more of a figure never leaves the better half', () => {
  const figure = fc.oneof(fc.double({ min: 0, max: 1, noNaN: true }), fc.constant(NaN));
  fc.assert(
    fc.property(fc.array(fc.tuple(figure, figure), { minLength: 1, maxLength: 20 }), (rows) => {
      const [rates, volumes] = [rows.map(([rate]) => rate), rows.map(([, volume]) => volume)];
      balances(rates, volumes).forEach((word, n) => {
        const unknown = Number.isNaN(rates[n]!) || Number.isNaN(volumes[n]!);
        expect(word === null).toBe(unknown);
        if (word !== null) expect(BALANCES).toContain(word);
      });
      const found = balances(rates, volumes);
      const sells = (n: number): boolean => found[n]?.startsWith('sells') ?? false;
      rows.forEach((_, a) =>
        rows.forEach((_row, b) => {
          if (found[a] !== null && found[b] !== null && rates[a]! >= rates[b]! && sells(b))
            expect(sells(a)).toBe(true);
        }),
      );
    }),
  );
});

test('the edges are the medians of those of which both figures are known', () => {
  expect(balanceEdges([0.1, 0.3, NaN, 0.2, 0.9], [10, 40, 70, 20, NaN])).toEqual({ rate: 0.2, volume: 20 });
  expect(balanceEdges([0.1, NaN], [NaN, 5])).toBeNull();
});

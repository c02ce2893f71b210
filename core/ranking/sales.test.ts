import fc from 'fast-check';
import { type SalesCurve, unitsAtRank } from './sales';

const curve: SalesCurve = [
  { rank: 1, units: 1000 },
  { rank: 100, units: 10 },
];

/** Ranks ascending, units falling, as any source would give them. */
const curves = fc
  .uniqueArray(fc.integer({ min: 1, max: 1_000_000 }), { minLength: 2, maxLength: 12 })
  .chain((ranks) =>
    fc
      .uniqueArray(fc.integer({ min: 1, max: 500_000 }), { minLength: ranks.length, maxLength: ranks.length })
      .map((units) => {
        const falling = units.toSorted((a, b) => b - a);
        return ranks.toSorted((a, b) => a - b).map((rank, i) => ({ rank, units: falling[i]! }));
      }),
  );

test('units at a rank run straight on logarithmic scales', () => {
  expect(unitsAtRank(curve, 10)).toBeCloseTo(100, 8);
  expect(unitsAtRank(curve, 1)).toBeCloseTo(1000, 8);
  expect(unitsAtRank(curve, 1000)).toBeCloseTo(1, 8);
});

test.each([
  ['no curve', [], 10],
  ['one point', [{ rank: 1, units: 5 }], 1],
  ['points without sales', [{ rank: 1, units: 0 }, ...curve.slice(0, 1)], 1],
  ['no rank', curve, null],
  ['a rank that cannot be', curve, 0],
] as const)('with %s the units are unknown', (_, given, rank) => expect(unitsAtRank(given, rank)).toBeNull());

test('the points of the source are met, whichever they are', () => {
  fc.assert(
    fc.property(curves, (given) => {
      for (const { rank, units } of given) expect(unitsAtRank(given, rank)! / units).toBeCloseTo(1, 6);
    }),
  );
});

test('a worse rank never sells more, within the curve and beyond its ends', () => {
  fc.assert(
    fc.property(
      curves,
      fc.integer({ min: 1, max: 2_000_000 }),
      fc.integer({ min: 1, max: 2_000_000 }),
      (given, a, b) => {
        const [better, worse] = a < b ? [a, b] : [b, a];
        const [more, less] = [unitsAtRank(given, better)!, unitsAtRank(given, worse)!];
        expect(less).toBeGreaterThanOrEqual(0);
        expect(less).toBeLessThanOrEqual(more * (1 + 1e-9));
      },
    ),
  );
});

test('between two points the estimate lies between their units', () => {
  fc.assert(
    fc.property(curves, fc.double({ min: 0, max: 1, noNaN: true }), (given, share) => {
      for (let i = 1; i < given.length; i++) {
        const [low, high] = [given[i - 1]!, given[i]!];
        const rank = Math.round(low.rank + share * (high.rank - low.rank));
        const units = unitsAtRank(given, rank)!;
        expect(units).toBeLessThanOrEqual(low.units * (1 + 1e-9));
        expect(units).toBeGreaterThanOrEqual(high.units * (1 - 1e-9));
      }
    }),
  );
});

import fc from 'fast-check';
import { asCompared, sortRows, sortRowsExactly } from './order';

/** The plain version: a comparator, the judge of the fast one. */
function plainly(rows: Int32Array, keys: { figures: number[]; descending: boolean }[]): number[] {
  return Array.from(rows).sort((a, b) => {
    for (const { figures, descending } of keys) {
      const [left, right] = [asCompared(figures[a]!), asCompared(figures[b]!)];
      if (Number.isNaN(left) && Number.isNaN(right)) continue;
      if (Number.isNaN(left)) return 1;
      if (Number.isNaN(right)) return -1;
      if (left !== right) return (left < right ? -1 : 1) * (descending ? -1 : 1);
    }
    return 0;
  });
}

test('several keys, both ways, unknown last, ties as they came: the same as by comparing', () => {
  const figure = fc.oneof(
    fc.integer({ min: -5, max: 5 }),
    fc.double({ noDefaultInfinity: true }),
    fc.constant(NaN),
    fc.constant(-0),
  );
  const table = fc.integer({ min: 0, max: 60 }).chain((size) =>
    fc.record({
      rows: fc.shuffledSubarray([...Array(size).keys()], { minLength: size, maxLength: size }),
      keys: fc.array(
        fc.record({
          figures: fc.array(figure, { minLength: size, maxLength: size }),
          descending: fc.boolean(),
        }),
        { maxLength: 3 },
      ),
    }),
  );
  fc.assert(
    fc.property(table, ({ rows, keys }) => {
      const sorted = Array.from(sortRows(Int32Array.from(rows), keys));
      expect(sorted).toEqual(plainly(Int32Array.from(rows), keys));
    }),
    { numRuns: 400 },
  );
});

test('to the last digit: what 32 bits cannot tell apart is told apart, what is equal keeps its order', () => {
  const close = fc.constantFrom(1, 1 + 1e-12, 1 + 2e-12, 2, 2 + 1e-10, NaN, 0);
  const table = fc.integer({ min: 0, max: 40 }).chain((size) =>
    fc.record({
      figures: fc.array(close, { minLength: size, maxLength: size }),
      second: fc.array(fc.nat(3), { minLength: size, maxLength: size }),
      descending: fc.boolean(),
    }),
  );
  fc.assert(
    fc.property(table, ({ figures, second, descending }) => {
      const rows = Int32Array.from(figures.keys());
      const sorted = sortRowsExactly(rows, [
        { figures: Float64Array.from(figures), descending },
        { figures: second, descending: !descending },
      ]);
      const plain = [...rows].sort((a, b) => {
        const [left, right] = [figures[a]!, figures[b]!];
        const unknown = Number(Number.isNaN(left)) - Number(Number.isNaN(right));
        const first =
          Number.isNaN(left) || left === right ? 0 : (left < right ? -1 : 1) * (descending ? -1 : 1);
        const then = (second[a]! - second[b]!) * (descending ? 1 : -1);
        return unknown || first || then || a - b;
      });
      expect([...sorted]).toEqual(plain);
    }),
  );
});

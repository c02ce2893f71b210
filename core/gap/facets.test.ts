import fc from 'fast-check';
import { type Facet, narrow } from './facets';

const fits = ({ bits, wanted }: Facet, row: number): boolean => wanted === 0 || (bits[row]! & wanted) !== 0;

test('an example: counts obey the other facets and not their own', () => {
  const kind = { bits: [1, 1, 2, 4], wanted: 1, size: 3 };
  const mark = { bits: [1, 2, 3, 0], wanted: 0, size: 2 };
  const { passes, total, counts } = narrow(4, [kind, mark], null);
  expect([...passes]).toEqual([1, 1, 0, 0]);
  expect(total).toBe(2);
  expect(counts.map((list) => [...list])).toEqual([
    [2, 1, 1],
    [1, 1],
  ]);
});

test('is what asking row by row gives, and each count is what choosing it would leave', () => {
  const facet = fc.record({ size: fc.integer({ min: 1, max: 6 }), seed: fc.nat() }).chain(({ size }) =>
    fc.record({
      bits: fc.array(fc.nat({ max: (1 << size) - 1 }), { minLength: 20, maxLength: 20 }),
      wanted: fc.nat({ max: (1 << size) - 1 }),
      size: fc.constant(size),
    }),
  );
  const also = fc.option(fc.array(fc.constantFrom(0, 1), { minLength: 20, maxLength: 20 }), { nil: null });
  fc.assert(
    fc.property(fc.array(facet, { maxLength: 4 }), also, (facets, given) => {
      const allowed = given === null ? null : Uint8Array.from(given);
      const { passes, total, counts } = narrow(20, facets, allowed);
      const plain = [...passes.keys()].map((row) =>
        Number((allowed === null || allowed[row] === 1) && facets.every((each) => fits(each, row))),
      );
      expect([...passes]).toEqual(plain);
      expect(total).toBe(plain.reduce((sum, one) => sum + one, 0));
      facets.forEach((chosen, at) =>
        [...counts[at]!].forEach((count, bit) => {
          const alone = facets.map((each) => (each === chosen ? { ...each, wanted: 1 << bit } : each));
          expect(count).toBe(narrow(20, alone, allowed).total);
        }),
      );
    }),
  );
});

test('more bits than a number has are refused', () => {
  expect(() => narrow(1, [{ bits: [1], wanted: 0, size: 32 }], null)).toThrow(RangeError);
});

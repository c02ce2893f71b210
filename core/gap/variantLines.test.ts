import fc from 'fast-check';
import { linesBetween, variantLines } from './variantLines';

test('the first of a group has the line, the others of it follow in their order', () => {
  const groups = [7, -1, 7, 3, -1, 7, 3];
  const lines = variantLines([5, 1, 3, 0, 4, 2, 6], (row) => groups[row]!);
  expect([...lines.first]).toEqual([5, 1, 3, 4]);
  expect([...lines.others]).toEqual([
    [5, [0, 2]],
    [3, [6]],
  ]);
  const shown = (opened: number[], from: number, most: number) =>
    linesBetween(lines, (row) => opened.includes(row), from, most).map(({ row, under }) => [row, under]);
  expect(shown([], 1, 2)).toEqual([
    [1, null],
    [3, null],
  ]);
  expect(shown([5, 3], 0, 100)).toEqual([
    [5, null],
    [0, 5],
    [2, 5],
    [1, null],
    [3, null],
    [6, 3],
    [4, null],
  ]);
  // A page may begin and end amid what is opened.
  expect(shown([5, 3], 2, 1)).toEqual([[2, 5]]);
  expect(shown([1], 0, 2)).toEqual([
    [5, null],
    [1, null],
  ]);
});

test('no row is lost or shown twice; pages of any size join to the same lines; all opened, every row is there', () => {
  const given = fc.array(fc.integer({ min: -1, max: 5 }), { maxLength: 40 }).chain((groups) =>
    fc.record({
      groups: fc.constant(groups),
      order: fc.shuffledSubarray([...groups.keys()]),
      opened: fc.subarray([...groups.keys()]),
      size: fc.integer({ min: 1, max: 9 }),
    }),
  );
  fc.assert(
    fc.property(given, ({ groups, order, opened, size }) => {
      const lines = variantLines(order, (row) => groups[row]!);
      const held = [...lines.first, ...[...lines.others.values()].flat()];
      expect(held.sort((a, b) => a - b)).toEqual([...order].sort((a, b) => a - b));
      const open = (row: number): boolean => opened.includes(row);
      const whole = linesBetween(lines, open, 0, 1000);
      const pages = [];
      for (let from = 0; from < whole.length; from += size)
        pages.push(...linesBetween(lines, open, from, size));
      expect(pages).toEqual(whole);
      expect(linesBetween(lines, () => true, 0, 1000)).toHaveLength(order.length);
    }),
  );
});

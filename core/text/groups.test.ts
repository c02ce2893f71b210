import fc from 'fast-check';
import { Groups } from './groups';

test('gives what a map of lists gives', () => {
  const number = fc.oneof(fc.integer({ min: -5, max: 5 }), fc.integer({ min: -(2 ** 31), max: 2 ** 31 - 1 }));
  fc.assert(
    fc.property(fc.array(number), fc.array(number), (numbers, asked) => {
      const members = Int32Array.from(numbers.keys());
      const groups = new Groups(Int32Array.from(numbers), members);
      for (const wanted of [...numbers, ...asked]) {
        const plain = numbers.flatMap((other, n) => (other === wanted ? [n] : []));
        expect(groups.has(wanted)).toBe(plain.length > 0);
        expect(groups.seek(wanted) ? [...groups.members.subarray(groups.from, groups.to)] : []).toEqual(
          plain,
        );
      }
    }),
  );
});

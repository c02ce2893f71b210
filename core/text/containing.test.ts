import fc from 'fast-check';
import { containing, grain } from './containing';

test('short keywords in longer ones, order kept, whole words, each longer one once', () => {
  const keys = ['bag', 'bike bag', 'bag bike bag', 'bike bags', 'red bike bag', 'bag for bike'];
  const { counts, volumes } = containing(keys, [900, 500, 20, 300, 10, NaN]);
  expect([...counts]).toEqual([4, 2, 0, 0, 0, 0]);
  expect([...volumes]).toEqual([530, 30, 0, 0, 0, 0]);
});

test('a keyword stands under the longest other one contained in it', () => {
  const keys = ['bag', 'bike bag', 'red bike bag', 'bag bike bag', 'bike', 'waterproof', 'bags'];
  const { parents } = containing(
    keys,
    keys.map(() => 1),
  );
  expect([...parents].map((parent) => keys[parent] ?? null)).toEqual([
    null,
    // Of as many words: the one of more letters.
    'bike',
    'bike bag',
    'bike bag',
    null,
    null,
    null,
  ]);
});

test('every parent is contained, is shorter, and no other contained one is longer', () => {
  const key = fc
    .array(fc.constantFrom('bike', 'bag', 'red', 'x'), { minLength: 1, maxLength: 5 })
    .map((parts) => parts.join(' '));
  fc.assert(
    fc.property(fc.uniqueArray(key, { maxLength: 40 }), (keys) => {
      const { parents, counts } = containing(
        keys,
        keys.map(() => 1),
      );
      keys.forEach((longer, index) => {
        const held = keys.filter((shorter) => shorter !== longer && ` ${longer} `.includes(` ${shorter} `));
        const words = (text: string): number => text.split(' ').length;
        const most = Math.max(0, ...held.map(words));
        const parent = keys[parents[index]!];
        expect(parent === undefined ? held.length : Number(held.includes(parent))).toBe(
          parent === undefined ? 0 : 1,
        );
        if (parent !== undefined) expect(words(parent)).toBe(most);
      });
      const contained = keys.map(
        (shorter) =>
          keys.filter((longer) => shorter !== longer && ` ${longer} `.includes(` ${shorter} `)).length,
      );
      expect([...counts]).toEqual(contained);
    }),
  );
});

test('grain is what a keyword says beyond the nearest seed', () => {
  expect(grain('waterproof bike bag', ['bike bag'])).toBe(1);
  expect(grain('bag for the bike', ['bike bag', 'waterproof bag'])).toBe(2);
  expect(grain('bike bag', ['bike bag'])).toBe(0);
  expect(grain('bike bag', [])).toBeNaN();
});

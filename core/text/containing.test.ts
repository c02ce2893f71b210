import { containing, grain } from './containing';

test('short keywords in longer ones, order kept, whole words, each longer one once', () => {
  const keys = ['bag', 'bike bag', 'bag bike bag', 'bike bags', 'red bike bag', 'bag for bike'];
  const { counts, volumes } = containing(keys, [900, 500, 20, 300, 10, NaN]);
  expect([...counts]).toEqual([4, 2, 0, 0, 0, 0]);
  expect([...volumes]).toEqual([530, 30, 0, 0, 0, 0]);
});

test('grain is what a keyword says beyond the nearest seed', () => {
  expect(grain('waterproof bike bag', ['bike bag'])).toBe(1);
  expect(grain('bag for the bike', ['bike bag', 'waterproof bag'])).toBe(2);
  expect(grain('bike bag', ['bike bag'])).toBe(0);
  expect(grain('bike bag', [])).toBeNaN();
});

import fc from 'fast-check';
import { handOut } from './handOut';

test('the longest first; where that ends in a corner, otherwise', () => {
  // The longest to whom has most days (3 to the first) leaves 2 + 2 for the other’s 4.
  expect(handOut([3, 2, 2], [4, 3])).toEqual([1, 0, 0]);
  expect(handOut([], [])).toEqual([]);
  expect(handOut([1], [])).toBeNull();
  expect(handOut([2, 2], [3])).toBeNull();
});

test('whatever is handed out nobody gets more than their days; nothing is left that could be handed out', () => {
  const effort = fc.constantFrom(0.25, 1, 2, 3);
  fc.assert(
    fc.property(
      fc.array(effort, { maxLength: 7 }),
      fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 3 }),
      (efforts, people) => {
        const given = handOut(efforts, people);
        const holds = (hands: readonly number[]): boolean =>
          people.every(
            (days, person) =>
              efforts.reduce((sum, one, n) => (hands[n] === person ? sum + one : sum), 0) <= days + 1e-9,
          );
        if (given) {
          expect(given.every((person) => person >= 0 && person < people.length)).toBe(true);
          expect(holds(given)).toBe(true);
          return;
        }
        for (let way = 0; way < people.length ** efforts.length; way++)
          expect(holds(efforts.map((_, n) => Math.floor(way / people.length ** n) % people.length))).toBe(
            false,
          );
      },
    ),
  );
});

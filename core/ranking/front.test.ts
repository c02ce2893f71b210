import fc from 'fast-check';
import { exactRivals, frontOf, isOnFront, viewsADay } from './front';
import { ABSENT, UNKNOWN } from './position';

test.each([
  [1, 10, true],
  [10, 10, true],
  [11, 10, false],
  [UNKNOWN, 10, false],
  [ABSENT, 10, false],
  [3, 3, true],
  [4, 3, false],
])('position %i with a front of %i: %j', (position, front, expected) => {
  expect(isOnFront(position, front)).toBe(expected);
});

test('the front keeps the order given and leaves out what has no position', () => {
  const results = [{ position: 4 }, { position: null }, { position: 12 }, { position: 1 }];
  expect(frontOf(results, 10)).toEqual([{ position: 4 }, { position: 1 }]);
  expect(frontOf(results, 3)).toEqual([{ position: 1 }]);
  expect(frontOf([], 10)).toEqual([]);
});

test('a deeper front holds a shallower one', () => {
  const position = fc.option(fc.integer({ min: 1, max: 60 }), { nil: null });
  fc.assert(
    fc.property(fc.array(fc.record({ position })), fc.integer({ min: 1, max: 30 }), (results, front) => {
      const deeper = frontOf(results, front + 5);
      for (const result of frontOf(results, front)) expect(deeper).toContain(result);
    }),
  );
});

test('exact rivals leave ours out, and who lacks the phrase', () => {
  const of = (phraseInTitle: boolean, own: boolean) => ({ phraseInTitle, own });
  expect(exactRivals([of(true, false), of(true, true), of(false, false), of(true, false)])).toBe(2);
  expect(exactRivals([])).toBe(0);
});

test.each([
  [300, 30, 10],
  // Younger than a day counts as a day old, not as no age at all.
  [300, 0, 300],
  [300, 0.5, 300],
  [0, 10, 0],
  [null, 10, null],
  [300, null, null],
  [undefined, undefined, null],
])('%j views in %j days are %j a day', (views, age, expected) => {
  expect(viewsADay(views, age)).toBe(expected);
});

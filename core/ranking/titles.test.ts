import fc from 'fast-check';
import { titleFaults } from './titles';

test.each([
  ['Waterproof Panniers | Tarnwick', ['waterproof panniers'], 60, []],
  ['WATERPROOF, panniers!', ['waterproof panniers'], 60, []],
  ['Waterproofed panniers', ['waterproof panniers'], 60, ['none of its best keywords']],
  ['Panniers, waterproof', ['waterproof panniers', 'rain bag'], 60, ['none of its best keywords']],
  ['Rain bag', ['waterproof panniers', 'rain bag'], 60, []],
  ['Carry more', [], 60, []],
  ['Carry more…', [], 60, ['cut off']],
  ['Carry more ...  ', [], 60, ['cut off']],
  ['Carry… more', [], 60, []],
  ['Carry more', [], 9, ['too long']],
  ['Carry more', [], 10, []],
  ['🚲🚲🚲', [], 3, []],
  ['🚲🚲🚲🚲', [], 3, ['too long']],
  ['Carry more…', ['panniers'], 5, ['none of its best keywords', 'too long', 'cut off']],
  ['', ['panniers'], 60, ['none of its best keywords']],
] as const)('%j with %j within %i: %j', (title, best, limit, faults) =>
  expect(titleFaults(title, best, limit)).toEqual(faults),
);

test('a title that holds one of its best keywords whole is not blamed for the others', () => {
  const word = fc.stringMatching(/^[a-z]{2,9}$/);
  const phrase = fc.array(word, { minLength: 1, maxLength: 3 }).map((list) => list.join(' '));
  fc.assert(
    fc.property(phrase, phrase, phrase, fc.array(phrase, { maxLength: 4 }), (before, held, after, others) => {
      const title = `${before} – ${held.toUpperCase()} | ${after}`;
      expect(titleFaults(title, [...others, held], 500)).toEqual([]);
    }),
  );
});

test('the limit counts what people see as characters, whatever they are', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'binary', maxLength: 40 }),
      fc.integer({ min: 0, max: 40 }),
      (title, limit) => {
        expect(titleFaults(title, [], limit).includes('too long')).toBe([...title].length > limit);
      },
    ),
  );
});

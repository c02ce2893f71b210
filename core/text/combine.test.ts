import fc from 'fast-check';
import { combinePhrases } from './combine';

const NONE = new Set<string>();

test('short ones first, in the order of the words; known ones are left out', () => {
  expect(
    combinePhrases(['dry', 'bag', 'bike'], { least: 2, most: 3, anyOrder: false }, new Set(['dry bag'])),
  ).toEqual({
    phrases: ['dry bike', 'bag bike', 'dry bag bike'],
    possible: 4,
  });
  expect(combinePhrases(['dry', 'bag'], { least: 2, most: 5, anyOrder: true }, NONE)).toEqual({
    phrases: ['dry bag', 'bag dry'],
    possible: 2,
  });
});

test('no word twice in a phrase, also where parts share one', () => {
  expect(combinePhrases(['bike bag', 'bike'], { least: 2, most: 2, anyOrder: true }, NONE).phrases).toEqual(
    [],
  );
});

test('never more than the limit, each once, of the wanted length, and the number of all is right', () => {
  const word = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'g');
  fc.assert(
    fc.property(
      fc.uniqueArray(word, { minLength: 1 }),
      fc.integer({ min: 2, max: 5 }),
      fc.boolean(),
      fc.integer({ min: 1, max: 60 }),
      (chosen, length, anyOrder, limit) => {
        const how = { least: length, most: length, anyOrder };
        const { phrases, possible } = combinePhrases(chosen, how, NONE, limit);
        expect(new Set(phrases).size).toBe(phrases.length);
        expect(phrases.length).toBe(length > chosen.length ? 0 : Math.min(limit, possible));
        for (const phrase of phrases) expect(phrase.split(' ')).toHaveLength(length);
      },
    ),
  );
});

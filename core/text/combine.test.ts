import fc from 'fast-check';
import { phrasesOf, possiblePhrases } from './combine';

test('short ones first, in the order of the words', () => {
  const how = { least: 2, most: 3, anyOrder: false };
  expect([...phrasesOf(['dry', 'bag', 'bike'], how)]).toEqual([
    'dry bag',
    'dry bike',
    'bag bike',
    'dry bag bike',
  ]);
  expect(possiblePhrases(['dry', 'bag', 'bike'], how)).toBe(4);
  expect([...phrasesOf(['dry', 'bag'], { least: 2, most: 5, anyOrder: true })]).toEqual([
    'dry bag',
    'bag dry',
  ]);
});

test('no word twice in a phrase, also where parts share one', () =>
  expect([...phrasesOf(['bike bag', 'bike'], { least: 2, most: 2, anyOrder: true })]).toEqual([]));

test('each once, of the wanted length, as many as are possible', () => {
  const word = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'g');
  fc.assert(
    fc.property(
      fc.uniqueArray(word, { minLength: 1 }),
      fc.integer({ min: 2, max: 5 }),
      fc.boolean(),
      (chosen, length, anyOrder) => {
        const how = { least: length, most: length, anyOrder };
        const phrases = [...phrasesOf(chosen, how)];
        expect(new Set(phrases).size).toBe(phrases.length);
        expect(phrases).toHaveLength(possiblePhrases(chosen, how));
        for (const phrase of phrases) expect(phrase.split(' ')).toHaveLength(length);
      },
    ),
  );
});

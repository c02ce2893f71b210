import fc from 'fast-check';
import { spellingsAmong } from './spellingsAmong';
import { mayBeSpellingOf } from './variants';

const USED = new Set(
  'water proof waterproof waterprof watreproof bag bags pannier panniers cobblemoor coblemoor cobblemore x20 x21 red'.split(
    ' ',
  ),
);
const DICTIONARY = new Set(['water', 'proof', 'waterproof', 'bag', 'bags', 'pannier', 'panniers', 'red']);
const isWord = (word: string): boolean => DICTIONARY.has(word);

test.each([
  ['waterproof', ['water proof', 'waterprof', 'watreproof']],
  ['cobblemoor', ['cobblemore', 'coblemoor']],
  // Another form of the word is a word of its own.
  ['panniers', []],
  ['water proof', ['waterproof']],
  ['red cobblemoor', ['red cobblemore', 'red coblemoor']],
  // Another number is another thing.
  ['x20', []],
  ['nowhere', []],
])('%s is also written %j', (phrase, expected) => {
  expect(spellingsAmong(phrase, USED, isWord)).toEqual(expected);
});

test('of single words it is what comparing with each gives', () => {
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'é', '7'), minLength: 1, maxLength: 9 });
  fc.assert(
    fc.property(word, fc.uniqueArray(word, { maxLength: 40 }), (phrase, vocabulary) => {
      const found = spellingsAmong(phrase, new Set(vocabulary), () => false);
      const plain = vocabulary.filter((other) => mayBeSpellingOf(phrase, other)).sort();
      expect(found.filter((spelling) => !spelling.includes(' '))).toEqual(plain);
    }),
  );
});

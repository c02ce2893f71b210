import fc from 'fast-check';
import { key, words } from './key';
import { matches } from './match';
import { closeVariantKey, isStopWord, stem } from './stems';

describe('key', () => {
  test.each([
    ['  Waterproof  PANNIERS!! ', 'waterproof panniers'],
    ['20l bag (pair)', '20l bag pair'],
    ["men's bag", "men's bag"],
    ['roll-top', 'roll-top'],
    ['black & tan', 'black tan'],
    ['bags&more', 'bags&more'],
    ['c++ bag #1', 'c++ bag #1'],
    ['1.5 l bottle. cage', '1.5 l bottle cage'],
    ['v.2', 'v 2'],
    ['ﬁne ｂａｇ ①', 'fine bag 1'],
    ['- – — +', ''],
    ['Fahrradtasche für Gepäckträger', 'fahrradtasche für gepäckträger'],
    ['حقيبة دراجة', 'حقيبة دراجة'],
    ['🚲 bag 🚲', 'bag'],
    ['', ''],
  ])('%j is %j', (text, expected) => expect(key(text)).toBe(expected));

  test('is idempotent, single-spaced and trimmed for any text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const once = key(text);
        expect(key(once)).toBe(once);
        expect(once).toBe(words(once).join(' '));
      }),
    );
  });

  test('ignores case, width and punctuation around words', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-z0-9]{1,8}$/), { minLength: 1, maxLength: 5 }), (list) => {
        expect(key(`(${list.join(' / ').toUpperCase()})?`)).toBe(list.join(' '));
      }),
    );
  });
});

describe('matching', () => {
  test.each([
    ['waterproof bike panniers', 'bike panniers', 'phrase', undefined, true],
    ['waterproof bike panniers', 'waterproof panniers', 'phrase', undefined, false],
    ['waterproof bike panniers', 'panniers waterproof', 'all words', undefined, true],
    ['waterproof bike panniers', 'pannier', 'any word', undefined, false],
    ['waterproof bike panniers', 'pannier', 'any word', 'en', true],
    ['bikes', 'bike', 'phrase', 'en', true],
    ['bikepacking', 'bike', 'phrase', undefined, false],
    ['anything', '', 'all words', undefined, false],
  ] as const)('%j has %j as %s (stems %s): %s', (text, sought, mode, language, expected) => {
    expect(matches(text, sought, mode, language)).toBe(expected);
  });

  test('a phrase match is an all-words match is an any-word match', () => {
    const word = fc.constantFrom('bag', 'bike', 'rain', 'cover');
    const phrase = fc.array(word, { minLength: 1, maxLength: 4 }).map((list) => list.join(' '));
    fc.assert(
      fc.property(phrase, phrase, (text, sought) => {
        if (matches(text, sought, 'phrase')) expect(matches(text, sought, 'all words')).toBe(true);
        if (matches(text, sought, 'all words')) expect(matches(text, sought, 'any word')).toBe(true);
      }),
    );
  });
});

describe('stems', () => {
  test('close variants share a key whatever order, number or filler words', () => {
    expect(closeVariantKey('bag for the bikes', 'en')).toBe(closeVariantKey('Bike bags', 'en'));
    expect(closeVariantKey('bike rack', 'en')).not.toBe(closeVariantKey('bike bag', 'en'));
    expect(closeVariantKey('the', 'en')).not.toBe(closeVariantKey('of', 'en'));
  });
  test('works in three languages and leaves others alone', () => {
    expect(stem('taschen', 'de')).toBe(stem('tasche', 'de'));
    expect(stem('bolsas', 'es')).toBe(stem('bolsa', 'es'));
    expect(stem('laukut', 'fi')).toBe('laukut');
    // Numbers have one form in every language.
    for (const language of ['en', 'de', 'es'])
      for (const number of ['0', '7', '2026', '100000000000']) expect(stem(number, language)).toBe(number);
    expect(isStopWord('the', 'en')).toBe(true);
    expect(isStopWord('the', 'fi')).toBe(false);
  });
});

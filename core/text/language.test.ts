import { guessLanguage, type WordLanguages } from './language';

const NOTHING = { en: 0, de: 0, es: 0 };
const WORDS: Record<string, typeof NOTHING> = {
  bag: { en: 1, de: 0, es: 0 },
  alforja: { en: 0, de: 0, es: 1 },
  tasche: { en: 0, de: 1, es: 0 },
  para: { en: 0.5, de: 0, es: 0.5 },
};
const languagesOf: WordLanguages = (word) => WORDS[word] ?? NOTHING;

describe('the language of a keyword', () => {
  test.each([
    ['bag', 'en', { language: 'en', confidence: 1 }],
    ['alforja para bag 20l', 'en', { language: 'en', confidence: 0.5 }],
    ['alforja para tarnwick', 'en', { language: 'es', confidence: 0.75 }],
    ['tasche', 'en', { language: 'de', confidence: 1 }],
    ['para', 'es', { language: 'es', confidence: 0.5 }],
    ['tarnwick 20', 'en', null],
  ])('%s in a market of %s', (key, usual, expected) => {
    expect(guessLanguage(key, languagesOf, usual)).toEqual(expected);
  });
});

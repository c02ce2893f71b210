import { guessLanguage } from '@opsimath/core/text/language';
import { openDictionaries } from './dictionaries';

const { isWord, openLanguages } = openDictionaries();

describe('dictionaries', () => {
  test.each([
    ['panniers', 'en', true],
    ['pannires', 'en', false],
    ['waterproof', 'en', true],
    ['alforjas', 'es', true],
    ['sillín', 'es', true],
    ['alfojras', 'es', false],
    ['taschen', 'de', true],
    ['fahrradtasche', 'de', true],
    ['fahradtasche', 'de', false],
    ['bag', 'fr', false],
  ])('%s in %s: %s', (word, language, expected) => {
    expect(isWord(word, language)).toBe(expected);
  });

  test.each([
    ['waterproof panniers', 'en'],
    ['frame bag', 'en'],
    ['roll top pannier', 'en'],
    ['dry bag 20l', 'en'],
    ['how to pack panniers', 'en'],
    ['alforjas', 'es'],
    ['alforjas para bicicleta', 'es'],
    ['bolsa de sillín impermeable', 'es'],
    ['mochila alforja', 'es'],
    ['fahrradtasche wasserdicht', 'de'],
    ['satteltasche', 'de'],
    ['taschen für fahrrad', 'de'],
  ])('“%s” is %s, in whatever market', async (key, expected) => {
    const languagesOf = await openLanguages();
    for (const market of ['en', 'de', 'es'])
      expect(guessLanguage(key, languagesOf, market)?.language).toBe(expected);
  });
});

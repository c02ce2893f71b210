import fc from 'fast-check';
import { key, words } from '../text/key';
import { draftKeyword } from './draftCoverage';
import { titleBuilder } from './titleBuilder';
import { PLAIN_STYLE } from './titleStyle';

const all = (texts: Record<string, number>) =>
  Object.entries(texts).map(([text, volume]) => draftKeyword(key(text), volume, 'en'));

test('the lead stands whole and first, what goes on from it is said right behind it', () => {
  const [best] = titleBuilder(
    all({ 'rear pannier': 900, 'pannier bag': 400, 'waterproof pannier': 300 }),
    { most: 60, unit: 'characters' },
    PLAIN_STYLE,
    'en',
  );
  expect(best!.title).toBe('Rear pannier bag, waterproof');
  expect([best!.whole, best!.held, best!.uncovered]).toEqual([1300, 1600, []]);
});

test('what does not fit is named; a brand stands last; capitals as the house writes them', () => {
  const [best] = titleBuilder(
    all({ 'rear pannier': 900, 'handlebar bag for commuting': 400 }),
    { most: 26, unit: 'characters' },
    { separator: ' · ', capitals: 'every word', brand: 'Tarnwick', brandPlace: 'last' },
    'en',
  );
  expect(best!.title).toBe('Rear Pannier | Tarnwick');
  expect(best!.uncovered).toEqual([1]);
  expect(titleBuilder([], { most: 60, unit: 'characters' }, PLAIN_STYLE, 'en')).toEqual([]);
});

test('every title fits, begins with the lead, says no word twice; the best comes first', () => {
  const word = fc.constantFrom('rear', 'rack', 'bag', 'pannier', 'waterproof', 'large', 'small', 'touring');
  const keyword = fc.uniqueArray(word, { minLength: 1, maxLength: 3 }).map((parts) => parts.join(' '));
  fc.assert(
    fc.property(
      fc.uniqueArray(keyword, { minLength: 1, maxLength: 12 }),
      fc.integer({ min: 30, max: 90 }),
      (texts, most) => {
        const keywords = texts.map((text, n) => draftKeyword(text, 100 - n, 'en'));
        const titles = titleBuilder(keywords, { most, unit: 'characters' }, PLAIN_STYLE, 'en');
        titles.forEach(({ title, whole, held }, n) => {
          expect(title.length).toBeLessThanOrEqual(most);
          expect(key(title).startsWith(texts[0]!)).toBe(true);
          const said = words(key(title));
          expect(new Set(said).size).toBe(said.length);
          expect(held).toBeGreaterThanOrEqual(whole);
          if (n > 0) expect(whole).toBeLessThanOrEqual(titles[n - 1]!.whole);
        });
      },
    ),
    { numRuns: 60 },
  );
});

import fc from 'fast-check';
import { words } from '../text/key';
import { wordsTable } from './wordsTable';

const FIELDS = [
  { name: 'title', text: 'waterproof pannier heron' },
  { name: 'description', text: 'panniers that stay dry for bike touring' },
];

test('each word with what needs it, where it stands as typed, in another form, or not at all', () => {
  const { words: table, keywords } = wordsTable(
    FIELDS,
    [
      { key: 'waterproof panniers', volume: 900 },
      { key: 'pannier for touring', volume: 100 },
      { key: 'leather pannier', volume: 50 },
    ],
    'en',
  );
  expect(table).toEqual([
    { word: 'panniers', keywords: 3, volume: 1050, fields: ['another form', 'as typed'] },
    { word: 'waterproof', keywords: 1, volume: 900, fields: ['as typed', 'missing'] },
    { word: 'touring', keywords: 1, volume: 100, fields: ['missing', 'as typed'] },
    { word: 'leather', keywords: 1, volume: 50, fields: ['missing', 'missing'] },
  ]);
  expect(keywords.map(({ coverage, missing }) => [coverage, missing])).toEqual([
    // In another form of its words.
    ['whole', []],
    ['one field', []],
    ['part', ['leather']],
  ]);
});

test('without stems another form is another word', () => {
  const { words: table, keywords } = wordsTable(FIELDS, [{ key: 'pannier touring', volume: 1 }], 'xx');
  expect(table.map(({ word, fields }) => [word, ...fields])).toEqual([
    ['pannier', 'as typed', 'missing'],
    ['touring', 'missing', 'as typed'],
  ]);
  expect(keywords[0]!.coverage).toBe('spread');
});

test('no field holds anything: every word is missing everywhere; no keyword: no word', () => {
  expect(wordsTable([], [{ key: 'bike bag', volume: 5 }], 'en').keywords[0]).toMatchObject({
    coverage: 'none',
    missing: ['bike', 'bag'],
  });
  expect(wordsTable(FIELDS, [], 'en')).toEqual({ words: [], keywords: [] });
});

test('volumes add up, and a keyword misses just the words that no field has', () => {
  const word = fc.constantFrom('bike', 'bikes', 'bag', 'bags', 'rain', 'for', 'cover');
  const text = fc.array(word, { minLength: 1, maxLength: 4 }).map((all) => all.join(' '));
  const keyword = fc.record({ key: text, volume: fc.nat({ max: 1000 }) });
  fc.assert(
    fc.property(fc.array(text, { maxLength: 3 }), fc.array(keyword, { maxLength: 8 }), (texts, wanted) => {
      const fields = texts.map((one, n) => ({ name: String(n), text: one }));
      const { words: table, keywords } = wordsTable(fields, wanted, 'en');
      for (const need of table) {
        const missing = need.fields.every((presence) => presence === 'missing');
        const lacking = keywords.filter((one) => one.missing.length > 0);
        if (missing) expect(lacking.length).toBeGreaterThan(0);
        expect(need.volume).toBeLessThanOrEqual(wanted.reduce((sum, { volume }) => sum + volume, 0));
      }
      for (const { missing, coverage, key } of keywords) {
        expect(coverage === 'part' || coverage === 'none').toBe(missing.length > 0);
        for (const one of missing) expect(words(key)).toContain(one);
      }
    }),
  );
});

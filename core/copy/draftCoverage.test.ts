import fc from 'fast-check';
import { key } from '../text/key';
import { coverage } from './coverage';
import { cheapestToDrop, draftCoverage, draftKeyword } from './draftCoverage';
import { holdField } from './heldFields';

const hold = (fields: Record<string, string>) =>
  Object.entries(fields).map(([name, text]) => holdField(name, text, 'en'));
const keywords = (all: Record<string, number>) =>
  Object.entries(all).map(([text, volume]) => draftKeyword(key(text), volume, 'en'));

test('a draft by hand: what is held, what is missing, what is said for nothing', () => {
  const told = draftCoverage(
    hold({
      title: 'The Moor: Rear Pannier with waterproof roll top',
      bullets: 'Waterproof seams\nFits a rear rack',
    }),
    keywords({
      'rear pannier': 900,
      'waterproof rear panniers': 400,
      'rear rack bag': 300,
      'rain cover pannier': 50,
    }),
    'en',
  );
  expect(told.keywords.map(({ coverage: word, missing }) => [word, missing])).toEqual([
    ['whole', []],
    ['one field', []],
    ['part', ['bag']],
    ['part', ['rain', 'cover']],
  ]);
  expect(told.missing.map(({ word, completes }) => [word, completes])).toEqual([
    ['bag', 300],
    ['cover', 0],
    ['rain', 0],
  ]);
  expect(told.leadAt).toBe(3);
  expect(told.idle).toEqual(['moor', 'roll', 'top']);
  expect(told.repeated).toEqual([{ word: 'waterproof', fields: ['title', 'bullets'] }]);
  expect([told.covered, told.volume]).toEqual([1300, 1650]);
});

test('the cheapest word to drop is one that no keyword needs, or that stands elsewhere as well', () => {
  const fields = hold({ title: 'rear pannier rack red waterproof', description: 'waterproof' });
  expect(
    cheapestToDrop(
      fields,
      'title',
      keywords({ 'rear pannier': 900, 'waterproof pannier': 400, 'rear rack': 70 }),
    ),
  ).toEqual([
    { word: 'red', costs: 0 },
    { word: 'waterproof', costs: 0 },
    { word: 'rack', costs: 70 },
  ]);
});

test('live coverage says of each keyword what the method’s plain definition says', () => {
  const word = fc.constantFrom(
    'rear',
    'rack',
    'bags',
    'bag',
    'pannier',
    'panniers',
    'the',
    'for',
    'waterproof',
    '20l',
  );
  const text = fc.array(word, { minLength: 0, maxLength: 8 }).map((all) => all.join(' '));
  const keyword = fc.array(word, { minLength: 1, maxLength: 4 }).map((all) => all.join(' '));
  fc.assert(
    fc.property(
      fc.array(text, { minLength: 1, maxLength: 3 }),
      fc.array(keyword, { maxLength: 5 }),
      (texts, wanted) => {
        const fields = texts.map((one, n) => holdField(`f${n}`, one, 'en'));
        const asked = wanted.map((one) => draftKeyword(key(one), 10, 'en'));
        draftCoverage(fields, asked, 'en').keywords.forEach((told, n) => {
          const plain = coverage(asked[n]!.words.join(' '), texts.map(key), 'en');
          expect(told.missing.length).toBe(plain.of - plain.held);
          if (told.coverage !== 'whole' && plain.word !== 'whole') expect(told.coverage).toBe(plain.word);
        });
      },
    ),
  );
});

import fc from 'fast-check';
import { key } from '../text/key';
import { prepareKeyword, prepareText, textStanding } from '../gap/textStanding';
import { proposedTitle } from './proposedTitle';

test.each([
  [
    'waterproof panniers',
    'Heron Waterproof Pannier | Tarnwick',
    60,
    'Waterproof panniers | Heron | Tarnwick',
  ],
  ['bike bag', 'Bike Bags and panniers for touring', 60, 'Bike bag | panniers for touring'],
  [
    'waterproof bike bags',
    'Pannier Racks and bike bags | Tarnwick',
    60,
    'Waterproof bike bags | Pannier Racks | Tarnwick',
  ],
  ['bags for touring', 'Carry more', 60, 'Bags for touring | Carry more'],
  // Cut between words, and not at all where nothing whole would be left.
  ['handlebar bag', 'Waxed canvas roll top, made to last for years', 30, 'Handlebar bag | Waxed canvas'],
  ['a keyword that is longer than the limit', 'Short', 20, 'A keyword that is longer than the limit'],
  ['frame bag', 'Frame Bag', 60, 'Frame bag'],
  ['frame bag', '', 60, 'Frame bag'],
])('%s for “%s” within %i', (keyword, title, limit, expected) =>
  expect(proposedTitle(keyword, title, limit, 'en')).toBe(expected),
);

test('the keyword is whole and first, the limit is kept, and no word of it is said twice', () => {
  const word = fc.constantFrom('bike', 'bikes', 'Bag', 'and', 'for', 'rain', 'Tarnwick', '|', ':', 'dry');
  const text = fc.array(word, { minLength: 1, maxLength: 8 }).map((words) => words.join(' '));
  const keyword = fc
    .array(fc.constantFrom('bike', 'bag', 'rain', 'cover'), { minLength: 1, maxLength: 3 })
    .map((words) => words.join(' '));
  fc.assert(
    fc.property(keyword, text, fc.integer({ min: 10, max: 80 }), (sought, title, limit) => {
      const proposed = proposedTitle(sought, title, limit, 'en');
      expect(key(proposed).startsWith(sought)).toBe(true);
      if (sought.length <= limit) expect(proposed.length).toBeLessThanOrEqual(limit);
      const standing = textStanding(prepareKeyword(sought, 'en'), prepareText(proposed, [], 'en'));
      expect([standing.phraseInTitle, standing.wordsInTitle]).toEqual([1, 1]);
      const rest = key(proposed).slice(sought.length).split(' ');
      for (const one of sought.split(' ')) expect(rest).not.toContain(one);
    }),
  );
});

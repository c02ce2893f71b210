import { holdField } from '@opsimath/core/copy/heldFields';
import fc from 'fast-check';
import { bannedIn, markedParts } from './markedParts';

const banned = [{ phrase: 'leather', level: 'forbidden' as const, reason: 'we use none' }];
const marked = (text: string, phrases: string[] = [], cut = text.length) =>
  markedParts(text, cut, phrases, banned)
    .filter(({ mark }) => mark !== null)
    .map(({ text: part, mark }) => [mark, part]);

test.each([
  ['the lead', 'A Rear-Pannier here', ['rear pannier'], [['lead', 'Rear-Pannier']]],
  ['within a word it is another', 'rear panniers', ['rear pannier'], []],
  [
    'another keyword',
    'roll top rear pannier',
    ['rear pannier', 'roll top'],
    [
      ['phrase', 'roll top'],
      ['lead', 'rear pannier'],
    ],
  ],
  [
    'the lead inside another',
    'big rear pannier',
    ['rear pannier', 'big rear pannier'],
    [
      ['phrase', 'big '],
      ['lead', 'rear pannier'],
    ],
  ],
  [
    'a word not to be used is marked whatever else it is',
    'leather bag',
    ['leather bag'],
    [
      ['banned', 'leather'],
      ['lead', ' bag'],
    ],
  ],
  ['signs of patterns are signs', 'a (c++) b', ['c++'], [['lead', 'c++']]],
])('%s', (_, text, phrases, parts) => expect(marked(text, phrases)).toEqual(parts));

test('what the limit cuts off is marked behind what is said of it', () => {
  expect(marked('bag and more', [], 4)).toEqual([['cut', 'and more']]);
  expect(markedParts('leather', 7, [], banned)[0]?.why).toBe('not to be used, we use none');
});

test('the parts are the text again, whatever is in it', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'grapheme' }),
      fc.nat(30),
      fc.array(fc.string({ minLength: 1 })),
      (text, cut, phrases) =>
        expect(
          markedParts(text, Math.min(cut, text.length), phrases, banned)
            .map(({ text: part }) => part)
            .join(''),
        ).toBe(text),
    ),
  );
});

test('a long text says at once which words must not stand in it', () => {
  const long = `${'bag '.repeat(30_000)}Leather strap`;
  expect(bannedIn(holdField('body', long, 'en'), banned)).toEqual(['“leather”: not to be used, we use none']);
  expect(bannedIn(holdField('body', 'leathery', 'en'), banned)).toEqual([]);
});

import fc from 'fast-check';
import { prepareKeyword, prepareText } from '../gap/textStanding';
import type { Change } from '../forecast/forecast';
import { PageKeywords, type ServedKeyword, changeBetween } from './siblings';

const served = (keyword: string, after: (change: Change) => number, demand = 1000): ServedKeyword => ({
  keyword: prepareKeyword(keyword, 'en'),
  demand,
  asIs: 0.02,
  after,
});
/** A phrase is worth two points of click-through, a whole title of words four, a touch a tenth. */
const worth = ([phrase, inTitle, , touched]: Change): number =>
  0.02 + 0.02 * phrase + 0.04 * inTitle + 0.001 * touched;

test('other words of a page: those that come win, those that go lose, the rest were touched; the lead is left out', () => {
  const before = prepareText('Bike bags and panniers', ['stay dry'], 'en');
  const page = new PageKeywords(before, [
    served('waterproof bike bags', worth),
    served('waterproof bags', worth),
    served('pannier', worth),
    served('bike bag', worth),
    served('unknown', () => NaN),
  ]);
  const { keyword, clicks } = page.elsewhere(prepareText('Waterproof bike bags', ['stay dry'], 'en'), 0);
  expect([...keyword]).toEqual([1, 2, 3]);
  // Half of its words came; the word and the phrase went; nothing but the touch.
  expect(clicks[0]).toBeCloseTo(1000 * (0.04 * 0.5 + 0.001), 3);
  expect(clicks[1]).toBeCloseTo(1000 * (-0.04 - 0.02 + 0.001), 3);
  expect(clicks[2]).toBeCloseTo(1000 * 0.001, 3);
});

test('the same words change nothing but that they were touched', () => {
  const text = fc
    .array(fc.constantFrom('bike', 'bags', 'rain', 'dry'), { minLength: 1, maxLength: 4 })
    .map((words) => words.join(' '));
  fc.assert(
    fc.property(text, text, (title, keyword) => {
      const standing = { phraseInTitle: 1 as const, wordsInTitle: 1, wordsInFields: 0 };
      expect(changeBetween(standing, standing)).toEqual([0, 0, 0, 1, 0]);
      const words = prepareText(title, [], 'en');
      const page = new PageKeywords(words, [served('lead', worth), served(keyword, worth)]);
      expect([...page.elsewhere(words, 0).clicks]).toEqual([expect.closeTo(1, 3)]);
    }),
  );
});

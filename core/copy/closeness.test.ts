import { closeness } from './closeness';

const THEIRS = 'A roll top pannier that keeps a week of clothes dry in any weather.';

test('runs of five words that stand in both, of all that the text has', () => {
  expect(closeness('one two three four', THEIRS)).toBe(0);
  expect(closeness(THEIRS, THEIRS)).toBe(1);
  // What both were written for is nobody’s own.
  expect(closeness(THEIRS, THEIRS, ['a roll top pannier that'])).toBe(1);
  expect(
    closeness('best saddle bags for mountain bikes', 'Best saddle bags for mountain bikes', [
      'best saddle bags for mountain bikes',
    ]),
  ).toBe(0);
  // “keeps a week of clothes” is one run of four.
  expect(closeness('It keeps a week of clothes safe here', THEIRS)).toBe(0.25);
  expect(closeness('Nothing of this stands in the other text at all', THEIRS)).toBe(0);
  // Signs and capitals make no difference.
  expect(closeness('A ROLL top pannier, that keeps!', THEIRS)).toBeGreaterThan(0);
});

import fc from 'fast-check';
import { matchWords, matches } from './match';
import type { MatchMode } from './matchModes';

const word = fc.constantFrom('bag', 'bags', 'bike', 'rain', 'cover', 'the');
const list = fc.array(word, { maxLength: 6 });
const MODES: MatchMode[] = ['phrase', 'all words', 'any word'];

/** The same by plain text, with a space around every word. */
function plainly(have: string[], want: string[], mode: MatchMode): boolean {
  if (want.length === 0) return false;
  const text = ` ${have.join(' ')} `;
  if (mode === 'phrase') return text.includes(` ${want.join(' ')} `);
  const found = want.filter((one) => text.includes(` ${one} `)).length;
  return mode === 'all words' ? found === want.length : found > 0;
}

test.each(MODES)('%s agrees with looking for words in a plain text', (mode) => {
  fc.assert(
    fc.property(list, list, (have, want) => {
      expect(matchWords(have, want, mode)).toBe(plainly(have, want, mode));
      expect(matches(have.join(' '), want.join(' '), mode)).toBe(plainly(have, want, mode));
    }),
  );
});

test('with stems nothing is lost that whole words find', () => {
  fc.assert(
    fc.property(list, list, fc.constantFrom(...MODES), (have, want, mode) => {
      const [text, sought] = [have.join(' '), want.join(' ')];
      if (matches(text, sought, mode)) expect(matches(text, sought, mode, 'en')).toBe(true);
    }),
  );
});

test('a text holds itself in every mode, and never more than itself as a phrase', () => {
  fc.assert(
    fc.property(fc.array(word, { minLength: 1, maxLength: 5 }), word, (have, more) => {
      for (const mode of MODES) expect(matchWords(have, have, mode)).toBe(true);
      expect(matchWords(have, [...have, more], 'phrase')).toBe(false);
    }),
  );
});

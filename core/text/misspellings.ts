import { words } from './key';
import { nearWords } from './nearWords';
import { mayMisspell } from './variants';

/**
 * Words that are known in a list of keywords (method §13): those of the dictionary, words with a digit, and those that
 * people use so much that they are no slips: in at least 20 keywords, or, of a hundred keywords and more, in at least 1 %
 * of all searches.
 *
 * @param keys keyword keys (§1), each once
 * @param volumes searches a month, NaN where unknown
 */
export function knownWords(
  keys: readonly string[],
  volumes: ArrayLike<number>,
  isWord: (word: string) => boolean,
): ReadonlySet<string> {
  const counts = new Map<string, { keywords: number; volume: number }>();
  let total = 0;
  keys.forEach((key, n) => {
    const volume = volumes[n]! || 0;
    total += volume;
    for (const word of new Set(words(key))) {
      const count = counts.get(word);
      if (count === undefined) counts.set(word, { keywords: 1, volume });
      else {
        count.keywords++;
        count.volume += volume;
      }
    }
  });
  const known = new Set<string>();
  for (const [word, { keywords, volume }] of counts)
    if (
      keywords >= MANY_KEYWORDS ||
      (keys.length >= ENOUGH_KEYWORDS && total > 0 && volume >= MUCH_VOLUME * total) ||
      /\d/.test(word) ||
      isWord(word)
    )
      known.add(word);
  return known;
}

const MANY_KEYWORDS = 20;
const MUCH_VOLUME = 0.01;
/** Of fewer keywords no share says what people know. */
const ENOUGH_KEYWORDS = 100;

/**
 * Pairs of keys of which the first is a spelling of the second (method §13): as many words, all equal but one, and that one
 * unknown where the other is known and it may be a slip of it; or equal once spaces are removed, whichever comes first.
 *
 * @param keys keyword keys (§1), each once
 * @returns indices, each pair once, in the order of the first
 */
export function misspellings(
  keys: readonly string[],
  known: ReadonlySet<string>,
): { variant: number; form: number; how: 'spelling' | 'joined or split' }[] {
  const found: { variant: number; form: number; how: 'spelling' | 'joined or split' }[] = [];
  const numberOf = new Map(keys.map((key, n) => [key, n]));
  const joined = new Map<string, number>();
  const near = nearWords([...known]);
  const forms = new Map<string, string[]>();
  const formsOf = (word: string): string[] => {
    let list = forms.get(word);
    if (list === undefined) forms.set(word, (list = near(word).filter((form) => mayMisspell(word, form))));
    return list;
  };
  keys.forEach((key, variant) => {
    const letters = key.replace(/ /g, '');
    const other = joined.get(letters);
    if (other === undefined) joined.set(letters, variant);
    else found.push({ variant, form: other, how: 'joined or split' });
    const own = words(key);
    own.forEach((word, place) => {
      if (known.has(word)) return;
      for (const form of formsOf(word)) {
        const right = numberOf.get(own.map((kept, at) => (at === place ? form : kept)).join(' '));
        if (right !== undefined) found.push({ variant, form: right, how: 'spelling' });
      }
    });
  });
  return found;
}

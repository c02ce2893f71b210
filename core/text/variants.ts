import * as distancePackage from 'damerau-levenshtein';
import { doubleMetaphone } from 'double-metaphone';
import { words } from './key';

// CommonJS behind an ES face: some loaders give the function, some an object that holds it.
const distanceModule = distancePackage as unknown as {
  default:
    ((a: string, b: string) => { steps: number }) | { default: (a: string, b: string) => { steps: number } };
};
const measure =
  typeof distanceModule.default === 'function' ? distanceModule.default : distanceModule.default.default;

/**
 * Damerau–Levenshtein distance in characters.
 *
 * @example editDistance('pannier', 'panier') // 1
 */
export function editDistance(a: string, b: string): number {
  return a === b ? 0 : measure(a, b).steps;
}

/**
 * Whether one word may be a slip of another (method §13): at most 1 edit at 4–7 characters, at most 2 from 8 on (by the
 * shorter), or alike in sound at a distance of at most 2. Symmetric; a word is none of itself. Words that differ in a
 * digit never are.
 */
export function mayMisspell(a: string, b: string): boolean {
  if (a === b || a.replace(/\D/g, '') !== b.replace(/\D/g, '')) return false;
  if (Math.abs(a.length - b.length) > 2) return false;
  const length = Math.min(a.length, b.length);
  const distance = editDistance(a, b);
  if (length >= 8 ? distance <= 2 : length >= 4 && distance <= 1) return true;
  return distance <= 2 && sound(a) === sound(b);
}

/**
 * Whether two keys may be spellings of one thing (method §13), whatever is known of their words: equal without spaces, or as
 * many words, all equal but one, and that one may be a slip of the other. Symmetric; a key is no variant of itself.
 */
export function mayBeSpellingOf(a: string, b: string): boolean {
  if (a === b) return false;
  if (a.replace(/ /g, '') === b.replace(/ /g, '')) return true;
  const [own, others] = [words(a), words(b)];
  if (own.length !== others.length) return false;
  const differ = own.flatMap((word, place) => (word === others[place] ? [] : [place]));
  return differ.length === 1 && mayMisspell(own[differ[0]!]!, others[differ[0]!]!);
}

/**
 * Whether a is a spelling of b that is searched at most a fifth as often.
 * @param volumeOfA searches a month; an unknown volume (`null`) decides nothing
 */
export function isSpellingVariant(
  a: string,
  b: string,
  volumeOfA: number | null,
  volumeOfB: number | null,
): boolean {
  return volumeOfA !== null && volumeOfB !== null && volumeOfB >= 5 * volumeOfA && mayBeSpellingOf(a, b);
}

function sound(text: string): string {
  return words(text)
    .map((word) => doubleMetaphone(word)[0])
    .join(' ');
}

const MOST_SPELLINGS = 2000;

/**
 * Spellings that somebody might type for a key: one letter left out, doubled, swapped with its neighbour or
 * replaced by another, words joined, a word split. Each once, without the key itself; at most 2,000.
 * @param alphabet letters of the language
 */
export function likelySpellings(text: string, alphabet: string): string[] {
  const found = new Set<string>();
  const add = (spelling: string): void => {
    const clean = spelling.replace(/ +/g, ' ').trim();
    if (clean !== '' && clean !== text && found.size < MOST_SPELLINGS) found.add(clean);
  };
  const letters = [...text];
  const at = (i: number, count: number, instead: string): string =>
    [...letters.slice(0, i), instead, ...letters.slice(i + count)].join('');
  letters.forEach((letter, i) => {
    if (letter === ' ') return add(at(i, 1, ''));
    add(at(i, 1, ''));
    add(at(i, 1, letter + letter));
    const next = letters[i + 1];
    if (next !== undefined && next !== ' ') {
      add(at(i, 2, next + letter));
      if (i > 1 && letters.length - i > 3) add(at(i, 1, `${letter} `));
    }
  });
  letters.forEach((letter, i) => {
    if (letter === ' ' || /\d/.test(letter)) return;
    for (const other of alphabet) if (!/\d/.test(other) && other !== letter) add(at(i, 1, other));
  });
  return [...found];
}

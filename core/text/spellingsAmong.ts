import { words } from './key';
import { mayBeSpellingOf } from './variants';

const LEAST_PART = 3;
const MOST_EDITS = 2;

/**
 * How a word or phrase is spelled otherwise among the words that people use (method §13): with another word at one
 * place that may be a spelling of it and is no word of the language, joined to one word, or split in two.
 *
 * @param phrase a key (§1)
 * @param vocabulary words in use, each once
 * @param isWord whether a word stands in the language's dictionary: what does is a word of its own
 * @returns keys, without the phrase itself, each once, in order of the alphabet
 */
export function spellingsAmong(
  phrase: string,
  vocabulary: ReadonlySet<string>,
  isWord: (word: string) => boolean,
): string[] {
  const own = words(phrase);
  const found = new Set<string>();
  own.forEach((word, place) => {
    for (const other of near(word, vocabulary))
      if (!isWord(other)) found.add(own.map((kept, at) => (at === place ? other : kept)).join(' '));
  });
  const joined = own.join('');
  if (own.length > 1 && vocabulary.has(joined)) found.add(joined);
  if (own.length === 1)
    for (let at = LEAST_PART; at <= phrase.length - LEAST_PART; at++) {
      const [before, after] = [phrase.slice(0, at), phrase.slice(at)];
      if (vocabulary.has(before) && vocabulary.has(after)) found.add(`${before} ${after}`);
    }
  found.delete(phrase);
  return [...found].sort();
}

function near(word: string, vocabulary: ReadonlySet<string>): string[] {
  const letters = lettersOf(word);
  const found: string[] = [];
  for (const other of vocabulary) {
    if (Math.abs(other.length - word.length) > MOST_EDITS) continue;
    // An edit takes at most one letter away and brings at most one.
    if (bitCount(letters ^ lettersOf(other)) > 2 * MOST_EDITS) continue;
    if (mayBeSpellingOf(word, other)) found.push(other);
  }
  return found;
}

/** Which letters a word has, as bits; several may share one. */
function lettersOf(word: string): number {
  let bits = 0;
  for (let at = 0; at < word.length; at++) bits |= 1 << (word.charCodeAt(at) & 31);
  return bits;
}

function bitCount(bits: number): number {
  let count = 0;
  for (let left = bits; left !== 0; left &= left - 1) count++;
  return count;
}

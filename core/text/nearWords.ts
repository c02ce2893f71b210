import { Groups } from './groups';
import { editDistance } from './variants';

const MOST_WORDS = 2 ** 20;
const MOST_EDITS = 2;
const MOST_KEPT = 100_000;

/**
 * Finds the words of a vocabulary that lie within two edits (Damerau–Levenshtein) of any word and have the same digits.
 * Two such words share a form that has lost at most two letters of each; these forms are kept as sorted numbers, so that a
 * vocabulary of 100,000 words takes some 30 MB.
 *
 * @param vocabulary each word once, at most 2^20 of them
 * @returns what is near a word, without itself, in order of the alphabet; the last answers are kept
 * @throws RangeError for a larger vocabulary
 */
export function nearWords(vocabulary: readonly string[]): (word: string) => readonly string[] {
  if (vocabulary.length > MOST_WORDS) throw new RangeError(`At most ${MOST_WORDS} words`);
  const most = vocabulary.reduce((sum, { length }) => sum + 1 + (length * (length + 1)) / 2, 0);
  const numbers = new Int32Array(most);
  const members = new Int32Array(most);
  let filled = 0;
  vocabulary.forEach((word, number) => {
    for (const form of forms(word)) {
      numbers[filled] = form;
      members[filled++] = number;
    }
  });
  const byForm = new Groups(numbers.subarray(0, filled), members.subarray(0, filled));
  const shapes = new Set(vocabulary.map((word) => shape(word, 0)));
  const mayHave = (word: string): boolean => {
    for (let more = -MOST_EDITS; more <= MOST_EDITS; more++) if (shapes.has(shape(word, more))) return true;
    return false;
  };
  const kept = new Map<string, readonly string[]>();
  return (word) => {
    let near = kept.get(word);
    if (near !== undefined) return near;
    if (!mayHave(word)) return NOTHING;
    if (kept.size === MOST_KEPT) kept.clear();
    kept.set(word, (near = find(word, vocabulary, byForm)));
    return near;
  };
}

function find(word: string, vocabulary: readonly string[], byForm: Groups): readonly string[] {
  const met = new Set<number>();
  for (const form of forms(word)) {
    if (!byForm.seek(form)) continue;
    for (let n = byForm.from; n < byForm.to; n++) met.add(byForm.members[n]!);
  }
  const near = Array.from(met, (number) => vocabulary[number]!).filter(
    (other) =>
      other !== word &&
      Math.abs(other.length - word.length) <= MOST_EDITS &&
      digitsOf(other) === digitsOf(word) &&
      editDistance(word, other) <= MOST_EDITS,
  );
  return near.length === 0 ? NOTHING : near.sort();
}

/** Most words have nobody near: an empty list is shared, not made anew for each. */
const NOTHING: readonly string[] = [];

/** Digits and length: most words that were joined are longer than any other with their digits. */
function shape(word: string, more: number): string {
  return `${word.length + more}:${digitsOf(word)}`;
}

function digitsOf(word: string): string {
  return word.replace(/\D/g, '');
}

/**
 * Hashes of a word and of all it is after losing one or two characters that are no digits. Words that differ in a digit
 * are never spellings of each other, so that they need not meet here: model numbers would else be near to hundreds.
 */
function forms(word: string): Set<number> {
  const found = new Set<number>([wordNumber(word)]);
  for (let i = 0; i < word.length; i++) {
    if (isDigit(word, i)) continue;
    const shorter = word.slice(0, i) + word.slice(i + 1);
    found.add(wordNumber(shorter));
    for (let j = i; j < shorter.length; j++)
      if (!isDigit(shorter, j)) found.add(wordNumber(shorter.slice(0, j) + shorter.slice(j + 1)));
  }
  return found;
}

function isDigit(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  return code >= 48 && code <= 57;
}

/** A word's number, 32 bits (FNV-1a). Two words seldom have the same. */
function wordNumber(text: string): number {
  let number = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) number = Math.imul(number ^ text.charCodeAt(i), 0x01000193);
  return number;
}

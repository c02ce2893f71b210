import { words } from './key';
import type { MatchMode } from './matchModes';
import { stems } from './stems';

/**
 * Whether `sought` stands in `text` (method §1). Both are keys.
 *
 * *phrase* = contiguous and in order; *all words* = any order, repeats counted once; *any word*.
 * With a language given, stems are compared instead of words. An empty `sought` matches nothing.
 */
export function matches(text: string, sought: string, mode: MatchMode, stemLanguage?: string): boolean {
  const have = stemLanguage === undefined ? words(text) : stems(text, stemLanguage);
  const want = stemLanguage === undefined ? words(sought) : stems(sought, stemLanguage);
  return matchWords(have, want, mode);
}

/** {@link matches} on lists of words or stems that are already split. */
export function matchWords(have: readonly string[], want: readonly string[], mode: MatchMode): boolean {
  if (want.length === 0) return false;
  switch (mode) {
    case 'phrase':
      return have.some((_, at) => want.every((word, i) => have[at + i] === word));
    case 'all words':
      return want.every((word) => have.includes(word));
    case 'any word':
      return want.some((word) => have.includes(word));
  }
}

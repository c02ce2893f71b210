import { words } from './key';

export interface Combining {
  /** Fewest and most of the words in one phrase; 2–5. */
  least: number;
  most: number;
  /** Whether the words may stand in any order, or only in the order given. */
  anyOrder: boolean;
}

/**
 * Phrases of chosen words, each word once a phrase and each phrase once: short ones first, and of equal length in the order
 * in which the words were given.
 *
 * @param chosen words or phrases as keys (§1); repeats count once
 */
export function* phrasesOf(
  chosen: readonly string[],
  { least, most, anyOrder }: Combining,
): Generator<string, void> {
  const parts = partsOf(chosen);
  const given = new Set<string>();
  for (let length = least; length <= most && length <= parts.length; length++)
    for (const picked of picks(parts, length, anyOrder)) {
      const phrase = picked.join(' ');
      // A word that came twice in different parts says nothing twice.
      if (given.has(phrase) || new Set(words(phrase)).size < words(phrase).length) continue;
      given.add(phrase);
      yield phrase;
    }
}

/**
 * How many ways there are of picking the words of a phrase, whatever is known or says something twice.
 *
 * @example possiblePhrases(['red', 'bike', 'bag'], { least: 2, most: 2, anyOrder: false }) // 3
 */
export function possiblePhrases(chosen: readonly string[], { least, most, anyOrder }: Combining): number {
  const { length: parts } = partsOf(chosen);
  let possible = 0;
  for (let length = least; length <= Math.min(most, parts); length++)
    possible += countOf(parts, length, anyOrder);
  return possible;
}

function partsOf(chosen: readonly string[]): string[] {
  return [...new Set(chosen)].filter((part) => part !== '');
}

function* picks(parts: readonly string[], length: number, anyOrder: boolean): Generator<string[]> {
  if (length === 0) return yield [];
  for (let n = 0; n < parts.length; n++) {
    const rest = anyOrder ? parts.toSpliced(n, 1) : parts.slice(n + 1);
    for (const others of picks(rest, length - 1, anyOrder)) yield [parts[n]!, ...others];
  }
}

/** Permutations, or combinations, of so many out of all. */
function countOf(all: number, length: number, anyOrder: boolean): number {
  let count = 1;
  for (let n = 0; n < length; n++) count *= (all - n) / (anyOrder ? 1 : n + 1);
  return Math.round(count);
}

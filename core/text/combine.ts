import { words } from './key';

export interface Combining {
  /** Fewest and most of the words in one phrase; 2–5. */
  least: number;
  most: number;
  /** Whether the words may stand in any order, or only in the order given. */
  anyOrder: boolean;
}

export interface Combined {
  phrases: string[];
  /** How many phrases there are in all, known ones among them. */
  possible: number;
}

/**
 * New phrases of chosen words, each word once a phrase: short ones first, and of equal length in the order in which the
 * words were given. What is known already is left out.
 *
 * @param chosen words or phrases as keys (§1); repeats count once
 * @param known keys that are no new phrases
 * @param limit most phrases that are given
 */
export function combinePhrases(
  chosen: readonly string[],
  { least, most, anyOrder }: Combining,
  known: ReadonlySet<string>,
  limit = 500,
): Combined {
  const parts = [...new Set(chosen)].filter((part) => part !== '');
  const found = new Set<string>();
  let possible = 0;
  for (let length = least; length <= most && length <= parts.length; length++) {
    possible += countOf(parts.length, length, anyOrder);
    if (found.size >= limit) continue;
    for (const picked of picks(parts, length, anyOrder)) {
      const phrase = picked.join(' ');
      // A word that came twice in different parts says nothing twice.
      if (!known.has(phrase) && new Set(words(phrase)).size === words(phrase).length) found.add(phrase);
      if (found.size >= limit) break;
    }
  }
  return { phrases: [...found], possible };
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

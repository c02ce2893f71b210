import { words } from '../text/key';
import { stem } from '../text/stems';

/** How a target's fields hold a keyword (method §12), the best first. */
export const COVERAGES = ['whole', 'one field', 'spread', 'part', 'none'] as const;
export type CoverageWord = (typeof COVERAGES)[number];

export interface Coverage {
  word: CoverageWord;
  /** Different words of the keyword that are held, and how many it has. */
  held: number;
  of: number;
}

/**
 * Coverage of a keyword in a target's fields (method §12): *whole* is the phrase in one field, *one field* all its words in
 * one, *spread* all words across fields, *part* some of them.
 *
 * @param keywordKey a key (§1), not empty
 * @param fields keys of the fields
 * @param language by whose stems words are compared; `null` for exact words
 */
export function coverage(keywordKey: string, fields: readonly string[], language: string | null): Coverage {
  const alike = (word: string): string => (language === null ? word : stem(word, language));
  const sequence = words(keywordKey).map(alike);
  const wanted = new Set(sequence);
  const held = fields.map((field) => words(field).map(alike));
  const phrase = ` ${sequence.join(' ')} `;
  const anywhere = new Set(held.flat());
  const found = [...wanted].filter((word) => anywhere.has(word)).length;
  const told = (word: CoverageWord): Coverage => ({ word, held: found, of: wanted.size });
  if (held.some((field) => ` ${field.join(' ')} `.includes(phrase))) return told('whole');
  if (held.some((field) => [...wanted].every((word) => field.includes(word)))) return told('one field');
  if (found === wanted.size) return told('spread');
  return told(found > 0 ? 'part' : 'none');
}

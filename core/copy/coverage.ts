import { words } from '../text/key';
import { stem } from '../text/stems';
import type { CoverageWord } from './coverageWords';
import type { HeldField } from './heldFields';

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
  const wanted = [...new Set(sequence)];
  const compared = fields.map((field): ComparedField => {
    const forms = words(field).map(alike);
    return { formText: ` ${forms.join(' ')} `, held: new Set(forms) };
  });
  return { ...coverageIn(compared, wanted, ` ${sequence.join(' ')} `), of: wanted.length };
}

/** A field as it is compared: its words between spaces, and each once. */
export type ComparedField = Pick<HeldField, 'formText' | 'held'>;

/**
 * {@link coverage} of what was made comparable before: made once, however many keywords are held against it.
 *
 * @param wanted different words of the keyword
 * @param phrase its words in order, between spaces
 */
export function coverageIn(
  fields: readonly ComparedField[],
  wanted: readonly string[],
  phrase: string,
): Pick<Coverage, 'word' | 'held'> {
  const held = wanted.filter((word) => fields.some((field) => field.held.has(word))).length;
  if (fields.some(({ formText }) => formText.includes(phrase))) return { word: 'whole', held };
  if (fields.some((field) => wanted.every((word) => field.held.has(word))))
    return { word: 'one field', held };
  if (held === wanted.length) return { word: 'spread', held };
  return { word: held > 0 ? 'part' : 'none', held };
}

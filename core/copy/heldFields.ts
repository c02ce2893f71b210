import { key, words } from '../text/key';
import { stem } from '../text/stems';

/** A field as it is looked through: made once, however many keywords are held against it. */
export interface HeldField {
  name: string;
  /** Its words in order, as keys, and their stems. */
  words: readonly string[];
  forms: readonly string[];
  /** The same between spaces, for phrases. */
  typedText: string;
  formText: string;
  typed: ReadonlySet<string>;
  held: ReadonlySet<string>;
}

/** @param text of the field as it is written; lines are words of it */
export function holdField(name: string, text: string, language: string): HeldField {
  const own = words(key(text.replace(/\s+/g, ' ')));
  const forms = own.map((word) => stem(word, language));
  return {
    name,
    words: own,
    forms,
    typedText: ` ${own.join(' ')} `,
    formText: ` ${forms.join(' ')} `,
    typed: new Set(own),
    held: new Set(forms),
  };
}

import { key, words } from '../text/key';
import { wordShare } from '../text/match';

/** The words of one target, prepared once and compared with many keywords. */
export interface PreparedText {
  /** Title key with a space at both ends, so that a phrase is a substring. */
  title: string;
  titleWords: ReadonlySet<string>;
  fieldWords: ReadonlySet<string>;
}

/** Prepares a title and the other fields that are known of a target. */
export function prepareText(title: string, otherFields: readonly string[]): PreparedText {
  const titleKey = key(title);
  return {
    title: ` ${titleKey} `,
    titleWords: new Set(words(titleKey)),
    fieldWords: new Set(otherFields.flatMap((field) => words(key(field)))),
  };
}

export interface TextStanding {
  phraseInTitle: 0 | 1;
  /** Share of the keyword's distinct words, 0–1. */
  wordsInTitle: number;
  wordsInFields: number;
}

/** How a target's words stand to a keyword (method §6), by exact words. `keywordKey` must not be empty. */
export function textStanding(keywordKey: string, text: PreparedText): TextStanding {
  const wanted = words(keywordKey);
  return {
    phraseInTitle: text.title.includes(` ${keywordKey} `) ? 1 : 0,
    wordsInTitle: wordShare(text.titleWords, wanted),
    wordsInFields: wordShare(text.fieldWords, wanted),
  };
}

import { key, words } from '../text/key';
import { contentStems, stems } from '../text/stems';

/** The words of one target, prepared once and compared with many keywords. */
export interface PreparedText {
  language: string;
  /** Title key with a space at both ends, so that a phrase is a substring. */
  title: string;
  /** The same in stems. */
  stemmed: string;
  titleStems: ReadonlySet<string>;
  fieldStems: ReadonlySet<string>;
}

/** Prepares a title and the other fields that are known of a target. */
export function prepareText(title: string, otherFields: readonly string[], language: string): PreparedText {
  const titleKey = key(title);
  const titleStems = stems(titleKey, language);
  return {
    language,
    title: ` ${titleKey} `,
    stemmed: ` ${titleStems.join(' ')} `,
    titleStems: new Set(titleStems),
    fieldStems: new Set(otherFields.flatMap((field) => stems(key(field), language))),
  };
}

/** The same target under another title. */
export function retitled(text: PreparedText, title: string): PreparedText {
  return { ...prepareText(title, [], text.language), fieldStems: text.fieldStems };
}

/** A keyword as it is looked for, prepared once. */
export interface PreparedKeyword {
  typed: string;
  phrase: string;
  /** Distinct stems of its words without fillers. */
  content: readonly string[];
}

/** @param keywordKey must not be empty */
export function prepareKeyword(keywordKey: string, language: string): PreparedKeyword {
  return {
    typed: ` ${keywordKey} `,
    phrase: ` ${stems(keywordKey, language).join(' ')} `,
    content: [...new Set(words(contentStems(keywordKey, language)))],
  };
}

export interface TextStanding {
  /** The phrase in any form of its words, as search reads it. */
  phraseInTitle: 0 | 1;
  /** Share of the keyword's distinct words without fillers, in any form, 0–1. */
  wordsInTitle: number;
  wordsInFields: number;
}

/** How a target's words stand to a keyword (method §6): words count in any form. */
export function textStanding(keyword: PreparedKeyword, text: PreparedText): TextStanding {
  return {
    phraseInTitle: text.stemmed.includes(keyword.phrase) ? 1 : 0,
    wordsInTitle: shareIn(text.titleStems, keyword),
    wordsInFields: shareIn(text.fieldStems, keyword),
  };
}

function shareIn(have: ReadonlySet<string>, { content }: PreparedKeyword): number {
  let found = 0;
  for (const word of content) if (have.has(word)) found++;
  return found / content.length;
}

/** Whether a title has the phrase letter by letter as it is typed. */
export const hasAsTyped = (keyword: PreparedKeyword, text: PreparedText): boolean =>
  text.title.includes(keyword.typed);

import { words } from './key';
import { LANGUAGES, type Language } from './languages';

/** How much a word speaks for each language, 0 or more; all 0 for one that says nothing. */
export type WordLanguages = (word: string) => Readonly<Record<Language, number>>;

export interface GuessedLanguage {
  language: Language;
  /** 0–1: the share that the language has of all that speaks for any. */
  confidence: number;
}

/**
 * The language of a keyword, by its words together. Numbers say nothing; of equal ones the market's own language holds.
 * @param usual language of the market
 * @returns `null` where no word says anything
 */
export function guessLanguage(
  key: string,
  languagesOf: WordLanguages,
  usual: string,
): GuessedLanguage | null {
  const sums: Record<Language, number> = { en: 0, de: 0, es: 0 };
  let all = 0;
  for (const word of words(key)) {
    if (/\d/.test(word)) continue;
    const speaks = languagesOf(word);
    for (const language of LANGUAGES) {
      sums[language] += speaks[language];
      all += speaks[language];
    }
  }
  if (all === 0) return null;
  let best: Language = LANGUAGES.find((language) => language === usual) ?? LANGUAGES[0];
  for (const language of LANGUAGES) if (sums[language] > sums[best]) best = language;
  return { language: best, confidence: sums[best] / all };
}

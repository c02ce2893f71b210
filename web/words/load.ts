import type { StageSpace, Words } from './catalog';
import { FIRST_SPACES } from './catalog';
import { LANGUAGES, type Language, addWords, languageNow } from './t';

const PLACE = 'opsimath.language';
/** A file a language and room, each read when it is needed; what a language has no file for stands in the contract or the core. */
const FILES = import.meta.glob<Words[keyof Words]>(['./*/*.json', '!./en/{shell,parts,codes,counts}.json'], {
  import: 'default',
});

const read = async (language: Language, space: keyof Words): Promise<Words[keyof Words]> =>
  (await FILES[`./${language}/${space}.json`]?.()) ?? {};

export function keptLanguage(): Language {
  const kept = localStorage.getItem(PLACE);
  return kept !== null && Object.hasOwn(LANGUAGES, kept) ? (kept as Language) : 'en';
}

/** Texts stand in constants too, so another language is another start of the page; the address keeps all that was open. */
export function chooseLanguage(language: Language): void {
  localStorage.setItem(PLACE, language);
  location.reload();
}

/** The texts that every page needs. */
export async function readFirst(language: Language): Promise<Partial<Words>> {
  const texts = await Promise.all(
    FIRST_SPACES.map(async (space) => [space, await read(language, space)] as const),
  );
  return Object.fromEntries(texts);
}

/** A stage with its texts, the texts first. */
export async function withWords<Stage>(
  spaces: readonly (StageSpace | 'glossary')[],
  stage: () => Promise<Stage>,
): Promise<Stage> {
  await Promise.all(spaces.map(async (space) => addWords(space, await read(languageNow(), space))));
  return stage();
}

import { words } from '../text/key';
import { isStopWord, stem } from '../text/stems';
import { coverageIn } from './coverage';
import { type CoverageWord } from './coverageWords';
import type { HeldField } from './heldFields';

/** A keyword that a draft is to serve, as it is held against its fields: made once. */
export interface DraftKeyword {
  key: string;
  /** Searches a month; 0 where they are unknown. */
  volume: number;
  /** Its words without fillers, as typed, and their stems; each once. */
  words: readonly string[];
  forms: readonly string[];
  phrase: string;
  formPhrase: string;
}

/** @param keywordKey a key (§1), not empty */
export function draftKeyword(keywordKey: string, volume: number, language: string): DraftKeyword {
  const all = [...new Set(words(keywordKey))];
  const content = all.filter((word) => !isStopWord(word, language));
  const wanted = content.length > 0 ? content : all;
  const formOf = new Map(wanted.map((word) => [stem(word, language), word]));
  return {
    key: keywordKey,
    volume,
    words: [...formOf.values()],
    forms: [...formOf.keys()],
    phrase: ` ${keywordKey} `,
    formPhrase: ` ${words(keywordKey)
      .map((word) => stem(word, language))
      .join(' ')} `,
  };
}

export interface CoveredDraftKeyword {
  coverage: CoverageWord;
  /** Whether that holds letter by letter. */
  isTyped: boolean;
  /** Words that no field has in any form. */
  missing: string[];
  /** Fields that hold the phrase, or all its words, or some of them. */
  places: string[];
}

/** A word that keywords need and no field has. */
export interface MissingWord {
  word: string;
  keywords: number;
  /** Σ searches of the keywords that need it, and of those that lack nothing else. */
  volume: number;
  completes: number;
}

export interface DraftCoverage {
  /** In the order of the keywords. */
  keywords: CoveredDraftKeyword[];
  /** What would complete most first, then what is needed most. */
  missing: MissingWord[];
  /** Words of the title that no keyword needs, and words that stand in several fields although one would do. */
  idle: string[];
  repeated: { word: string; fields: string[] }[];
  /** Number of the word at which the lead keyword’s phrase begins in the title, from 1; `null` where it is not whole in it. */
  leadAt: number | null;
  /** Σ searches of keywords whose every word is held, and of all. */
  covered: number;
  volume: number;
}

/**
 * Which of its keywords a draft holds, word by word (method §12), by stems; the lead keyword is the first.
 *
 * @param fields the title first
 */
export function draftCoverage(
  fields: readonly HeldField[],
  keywords: readonly DraftKeyword[],
  language: string,
): DraftCoverage {
  const anywhere = new Set(fields.flatMap((field) => [...field.held]));
  const needs = new Map<string, MissingWord>();
  const needed = new Set<string>();
  let [covered, volume] = [0, 0];
  const told = keywords.map((keyword): CoveredDraftKeyword => {
    const missing = keyword.words.filter((_, n) => !anywhere.has(keyword.forms[n]!));
    keyword.forms.forEach((form) => needed.add(form));
    volume += keyword.volume;
    if (missing.length === 0) covered += keyword.volume;
    for (const word of missing) {
      const form = stem(word, language);
      const need = needs.get(form) ?? { word, keywords: 0, volume: 0, completes: 0 };
      need.keywords++;
      need.volume += keyword.volume;
      if (missing.length === 1) need.completes += keyword.volume;
      needs.set(form, need);
    }
    return { ...placesOf(fields, keyword), missing };
  });
  const title = fields[0];
  return {
    keywords: told,
    missing: [...needs.values()].sort(
      (a, b) => b.completes - a.completes || b.volume - a.volume || (a.word < b.word ? -1 : 1),
    ),
    idle: title
      ? [...new Set(title.words)].filter(
          (word) => !isStopWord(word, language) && !needed.has(stem(word, language)),
        )
      : [],
    repeated: repeatedWords(fields, keywords[0], language),
    leadAt: keywords[0] && title ? placeOf(title, keywords[0]) : null,
    covered,
    volume,
  };
}

/** How a keyword is held, and where: in the fields that hold it so, or some of it. */
function placesOf(
  fields: readonly HeldField[],
  { words: wanted, forms, phrase, formPhrase }: DraftKeyword,
): Omit<CoveredDraftKeyword, 'missing'> {
  const { word } = coverageIn(fields, forms, formPhrase);
  const holds = HOLDS[word];
  const isTyped =
    word === 'whole'
      ? fields.some(({ typedText }) => typedText.includes(phrase))
      : (word === 'one field' || word === 'spread') &&
        wanted.every((one) => fields.some(({ typed }) => typed.has(one)));
  return {
    coverage: word,
    isTyped,
    places: fields.filter((field) => holds(field, forms, formPhrase)).map(({ name }) => name),
  };
}

const some = ({ held }: HeldField, forms: readonly string[]): boolean => forms.some((form) => held.has(form));
/** Whether a field has its part in a keyword’s being held like this. */
const HOLDS: Record<
  CoverageWord,
  (field: HeldField, forms: readonly string[], formPhrase: string) => boolean
> = {
  whole: ({ formText }, _, formPhrase) => formText.includes(formPhrase),
  'one field': ({ held }, forms) => forms.every((form) => held.has(form)),
  spread: some,
  part: some,
  none: some,
};

/** The lead keyword may stand everywhere; any other word is said twice for nothing where fields add up. */
function repeatedWords(
  fields: readonly HeldField[],
  lead: DraftKeyword | undefined,
  language: string,
): DraftCoverage['repeated'] {
  const free = new Set(lead?.forms);
  const places = new Map<string, { word: string; fields: string[] }>();
  for (const { name, held, words: own, forms } of fields)
    for (const form of held) {
      if (free.has(form)) continue;
      const word = own[forms.indexOf(form)]!;
      if (isStopWord(word, language)) continue;
      const entry = places.get(form);
      if (entry) entry.fields.push(name);
      else places.set(form, { word, fields: [name] });
    }
  return [...places.values()].filter((entry) => entry.fields.length > 1);
}

function placeOf({ formText }: HeldField, { formPhrase }: DraftKeyword): number | null {
  const at = formText.indexOf(formPhrase);
  return at < 0 ? null : formText.slice(0, at + 1).split(' ').length - 1;
}

/**
 * What each word of an overlong field would cost if it went: Σ searches of keywords that only it completes; cheapest first. Words
 * of the lead keyword, which is the first, are never to go.
 */
export function cheapestToDrop(
  fields: readonly HeldField[],
  name: string,
  keywords: readonly DraftKeyword[],
): { word: string; costs: number }[] {
  const field = fields.find((one) => one.name === name);
  if (!field) return [];
  const elsewhere = new Set(fields.filter((one) => one !== field).flatMap((one) => [...one.held]));
  const seen = new Set<string>(keywords[0]?.forms);
  return field.words
    .flatMap((word, n) => {
      const form = field.forms[n]!;
      if (seen.has(form)) return [];
      seen.add(form);
      const costs = elsewhere.has(form)
        ? 0
        : keywords.reduce(
            (sum, keyword) =>
              keyword.forms.includes(form) &&
              keyword.forms.every((one) => field.held.has(one) || elsewhere.has(one))
                ? sum + keyword.volume
                : sum,
            0,
          );
      return [{ word, costs }];
    })
    .sort((a, b) => a.costs - b.costs);
}

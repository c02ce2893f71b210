import { words } from '../text/key';
import { isStopWord, stem } from '../text/stems';
import { type ComparedField, coverageIn } from './coverage';
import { type CoverageWord } from './coverageWords';

/** One field of a target: its name, and its text as a key (§1). */
export interface CoveredField {
  name: string;
  text: string;
}

/** A keyword that a target should answer. */
export interface WantedKeyword {
  /** A key (§1), not empty. */
  key: string;
  /** Searches a month; 0 where they are unknown. */
  volume: number;
}

/** How a field has a word: letter by letter, in another form of it, or not at all. */
export type WordPresence = 'as typed' | 'another form' | 'missing';

/** One word that keywords need, and where a target has it. */
export interface WordNeed {
  /** As most of the keywords’ searches type it. */
  word: string;
  /** Keywords that need it in any form, and what they are searched for a month. */
  keywords: number;
  volume: number;
  /** In the order of the fields. */
  fields: WordPresence[];
}

export interface CoveredKeyword extends WantedKeyword {
  coverage: CoverageWord;
  /** Words that no field has in any form, as they are typed. */
  missing: string[];
}

/**
 * What keywords need of a target, word by word and keyword by keyword (method §12). Fillers are left out unless a keyword
 * is nothing else. Exact words and forms are told apart; a language without stems knows only exact words.
 *
 * @returns words by what their keywords are searched for, the most first; keywords in the order given
 */
export function wordsTable(
  fields: readonly CoveredField[],
  keywords: readonly WantedKeyword[],
  language: string,
): { words: WordNeed[]; keywords: CoveredKeyword[] } {
  const typed = fields.map(({ text }) => new Set(words(text)));
  const forms = typed.map((own) => new Set([...own].map((word) => stem(word, language))));
  const compared = fields.map(({ text }, n): ComparedField => {
    const sequence = words(text).map((word) => stem(word, language));
    return { formText: ` ${sequence.join(' ')} `, held: forms[n]! };
  });
  const anywhere = new Set(forms.flatMap((own) => [...own]));
  const needs = new Map<string, { keywords: number; volume: number; spelt: Map<string, number> }>();
  const covered = keywords.map((keyword): CoveredKeyword => {
    const all = [...new Set(words(keyword.key))];
    const content = all.filter((word) => !isStopWord(word, language));
    const wanted = content.length > 0 ? content : all;
    const sequence = wanted.map((word) => stem(word, language));
    const seen = new Set<string>();
    for (const word of wanted) {
      const form = stem(word, language);
      if (seen.has(form)) continue;
      seen.add(form);
      let need = needs.get(form);
      if (!need) needs.set(form, (need = { keywords: 0, volume: 0, spelt: new Map() }));
      need.keywords++;
      need.volume += keyword.volume;
      need.spelt.set(word, (need.spelt.get(word) ?? 0) + keyword.volume + 1e-6);
    }
    return {
      ...keyword,
      coverage: coverageIn(compared, [...new Set(sequence)], ` ${sequence.join(' ')} `).word,
      missing: wanted.filter((word) => !anywhere.has(stem(word, language))),
    };
  });
  const table = [...needs].map(([form, { keywords: count, volume, spelt }]): WordNeed => {
    const word = [...spelt].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]![0];
    return {
      word,
      keywords: count,
      volume,
      fields: fields.map((_, n) =>
        typed[n]!.has(word) ? 'as typed' : forms[n]!.has(form) ? 'another form' : 'missing',
      ),
    };
  });
  table.sort((a, b) => b.volume - a.volume || b.keywords - a.keywords || (a.word < b.word ? -1 : 1));
  return { words: table, keywords: covered };
}

import { rename } from 'node:fs/promises';
import type { FileReading, ImportKind, ImportPreview } from '@opsimath/contract/api/imports';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { findReading, readingProblems } from './findReading';
import { countryLetters, languageLetters } from './origins';
import { asDelimited, formatOf } from './tables';

/** Queries that a guess at their language rests on, at least. */
const LEAST_TEXT = 40;
/** How much likelier another language must be than the market's own before anybody is asked. */
const MARGIN = 0.1;

/** An uploaded table as it would be read; one of another format is written anew as a delimited one in its place. */
export async function lookAtTable(file: string, kind?: ImportKind): Promise<ImportPreview> {
  const format = await formatOf(file);
  if (format !== 'delimited') {
    await asDelimited(file, format, `${file}.table`);
    await rename(`${file}.table`, file);
  }
  return lookAgain(file, format, kind);
}

/** The same of a file that was looked at before, as another kind of table if need be. */
export async function lookAgain(
  file: string,
  format: FileReading['format'],
  kind?: ImportKind,
): Promise<ImportPreview> {
  const { reading, sample, rows } = await findReading(file, format, kind);
  return { reading, sample, problems: readingProblems(reading), says: await origins(reading, rows) };
}

async function origins(reading: FileReading, rows: readonly string[][]): Promise<ImportPreview['says']> {
  const column = (field: 'country' | 'language' | 'query'): string[] => {
    const at = reading.columns[field] ?? null;
    return at === null ? [] : rows.map((fields) => fields[at] ?? '');
  };
  const languages = byCount(column('language').map(languageLetters));
  return {
    countries: byCount(column('country').map(countryLetters)),
    languages: languages.length > 0 ? languages : await guessedLanguages(column('query')),
  };
}

function byCount(words: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const word of words) if (word !== '') counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([word]) => word);
}

/** The language of the queries together, and those that are nearly as likely; nothing where there is too little text. */
async function guessedLanguages(queries: readonly string[]): Promise<string[]> {
  const text = queries.join(' ');
  if (text.length < LEAST_TEXT) return [];
  const { eld } = await import('eld/small');
  eld.setLanguageSubset([...LANGUAGES]);
  const scores = Object.entries(eld.detect(text).getScores()).sort((a, b) => b[1] - a[1]);
  const best = scores[0]?.[1] ?? 0;
  return scores.filter(([, score]) => score > best - MARGIN).map(([language]) => language);
}

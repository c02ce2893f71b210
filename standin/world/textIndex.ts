import { key } from '@opsimath/core/text/key';
import { isStopWord, stem, stems } from '@opsimath/core/text/stems';
import type { SurfaceTable } from '../surfaces';
import type { WorldDocument } from './document';

/** Stems of all documents of one kind, weighed by field. */
export interface TextIndex {
  language: string;
  fields: readonly (readonly [string, { weight: number; lengthNorm: number }])[];
  /** Mean number of words, by field. */
  averages: readonly number[];
  documents: number;
  postings: Map<string, { documents: Int32Array; weights: Float32Array; idf: number }>;
  /** Stems of the title, with a space at both ends; by document. */
  titles: string[];
  /** The same of the fields after it. */
  leads: string[];
}

export function buildIndex(
  documents: readonly WorldDocument[],
  table: SurfaceTable,
  language: string,
): TextIndex {
  const fields = Object.entries(table.fields);
  const split = documents.map((document) => splitFields(document.fields, fields, language));
  const averages = fields.map(
    (_, f) => split.reduce((sum, lists) => sum + lists[f]!.length, 0) / documents.length || 1,
  );
  const lists = new Map<string, { documents: number[]; weights: number[] }>();
  split.forEach((words, document) => {
    for (const [word, weight] of weigh(words, fields, averages)) {
      let entry = lists.get(word);
      if (!entry) lists.set(word, (entry = { documents: [], weights: [] }));
      entry.documents.push(document);
      entry.weights.push(weight);
    }
  });
  const postings: TextIndex['postings'] = new Map();
  for (const [word, entry] of lists) {
    const count = entry.documents.length;
    postings.set(word, {
      documents: Int32Array.from(entry.documents),
      weights: Float32Array.from(entry.weights),
      idf: Math.log(1 + (documents.length - count + 0.5) / (count + 0.5)),
    });
  }
  return {
    language,
    fields,
    averages,
    documents: documents.length,
    postings,
    titles: split.map((words) => padded(words[0]!)),
    leads: split.map((words) => padded(words.slice(1, 3).flat())),
  };
}

/** One document as the index would hold it. */
export function indexedWords(
  document: WorldDocument,
  index: TextIndex,
): { weights: Map<string, number>; title: string; lead: string } {
  const words = splitFields(document.fields, index.fields, index.language);
  return {
    weights: weigh(words, index.fields, index.averages),
    title: padded(words[0]!),
    lead: padded(words.slice(1, 3).flat()),
  };
}

export function queryStems(keyword: string, language: string): string[] {
  const all = key(keyword).split(' ');
  const kept = all.filter((word) => !isStopWord(word, language));
  return [...new Set((kept.length > 0 ? kept : all).map((word) => stem(word, language)))];
}

/** Weight in a query of a word that no document holds. */
const UNSEEN_IDF = 6;

export function idfOf(index: TextIndex, word: string): number {
  return index.postings.get(word)?.idf ?? UNSEEN_IDF;
}

export function synonymStems(synonyms: Record<string, string>, language: string): Map<string, string> {
  const pairs = Object.entries(synonyms).map(([a, b]) => [stem(a, language), stem(b, language)] as const);
  return new Map([...pairs, ...pairs.map(([a, b]) => [b, a] as const)]);
}

export function padded(words: readonly string[]): string {
  return ` ${words.join(' ')} `;
}

function splitFields(
  values: Record<string, string>,
  fields: TextIndex['fields'],
  language: string,
): string[][] {
  return fields.map(([field]) => stems(key(values[field] ?? ''), language));
}

function weigh(
  words: readonly string[][],
  fields: TextIndex['fields'],
  averages: readonly number[],
): Map<string, number> {
  const weights = new Map<string, number>();
  fields.forEach(([, { weight, lengthNorm }], f) => {
    const norm = 1 - lengthNorm + (lengthNorm * words[f]!.length) / averages[f]!;
    for (const word of words[f]!) weights.set(word, (weights.get(word) ?? 0) + weight / norm);
  });
  return weights;
}

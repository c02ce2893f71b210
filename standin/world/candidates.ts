import { key } from '@opsimath/core/text/key';
import { isStopWord, stem, stems } from '@opsimath/core/text/stems';
import type { SurfaceTable } from '../surfaces';
import type { WorldDocument } from './documents';

/** For every keyword the documents that may be shown, with the part of their score that no date changes. */
export interface Candidates {
  /** Keyword i has entries start[i] … start[i+1]. */
  start: Int32Array;
  document: Int32Array;
  score: Float32Array;
}

const KEPT = 200;
const LOOKED_AT = 340;
const K1 = 1.4;
const SYNONYM_SHARE = 0.6;
const LEAST_HELD = 0.75;

/** Scores documents against keywords by BM25F with an exact-phrase bonus, and keeps the best of each. */
export function findCandidates(
  keywords: readonly string[],
  documents: readonly WorldDocument[],
  table: SurfaceTable,
  language: string,
  vocabulary: { synonyms: Record<string, string>; askingWords: readonly string[] },
): Candidates {
  const index = buildIndex(documents, table, language);
  const alike = synonymStems(vocabulary.synonyms, language);
  const scores = new Float32Array(documents.length);
  const held = new Float32Array(documents.length);
  const full = new Float32Array(documents.length);
  const start = new Int32Array(keywords.length + 1);
  const document = new Int32Array(keywords.length * KEPT);
  const score = new Float32Array(keywords.length * KEPT);
  keywords.forEach((keyword, i) => {
    const phrase = ` ${stems(key(keyword), language).join(' ')} `;
    const asks = key(keyword)
      .split(' ')
      .some((word) => vocabulary.askingWords.includes(word));
    const { touched, relevant } = scoreAll(queryStems(keyword, language), index, alike, scores, held);
    const best = highest(relevant, scores, LOOKED_AT);
    for (const at of best)
      full[at] = scores[at]! * table.text + beside(documents[at]!, index, at, phrase, asks, table);
    for (const at of touched) scores[at] = held[at] = 0;
    best.sort((a, b) => full[b]! - full[a]! || a - b);
    const count = Math.min(KEPT, best.length);
    for (let n = 0; n < count; n++) {
      document[start[i]! + n] = best[n]!;
      score[start[i]! + n] = full[best[n]!]!;
    }
    start[i + 1] = start[i]! + count;
  });
  const size = start[keywords.length]!;
  return { start, document: document.slice(0, size), score: score.slice(0, size) };
}

interface TextIndex {
  postings: Map<string, { documents: Int32Array; weights: Float32Array; idf: number }>;
  titles: string[];
  /** Headings and description. */
  leads: string[];
}

function buildIndex(documents: readonly WorldDocument[], table: SurfaceTable, language: string): TextIndex {
  const fields = Object.entries(table.fields);
  const split = documents.map((document) =>
    fields.map(([field]) => stems(key(document.fields[field] ?? ''), language)),
  );
  const averages = fields.map(
    (_, f) => split.reduce((sum, lists) => sum + lists[f]!.length, 0) / documents.length || 1,
  );
  const lists = new Map<string, { documents: number[]; weights: number[] }>();
  split.forEach((words, document) => {
    const weights = new Map<string, number>();
    fields.forEach(([, { weight, lengthNorm }], f) => {
      const norm = 1 - lengthNorm + (lengthNorm * words[f]!.length) / averages[f]!;
      for (const word of words[f]!) weights.set(word, (weights.get(word) ?? 0) + weight / norm);
    });
    for (const [word, weight] of weights) {
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
  const joined = (fieldStems: string[][]): string => ` ${fieldStems.flat().join(' ')} `;
  return {
    postings,
    titles: split.map((fieldStems) => joined([fieldStems[0]!])),
    leads: split.map((fieldStems) => joined(fieldStems.slice(1, 3))),
  };
}

function queryStems(keyword: string, language: string): string[] {
  const all = key(keyword).split(' ');
  const kept = all.filter((word) => !isStopWord(word, language));
  return [...new Set((kept.length > 0 ? kept : all).map((word) => stem(word, language)))];
}

function synonymStems(synonyms: Record<string, string>, language: string): Map<string, string> {
  const pairs = Object.entries(synonyms).map(([a, b]) => [stem(a, language), stem(b, language)] as const);
  return new Map([...pairs, ...pairs.map(([a, b]) => [b, a] as const)]);
}

/**
 * Adds every document's share of the best possible score into `scores`; returns the documents that hold
 * enough of the keyword to be shown at all: what matters in it, weighed by how rare each word is.
 */
function scoreAll(
  query: string[],
  index: TextIndex,
  alike: Map<string, string>,
  scores: Float32Array,
  held: Float32Array,
): { touched: number[]; relevant: number[] } {
  const touched: number[] = [];
  const idfOf = (word: string): number => index.postings.get(word)?.idf ?? 6;
  const possible = query.reduce((sum, word) => sum + idfOf(word), 0);
  const addWord = (word: string, share: number): void => {
    const entry = index.postings.get(word);
    if (!entry) return;
    for (let i = 0; i < entry.documents.length; i++) {
      const document = entry.documents[i]!;
      const weight = entry.weights[i]!;
      if (scores[document] === 0) touched.push(document);
      scores[document]! += (share * entry.idf * (weight / (K1 + weight))) / possible;
      held[document]! += (share * entry.idf) / possible;
    }
  };
  for (const word of query) {
    addWord(word, 1);
    const other = alike.get(word);
    if (other !== undefined) addWord(other, SYNONYM_SHARE);
  }
  return { touched, relevant: touched.filter((document) => held[document]! >= LEAST_HELD) };
}

/** The `count` documents with the highest scores, by counting into bins: no full sort. */
function highest(touched: number[], scores: Float32Array, count: number): number[] {
  if (touched.length <= count) return touched;
  const bins = new Int32Array(512);
  const binOf = (document: number): number => Math.min(511, Math.floor(scores[document]! * 340));
  for (const document of touched) bins[binOf(document)]!++;
  let least = 511;
  for (let sum = bins[511]!; sum < count && least > 0; sum += bins[--least]!);
  return touched.filter((document) => binOf(document) >= least).slice(0, count * 2);
}

/** What is added to the text score: the phrase, authority, the genre asked for and the trade of the owner. */
function beside(
  document: WorldDocument,
  index: TextIndex,
  at: number,
  phrase: string,
  asks: boolean,
  table: SurfaceTable,
): number {
  const bonus = index.titles[at]!.includes(phrase)
    ? table.phraseInTitle
    : index.leads[at]!.includes(phrase)
      ? table.phraseElsewhere
      : 0;
  const genres = asks ? table.genres.asking : table.genres.buying;
  return (
    bonus +
    table.authority * document.authority +
    (genres[document.genre] ?? 0) +
    (table.trades[document.trade] ?? 0)
  );
}

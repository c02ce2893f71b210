import { key } from '@opsimath/core/text/key';
import { stems } from '@opsimath/core/text/stems';
import { hashText, mix, unit } from '../random';
import type { SurfaceTable } from '../surfaces';
import type { WorldDocument } from './document';
import type { Version } from './history';
import type { Owner } from './owners';
import { type TextIndex, idfOf, indexedWords, padded, queryStems, synonymStems } from './textIndex';

/** For every keyword the versions of documents that may be shown, with the part of their score that no date changes. */
export interface Candidates {
  /** Keyword i has entries start[i] … start[i+1]. */
  start: Int32Array;
  /** A document as it was worded over a span of days: index into what follows. */
  version: Int32Array;
  score: Float32Array;
  /** By version: the document, the first day, and the first day on which it no longer holds. */
  documentOf: Int32Array;
  from: Int32Array;
  until: Int32Array;
}

/** What a market searches in, beside its keywords. */
export interface SearchGround {
  table: SurfaceTable;
  index: TextIndex;
  language: string;
  place: string;
  owners: readonly Owner[];
  synonyms: Record<string, string>;
  /** Words of keywords that ask rather than buy. */
  askingWords: readonly string[];
}

/** Of them at least a hundred hold on any day. */
const KEPT = 320;
const LOOKED_AT = 440;
const K1 = 1.4;
const SYNONYM_SHARE = 0.6;
const LEAST_HELD = 0.75;
/** More than there are versions. */
const PACK = 65_536;

interface Query {
  stems: string[];
  phrase: string;
  asks: boolean;
  /** The best score that a document can have. */
  possible: number;
}

/** Scores versions of documents against keywords by BM25F with an exact-phrase bonus, and keeps the best of each. */
export function findCandidates(
  keywords: readonly string[],
  versions: readonly Version[],
  ground: SearchGround,
): Candidates {
  const { index, table } = ground;
  const alike = synonymStems(ground.synonyms, ground.language);
  const documents = versions.map(({ content }) => content);
  const constant = documents.map((document) => standingBeside(document, ground));
  const genres = ['asking', 'buying'].map((kind) =>
    Float64Array.from(
      documents,
      (document) => table.genres[kind as 'asking' | 'buying'][document.genre] ?? 0,
    ),
  );
  const scores = new Float64Array(documents.length);
  const held = new Float64Array(documents.length);
  const start = new Int32Array(keywords.length + 1);
  const version = new Int32Array(keywords.length * KEPT);
  const score = new Float32Array(keywords.length * KEPT);
  keywords.forEach((keyword, i) => {
    const query = queryOf(keyword, ground);
    const touched = addPostings(query, index, alike, scores, held);
    const genre = genres[query.asks ? 0 : 1]!;
    const relevant: number[] = [];
    for (const at of touched) {
      if (held[at]! >= LEAST_HELD) {
        relevant.push(at);
        scores[at] = scores[at]! * table.text + constant[at]! + genre[at]!;
      } else scores[at] = 0;
      held[at] = 0;
    }
    // The phrase is looked for in the promising ones only: it is what costs most.
    const best = highest(relevant, scores, LOOKED_AT);
    for (const at of best)
      scores[at]! += phraseBonus(query.phrase, index.titles[at]!, index.leads[at]!, table);
    const count = Math.min(KEPT, best.length);
    bestFirst(best, scores).forEach((at, n) => {
      if (n >= count) return;
      version[start[i]! + n] = at;
      score[start[i]! + n] = scores[at]!;
    });
    start[i + 1] = start[i]! + count;
    for (const at of relevant) scores[at] = 0;
  });
  const size = start[keywords.length]!;
  return {
    start,
    version: version.slice(0, size),
    score: score.slice(0, size),
    documentOf: Int32Array.from(versions, ({ document }) => document),
    from: Int32Array.from(versions, ({ from }) => from),
    until: Int32Array.from(versions, ({ until }) => until),
  };
}

/** The undated score of one document for every keyword; NaN where it cannot be shown. For edits after generation. */
export function scoresOf(
  edited: WorldDocument,
  keywords: readonly string[],
  ground: SearchGround,
): Float32Array {
  const { index, table } = ground;
  const alike = synonymStems(ground.synonyms, ground.language);
  const { weights, title, lead } = indexedWords(edited, index);
  const constant = standingBeside(edited, ground);
  return Float32Array.from(keywords, (keyword) => {
    const query = queryOf(keyword, ground);
    let text = 0;
    let held = 0;
    const add = (word: string, share: number): void => {
      const weight = weights.get(word);
      if (weight === undefined) return;
      text += share * idfOf(index, word) * (weight / (K1 + weight));
      held += share * idfOf(index, word);
    };
    for (const word of query.stems) {
      add(word, 1);
      const other = alike.get(word);
      if (other !== undefined) add(other, SYNONYM_SHARE);
    }
    if (held / query.possible < LEAST_HELD) return NaN;
    const genre = table.genres[query.asks ? 'asking' : 'buying'][edited.genre] ?? 0;
    return (
      (text / query.possible) * table.text + constant + genre + phraseBonus(query.phrase, title, lead, table)
    );
  });
}

function queryOf(keyword: string, { index, language, askingWords }: SearchGround): Query {
  const text = key(keyword);
  const wanted = queryStems(keyword, language);
  return {
    stems: wanted,
    phrase: padded(stems(text, language)),
    asks: text.split(' ').some((word) => askingWords.includes(word)),
    possible: wanted.reduce((sum, word) => sum + idfOf(index, word), 0),
  };
}

/**
 * Adds every document's share of the best possible score into `scores`, and how much of the keyword it holds into
 * `held`. The rarest words come first: once the words that are left cannot make up what must be held, they only add
 * to documents that are in already.
 */
function addPostings(
  query: Query,
  index: TextIndex,
  alike: Map<string, string>,
  scores: Float64Array,
  held: Float64Array,
): number[] {
  const touched: number[] = [];
  const addWord = (word: string, share: number, mayBring: boolean): void => {
    const entry = index.postings.get(word);
    if (!entry) return;
    const { documents, weights } = entry;
    const part = (share * entry.idf) / query.possible;
    for (let i = 0; i < documents.length; i++) {
      const document = documents[i]!;
      if (held[document] === 0) {
        if (!mayBring) continue;
        touched.push(document);
      }
      const weight = weights[i]!;
      scores[document]! += part * (weight / (K1 + weight));
      held[document]! += part;
    }
  };
  const rarestFirst = [...query.stems].sort((a, b) => idfOf(index, b) - idfOf(index, a));
  let left = query.possible;
  for (const word of rarestFirst) {
    const mayBring = left >= LEAST_HELD * query.possible;
    const other = alike.get(word);
    addWord(word, 1, mayBring);
    if (other !== undefined) addWord(other, SYNONYM_SHARE, mayBring);
    left -= idfOf(index, word) * (other === undefined ? 1 : 1 - SYNONYM_SHARE);
  }
  return touched;
}

/** Sorted by score, then by index, as numbers: comparing by a function would cost more than all the scoring. */
function bestFirst(documents: readonly number[], scores: Float64Array): Int32Array {
  const packed = Float64Array.from(
    documents,
    (at) => -Math.round((scores[at]! + 100) * 1e5) * PACK + at,
  ).sort();
  return Int32Array.from(packed, (value) => ((value % PACK) + PACK) % PACK);
}

/** Some documents with the highest scores, at least `count` of them if there are, by counting into bins: no full sort. */
function highest(relevant: number[], scores: Float64Array, count: number): number[] {
  if (relevant.length <= count) return relevant;
  const bins = new Int32Array(512);
  const binOf = (document: number): number => Math.max(0, Math.min(511, Math.floor(scores[document]! * 48)));
  for (const document of relevant) bins[binOf(document)]!++;
  let least = 511;
  for (let sum = bins[511]!; sum < count && least > 0; sum += bins[--least]!);
  return relevant.filter((document) => binOf(document) >= least);
}

function phraseBonus(phrase: string, title: string, lead: string, table: SurfaceTable): number {
  if (title.includes(phrase)) return table.phraseInTitle;
  return lead.includes(phrase) ? table.phraseElsewhere : 0;
}

/** What does not depend on the keyword: authority, the owner's trade, how people take to it, and being known in the place. */
function standingBeside(document: WorldDocument, { table, owners, place }: SearchGround): number {
  const owner = owners[document.owner]!;
  return (
    table.authority * document.authority +
    (table.trades[document.trade] ?? 0) +
    table.engagement * document.appeal +
    table.local * (unit(mix(hashText(owner.address), hashText(place))) - 0.5)
  );
}

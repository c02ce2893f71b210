import { key, words as wordsOf } from '../text/key';
import { type Limit } from './draftFields';
import { type DraftKeyword, draftCoverage } from './draftCoverage';
import { holdField } from './heldFields';
import { type WidthOf, measure } from './measure';
import type { TitleStyle } from './titleStyle';

export interface TitleCandidate {
  title: string;
  /** Σ searches of keywords that are whole in it, and of those of which it has all words. */
  whole: number;
  held: number;
  /** Keywords of which it lacks a word, as indices. */
  uncovered: number[];
}

const BEAM = 60;
const MOST_CHOSEN = 12;
const SHOWN = 5;

/**
 * Titles that carry the lead keyword whole and first, then as many of the others as fit, each word once (method §12): what a
 * keyword adds is said right behind what it follows from, so that “rear pannier” and “pannier bag” are “rear pannier bag”.
 * Ranked by Σ searches held whole, then held at all, then shorter.
 *
 * @param keywords the lead first; more than twelve are passed over
 */
export function titleBuilder(
  keywords: readonly DraftKeyword[],
  limit: Limit,
  style: TitleStyle,
  language: string,
  widthOf?: WidthOf,
): TitleCandidate[] {
  const [lead, ...others] = keywords.slice(0, MOST_CHOSEN);
  if (!lead) return [];
  const fits = (parts: readonly string[][]): boolean =>
    measure(written(parts, style, language), limit.unit, widthOf) <= limit.most;
  let beam: string[][][] = [[wordsOf(lead.key)]];
  const seen = new Map<string, TitleCandidate>();
  const note = (parts: string[][]): TitleCandidate => {
    const title = written(parts, style, language);
    let candidate = seen.get(title);
    if (!candidate) seen.set(title, (candidate = weighed(title, keywords, language)));
    return candidate;
  };
  note(beam[0]!);
  for (let depth = 0; depth < others.length; depth++) {
    const longer = new Map<string, { parts: string[][]; candidate: TitleCandidate }>();
    for (const parts of beam)
      for (const other of others)
        for (const next of withKeyword(parts, wordsOf(other.key))) {
          if (!fits(next)) continue;
          const candidate = note(next);
          longer.set(candidate.title, { parts: next, candidate });
        }
    const best = [...longer.values()].sort((a, b) => byWorth(a.candidate, b.candidate)).slice(0, BEAM);
    if (best.length === 0) break;
    beam = best.map(({ parts }) => parts);
  }
  return unlike([...seen.values()].sort(byWorth)).slice(0, SHOWN);
}

/** Of titles that say the same words the first one. */
function unlike(titles: readonly TitleCandidate[]): TitleCandidate[] {
  const said = new Set<string>();
  return titles.filter(({ title }) => {
    const same = wordsOf(key(title)).sort().join(' ');
    return !said.has(same) && said.add(same);
  });
}

const byWorth = (a: TitleCandidate, b: TitleCandidate): number =>
  b.whole - a.whole || b.held - a.held || a.title.length - b.title.length || (a.title < b.title ? -1 : 1);

/** Ways of saying one more keyword: on from the end of a part where its words go on, or as a part of its new words. */
function withKeyword(parts: readonly string[][], added: readonly string[]): string[][][] {
  const said = new Set(parts.flat());
  const ways: string[][][] = [];
  parts.forEach((part, n) => {
    for (let shared = Math.min(part.length, added.length - 1); shared > 0; shared--) {
      const goesOn = added.slice(0, shared).every((word, at) => part[part.length - shared + at] === word);
      const rest = added.slice(shared);
      if (!goesOn || rest.some((word) => said.has(word))) continue;
      ways.push(parts.map((one, at) => (at === n ? [...one, ...rest] : one)));
      break;
    }
  });
  const fresh = added.filter((word) => !said.has(word));
  if (fresh.length > 0) ways.push([...parts, fresh]);
  return ways;
}

function written(parts: readonly string[][], style: TitleStyle, language: string): string {
  const upper = (word: string): string => word.charAt(0).toLocaleUpperCase(language) + word.slice(1);
  const phrases = parts.map((part) =>
    style.capitals === 'every word' ? part.map(upper).join(' ') : part.join(' '),
  );
  const title = phrases.join(style.separator);
  const capital = style.capitals === 'first word' ? upper(title) : title;
  return style.brandPlace === 'last' && style.brand !== '' ? `${capital} | ${style.brand}` : capital;
}

function weighed(title: string, keywords: readonly DraftKeyword[], language: string): TitleCandidate {
  const { keywords: told } = draftCoverage([holdField('title', key(title), language)], keywords, language);
  const sum = (is: (n: number) => boolean): number =>
    keywords.reduce((total, { volume }, n) => total + (is(n) ? volume : 0), 0);
  return {
    title,
    whole: sum((n) => told[n]!.coverage === 'whole'),
    held: sum((n) => told[n]!.missing.length === 0),
    uncovered: told.flatMap(({ missing }, n) => (missing.length > 0 ? [n] : [])),
  };
}

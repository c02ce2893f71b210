import type { QueryGroup } from '../performance/queryGroups';
import type { Language } from '../text/languages';
import type { Purpose } from './purpose';

/** Figures that a sieve can set limits to. */
export const SIEVE_FIGURES = [
  'volume',
  'word count',
  'CPC',
  'ad competition',
  'difficulty',
  'grain',
  'nearness',
  'exact rivals',
  'rivals that cover it',
  'contained in',
  'appearances',
  'imported difficulty',
] as const;
export type SieveFigure = (typeof SIEVE_FIGURES)[number];
export const VERDICTS = ['fit', 'adjacent', 'off', 'unjudged'] as const;
export type Verdict = (typeof VERDICTS)[number];
/** Shapes of the marks that a project names itself. */
export const MARKER_SHAPES = [
  'star',
  'flag',
  'triangle',
  'square',
  'hexagon',
  'cross',
  'hook',
  'wave',
] as const;
export type MarkerShape = (typeof MARKER_SHAPES)[number];
export const TRENDS = ['rising', 'level', 'falling'] as const;
export type TrendWord = (typeof TRENDS)[number];

/** Limits, both included; `null` is no limit. */
export interface Bounds {
  least: number | null;
  most: number | null;
}

/** One step of a recipe: what it lets through. */
export type Sieve =
  /** Of a phrase several may be given, with commas between: any of them. `stems`: in any form, bags for bag. */
  | {
      kind: 'words';
      mode: 'phrase' | 'all words' | 'any word' | 'pattern';
      text: string;
      out: boolean;
      stems?: boolean | undefined;
    }
  | ({ kind: 'figure'; figure: SieveFigure; unknown: boolean } & Bounds)
  | ({ kind: 'position'; target: string; unknown: boolean } & Bounds)
  | { kind: 'ranked by'; atLeast: number; within: number }
  | { kind: 'found'; ways: readonly string[] }
  | { kind: 'trend'; trends: readonly TrendWord[]; unknown: boolean }
  | { kind: 'verdict'; verdicts: readonly Verdict[] }
  /** Why it was judged as it was; `''` stands for no reason. */
  | { kind: 'reason'; reasons: readonly string[]; out: boolean }
  | { kind: 'list'; list: number; out: boolean }
  | { kind: 'language'; languages: readonly Language[]; unknown: boolean }
  | { kind: 'main variants' }
  | { kind: 'banned words'; level: 'any' | 'forbidden' | 'doubtful'; out: boolean }
  | { kind: 'marker'; marker: number; out: boolean }
  | { kind: 'purpose'; purposes: readonly Purpose[] }
  /** Of whose position somebody typed in what they saw; `out`: of which nobody did; `null` while that is not chosen. */
  | { kind: 'seen by hand'; out: boolean | null }
  | { kind: 'own queries'; groups: readonly QueryGroup[]; out: boolean };

/**
 * Why a sieve cannot work as it is written, in words for whoever writes it; `null` when it can. A sieve that cannot
 * work lets everything through.
 */
export function sieveProblem(sieve: Sieve): string | null {
  switch (sieve.kind) {
    case 'words':
      if (!/[\p{L}\p{N}]/u.test(sieve.text)) return 'Type a word.';
      return sieve.mode === 'pattern' && /[[\]]/.test(sieve.text)
        ? 'In a pattern only * (any letters) and ? (one letter) have a meaning.'
        : null;
    case 'figure':
    case 'position':
      if (sieve.least === null && sieve.most === null) return 'Set a least or a most.';
      return sieve.least !== null && sieve.most !== null && sieve.least > sieve.most
        ? `The least, ${sieve.least}, is above the most, ${sieve.most}.`
        : null;
    case 'ranked by':
      return sieve.atLeast < 1 ? 'At least one target must rank.' : null;
    case 'found':
      return sieve.ways.length === 0 ? 'Choose a way.' : null;
    case 'trend':
      return sieve.trends.length === 0 && !sieve.unknown ? 'Choose a trend.' : null;
    case 'verdict':
      return sieve.verdicts.length === 0 ? 'Choose a verdict.' : null;
    case 'reason':
      return sieve.reasons.length === 0 ? 'Choose a reason.' : null;
    case 'list':
      return sieve.list === 0 ? 'Choose a list.' : null;
    case 'language':
      return sieve.languages.length === 0 ? 'Choose a language.' : null;
    case 'marker':
      return sieve.marker === 0 ? 'Choose a marker.' : null;
    case 'purpose':
      return sieve.purposes.length === 0 ? 'Choose a purpose.' : null;
    case 'own queries':
      return sieve.groups.length === 0 ? 'Choose a group of own queries.' : null;
    case 'main variants':
    case 'banned words':
      return null;
    case 'seen by hand':
      return sieve.out === null ? 'Choose whether somebody typed it in, or nobody.' : null;
  }
}

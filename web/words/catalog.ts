import type { ReasonWords } from '@opsimath/core/gap/reason';
import type codes from './en/codes.json';
import type counts from './en/counts.json';
import type drafts from './en/drafts.json';
import type gaps from './en/gaps.json';
import type lookup from './en/lookup.json';
import type method from './en/method.json';
import type parts from './en/parts.json';
import type report from './en/report.json';
import type roster from './en/roster.json';
import type rounds from './en/rounds.json';
import type shell from './en/shell.json';
import type sift from './en/sift.json';
import type watch from './en/watch.json';

export type FigureSpace = 'gap' | 'pool';

/** All texts of the interface in one language: a file a room, a group a file of that room. English is what the others follow. */
export interface Words {
  shell: typeof shell;
  parts: typeof parts;
  codes: typeof codes;
  counts: typeof counts;
  /** Figures are named in the contract, where files and reports read them too: English has nothing here. */
  figures: Partial<Record<FigureSpace, Record<string, { head: string; tip: string }>>>;
  roster: typeof roster;
  lookup: typeof lookup;
  sift: typeof sift;
  gaps: typeof gaps;
  rounds: typeof rounds;
  drafts: typeof drafts;
  watch: typeof watch;
  report: typeof report;
  method: typeof method;
  /** What a word means stands in the core, where reports read it too: English has nothing here. */
  /** What went wrong, by its code; the server says it in English. */
  problems: Partial<Record<string, string>>;
  /** Nor here: sentences on what to do are the core's. */
  reasons: ReasonWords;
  glossary: Partial<Record<string, { word: string; meaning: string }>>;
}

/** What every page needs; the others come with their stage. */
export const FIRST_SPACES = ['shell', 'parts', 'codes', 'counts', 'figures', 'problems', 'reasons'] as const;
export const STAGE_SPACES = [
  'roster',
  'lookup',
  'sift',
  'gaps',
  'rounds',
  'drafts',
  'watch',
  'report',
  'method',
] as const;
export type StageSpace = (typeof STAGE_SPACES)[number];

type KeysOf<Groups> = {
  [Group in keyof Groups & string]: `${Group}.${keyof Groups[Group] & string}`;
}[keyof Groups & string];

/** `gaps:GapTitle.nothingMatches`: room, file, text. */
export type WordKey = {
  [Space in StageSpace | 'shell' | 'parts']: `${Space}:${KeysOf<Words[Space]>}`;
}[StageSpace | 'shell' | 'parts'];

/** What can be counted. */
export type Counted = keyof Words['counts'] extends infer Key
  ? Key extends `${infer Noun}_one`
    ? Noun
    : never
  : never;

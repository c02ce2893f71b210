import { GAP_FIGURE_NAMES } from '../figures/gapFigures';

/** Everything a row of gaps can be marked with. */
export const GAP_MARKS = [
  'near',
  'doubling',
  'gained',
  'lost',
  'climbing',
  'slipping',
  'little demand',
  'block to take',
  'by hand',
  'defence',
  'several of ours',
] as const;
export type GapMark = (typeof GAP_MARKS)[number];

/** Whose name a keyword holds: of a target of ours, of a rival, of neither. */
export const HELD_NAMES = ['our name', 'a rival’s name', 'no name'] as const;
export type HeldName = (typeof HELD_NAMES)[number];

/** What rows of gaps are divided by, each a filter of its own with counts; purposes are read in a look-up's pool alone. */
export const GAP_FACETS = [
  'kinds',
  'paid',
  'marks',
  'rivals',
  'bands',
  'pageKinds',
  'names',
  'purposes',
  'verdicts',
  'actions',
] as const;
export type GapFacet = (typeof GAP_FACETS)[number];

/** What rows of gaps can be sorted by: every figure of the register, and what is in words. */
export const GAP_SORTS = [...GAP_FIGURE_NAMES, 'keyword', 'kind', 'action', 'paid', 'verdict'] as const;
export type GapSort = (typeof GAP_SORTS)[number];

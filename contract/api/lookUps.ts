import { z } from 'zod';
import { isoDay, surface } from '../source/answers';
import { FOUND_BY } from './foundBy';
import { job } from './jobs';

export const extent = z.enum(['positions', 'metrics', 'captures']);

/** Ways of finding keywords from a seed keyword. */
export const seedWay = z.enum([
  'suggestions',
  'one letter more',
  'one letter before',
  'phrase',
  'all words',
  'any word',
  'also ranked',
  'spellings',
  'words of the front',
]);
export type SeedWay = z.infer<typeof seedWay>;

export const foundBy = z.enum(FOUND_BY);

/** What a target itself says: its tags, the phrases of its title and headings, a channel's keywords. */
export const targetWords = z.enum(['tags', 'phrases of the target', 'channel keywords']);

const lines = (most: number) => z.array(z.string().trim().min(1).max(2000)).max(most).default([]);

export const lookUpRequest = z.object({
  market: z.string(),
  date: isoDay,
  /** Addresses or ids of targets; repeats count once. */
  targets: lines(200),
  /** Seed keywords. */
  seeds: lines(50),
  ways: z.array(seedWay).default([]),
  /** What is taken from the targets' own words. */
  words: z.array(targetWords).default([]),
  /** Keywords of which only the figures are wanted; nothing is added. */
  keywords: lines(20_000),
  /** Whether those were combined of words here, rather than known before. */
  combined: z.boolean().default(false),
  want: z.enum(['organic', 'paid', 'both']).default('both'),
  /** Organic positions beyond it are not fetched. */
  depth: z.int().min(1).max(100).default(100),
  /** Keywords searched less often are not fetched, searches a month. */
  leastVolume: z.number().min(0).default(0),
  /** Positions only, with metrics, or with metrics and captures. */
  extent: extent.default('captures'),
  /** Captures are taken of this many keywords, most searched first. */
  captureMost: z.int().min(1).max(100_000).default(2000),
  /** A second date to capture, for the comparison over time. */
  compareDate: isoDay.nullable().default(null),
});
export type LookUpRequest = z.infer<typeof lookUpRequest>;
export type LookUpOrder = z.input<typeof lookUpRequest>;

export const lookUpPrice = z.object({
  units: z.number(),
  /** `estimated`: not known exactly before something else has been fetched. */
  parts: z.array(
    z.object({ what: z.string(), units: z.number(), held: z.boolean(), estimated: z.boolean() }),
  ),
  /** Targets that nothing is known of in this market. */
  unknown: z.array(z.string()),
  allowance: z.number(),
  spent: z.number(),
  renews: isoDay,
});
export type LookUpPrice = z.infer<typeof lookUpPrice>;

/** A look-up named anew, taken out of the list, or brought back to it. */
export const lookUpChange = z
  .object({ name: z.string().trim().min(1).max(200), removed: z.boolean() })
  .partial()
  .strict();
export type LookUpChange = z.input<typeof lookUpChange>;

export const lookUpPart = z.object({
  way: z.string(),
  seed: z.string(),
  state: z.enum(['waiting', 'done', 'failed']),
  found: z.int(),
  message: z.string().nullable(),
});
export const lookUp = z.object({
  id: z.int(),
  market: z.string(),
  surface,
  name: z.string(),
  /** What it was made of, in words. */
  kind: z.enum(['targets', 'seeds', 'list', 'import', 'mixed']),
  date: isoDay,
  request: lookUpRequest,
  keywords: z.int(),
  units: z.number(),
  createdAt: z.string(),
  job: job.nullable(),
  targets: z.array(
    z.object({
      address: z.string(),
      state: z.enum(['waiting', 'walking', 'done', 'failed']),
      rows: z.int(),
      heldBy: z.int(),
      message: z.string().nullable(),
    }),
  ),
  parts: z.array(lookUpPart),
});
export type LookUp = z.infer<typeof lookUp>;

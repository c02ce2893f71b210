import { z } from 'zod';
import { isoDay, surface } from '../source/answers';
import { job } from './jobs';

export const extent = z.enum(['positions', 'metrics', 'captures']);

/** Ways of finding keywords from a seed keyword. */
export const seedWay = z.enum([
  'suggestions',
  'one letter more',
  'one letter before',
  'phrase',
  'all words',
  'also ranked',
  'spellings',
  'words of the front',
]);
export type SeedWay = z.infer<typeof seedWay>;

/** Every way in which a keyword can have come into a pool, with the number that it is stored under and its bit in pools. */
export const FOUND_BY_CODES = {
  organic: 0,
  paid: 1,
  suggestions: 2,
  'one letter more': 3,
  'one letter before': 4,
  phrase: 5,
  'all words': 6,
  'also ranked': 7,
  spellings: 8,
  'words of the front': 9,
  tags: 10,
  'phrases of the target': 11,
  'channel keywords': 12,
  list: 13,
  import: 14,
  combined: 15,
} as const satisfies Record<SeedWay, number> & Record<string, number>;
export type FoundBy = keyof typeof FOUND_BY_CODES;
/** The same in the order of their codes. */
export const FOUND_BY = (Object.keys(FOUND_BY_CODES) as FoundBy[]).sort(
  (one, other) => FOUND_BY_CODES[one] - FOUND_BY_CODES[other],
);
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

export const poolSort = z.enum([
  'keyword',
  'volume',
  'targets',
  'best',
  'paid',
  'cpc',
  'adCompetition',
  'difficulty',
  'results',
  'words',
  'trend',
  'peak',
  'sources',
  'appearances',
  'clicks',
  'given',
]);
export type PoolSort = z.infer<typeof poolSort>;

/** Several orders in a row as `-volume,keyword`; a minus runs from large to small. */
export const sortList = z
  .string()
  .max(200)
  .default('-volume')
  .transform((text) =>
    text
      .split(',')
      .map((part) => ({ sort: part.replace(/^-/, ''), descending: part.startsWith('-') }))
      .filter((part): part is { sort: PoolSort; descending: boolean } =>
        (poolSort.options as readonly string[]).includes(part.sort),
      )
      .slice(0, 4),
  );

const listOf = <T extends z.ZodType>(item: T) =>
  z
    .preprocess(
      (value) => (typeof value === 'string' ? value.split(',').filter(Boolean) : value),
      z.array(item),
    )
    .default([]);

export const volumeRange = z.object({ low: z.int(), high: z.int() });

export const matchMode = z.enum(['phrase', 'all words', 'any word']);
export const poolFilter = z.object({
  /** A piece of text anywhere. */
  find: z.string().max(300).default(''),
  /** Whole words. */
  words: z.string().max(300).default(''),
  mode: matchMode.default('any word'),
  foundBy: listOf(foundBy),
  leastVolume: z.coerce.number().min(0).optional(),
  /** Keywords that hold none of the words of this seed keyword, by stems. */
  without: z.string().max(300).default(''),
});
export const poolQuery = poolFilter.extend({
  sort: sortList,
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type PoolQuery = z.input<typeof poolQuery>;
export type PoolQueryRead = z.output<typeof poolQuery>;

export const poolRow = z.object({
  id: z.int(),
  text: z.string(),
  /** Searches a month; `null` where unknown. */
  volume: z.number().nullable(),
  /** Months the volume rests on. */
  /** From … to, where the source gave a range; the volume is its geometric mean. */
  volumeRange: volumeRange.nullable(),
  /** Lent by another surface, where the settings want that. */
  volumeBorrowed: z.boolean(),
  volumeMonths: z.int(),
  /** Latest 12 months, oldest first; empty where unknown. */
  months: z.array(z.number().nullable()),
  /** Calendar month of the largest season index, 0 = January. */
  peak: z.int().nullable(),
  trend: z.enum(['rising', 'falling', 'level']).nullable(),
  /** Yearly change of ln(1 + volume). */
  trendSlope: z.number().nullable(),
  cpcLow: z.number().nullable(),
  cpcHigh: z.number().nullable(),
  adCompetition: z.number().nullable(),
  /** 0–100, of the front as captured. */
  difficulty: z.int().nullable(),
  results: z.number().nullable(),
  words: z.int(),
  /** Date of the metrics. */
  metricsDate: isoDay.nullable(),
  /** In the order of `targets`; `null` where it was not found by this look-up. */
  organic: z.array(z.int().nullable()),
  paid: z.array(z.int().nullable()),
  /** Positions that a capture shows, in the order of `targets`: absent is said only here. */
  captured: z.array(z.union([z.int(), z.literal('absent')]).nullable()),
  found: z.array(foundBy),
  /** Seed keywords and targets whose words brought it. */
  from: z.array(z.string()),
  /** Of how many of the first ten it also ranks; targets that use it as a tag. */
  appearances: z.int().nullable(),
  uses: z.int().nullable(),
  /** Estimated clicks a month of all looked-up targets together. */
  clicks: z.number().nullable(),
  /** Words not to be used that it holds. */
  banned: z.array(
    z.object({
      text: z.string(),
      level: z.enum(['forbidden', 'doubtful']),
      reason: z.string(),
      /** How it is spelled here, where that is otherwise than the project has it. */
      spelled: z.string().nullable(),
    }),
  ),
});
export type PoolRow = z.infer<typeof poolRow>;

export const poolPage = z.object({
  total: z.int(),
  /** Keywords of the pool without any filter, and how many of them have a known volume. */
  all: z.int(),
  withVolume: z.int(),
  rows: z.array(poolRow),
  /** The seed keywords' own figures. */
  seeds: z.array(
    poolRow.extend({
      /** A spelling that is typed at least five times as often (§13). */
      oftener: z.object({ text: z.string(), volume: z.number() }).nullable(),
    }),
  ),
  targets: z.array(z.string()),
  /** By way: keywords found so, and keywords found only so. */
  sources: z.array(z.object({ by: foundBy, keywords: z.int(), only: z.int() })),
  /** Of how many of the first ten an answer came, for *also ranked*. */
  lookedUpOfTen: z.int().nullable(),
});
export type PoolPage = z.infer<typeof poolPage>;

/** What came and what went between two look-ups of the same. */
export const poolChange = z.object({
  from: isoDay,
  to: isoDay,
  came: z.int(),
  went: z.int(),
  stayed: z.int(),
  rows: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      volume: z.number().nullable(),
      change: z.enum(['came', 'went', 'moved']),
      before: z.int().nullable(),
      after: z.int().nullable(),
    }),
  ),
});
export type PoolChange = z.infer<typeof poolChange>;

export const fileExport = z.object({
  id: z.int(),
  lookUpId: z.int().nullable(),
  name: z.string(),
  /** The address that makes it again. */
  query: z.string(),
  rows: z.int(),
  createdAt: z.string(),
});
export type FileExport = z.infer<typeof fileExport>;

/** How many keywords each mode would bring for some words. */
export const modeCounts = z.object({ counts: z.array(z.object({ mode: matchMode, keywords: z.int() })) });

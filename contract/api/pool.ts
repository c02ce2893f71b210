import { MATCH_MODES } from '@opsimath/core/text/matchModes';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { foundBy } from './lookUps';
import { position } from './position';

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

export const matchMode = z.enum(MATCH_MODES);
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
  /** Page, video or listing that holds the best position found. */
  page: z.string().nullable(),
  /** Of a pool without targets of its own: where we and rivals stand by its day, in the order of the roster. */
  standing: z
    .object({
      own: position,
      ownPaid: position,
      rivals: z.array(position),
      rivalsPaid: z.array(position),
    })
    .nullable(),
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

/** Seed keywords of which it is asked how many keywords each mode would bring. */
export const modeCountsRequest = z.object({
  market: z.string(),
  date: isoDay,
  seeds: z.array(z.string().trim().min(1).max(300)).min(1).max(50),
});
/** How many keywords each mode would bring, by seed keyword in the order asked; one keyword may come by several. */
export const modeCounts = z.object({
  seeds: z.array(
    z.object({ seed: z.string(), counts: z.array(z.object({ mode: matchMode, keywords: z.int() })) }),
  ),
});
export type ModeCounts = z.infer<typeof modeCounts>;

import { OWN_PERIODS, readPeriod } from '@opsimath/core/demand/period';
import { QUERY_GROUPS } from '@opsimath/core/performance/queryGroups';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { position } from './position';

export const queryGroup = z.enum(QUERY_GROUPS);

export const querySort = z.enum(['clicks', 'impressions', 'ctr', 'position', 'expected', 'ratio', 'change']);
export type QuerySort = z.infer<typeof querySort>;

export const ownPeriod = z
  .string()
  .refine(
    (text) => readPeriod(text) !== null,
    `a period is ${OWN_PERIODS.join(', ')}, or two days joined by ..`,
  )
  .default('28 days');

export const ownQueryQuery = z.object({
  market: z.string(),
  date: isoDay,
  own: ownPeriod,
  group: queryGroup.optional(),
  find: z.string().max(300).default(''),
  sort: querySort.default('clicks'),
  descending: z.stringbool().default(true),
  /** CTR that is wanted, 0–1; none sets no goal. */
  goal: z.coerce.number().min(0).max(1).optional(),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type OwnQueryQuery = z.input<typeof ownQueryQuery>;

const interval = { low: z.number(), high: z.number() };
export const rate = z.object({
  /** 0–1; `null` where there was no case. */
  rate: z.number().nullable(),
  ...interval,
  /** Too few cases to prove anything. */
  thin: z.boolean(),
});
export type Rate = z.infer<typeof rate>;

const figures = z.object({
  clicks: z.int(),
  impressions: z.int(),
  /** Weighted by impressions; `null` where no row says it. */
  position: z.number().nullable(),
});

export const ownQueryRow = figures.extend({
  id: z.int(),
  text: z.string(),
  ctr: rate,
  /** The same length of time before; `null` where nothing is held of it. */
  before: figures.nullable(),
  /** Clicks that impressions and positions should have brought. Estimated. */
  expected: z.number(),
  ratio: z.object({ ratio: z.number(), ...interval }).nullable(),
  word: z.enum(['weak snippet', 'strong', 'as expected', 'unknown']),
  near: z.boolean(),
  /** In a list of the project, or bid on by us. */
  listed: z.boolean(),
  /** Clicks short of the goal; `null` without a goal. */
  shortfall: z.number().nullable(),
  /** Where the newest capture has us. */
  captured: position,
  /** Own addresses that were shown for it. */
  pages: z.int(),
});
export type OwnQueryRow = z.infer<typeof ownQueryRow>;

export const ownQueryPage = z.object({
  from: isoDay,
  to: isoDay,
  beforeFrom: isoDay,
  beforeTo: isoDay,
  /** Days of each period, and how many of them anything is held of. */
  days: z.int(),
  held: z.int(),
  heldBefore: z.int(),
  /** Newest day held; `null` while nothing is imported. */
  until: isoDay.nullable(),
  front: z.int(),
  /** From how many impressions on a query belongs to the top quarter. */
  topQuarter: z.number().nullable(),
  /** CTR that is wanted, 0–1; `null` where none is. */
  goal: z.number().nullable(),
  total: z.int(),
  queries: z.int(),
  sum: figures.extend({ expected: z.number() }),
  sumBefore: figures.nullable(),
  groups: z.record(queryGroup, z.int()),
  rows: z.array(ownQueryRow),
});
export type OwnQueryPage = z.infer<typeof ownQueryPage>;

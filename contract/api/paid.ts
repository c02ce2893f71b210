import { UNSEEN_REASONS } from '@opsimath/core/ads/bidGuide';
import { BALANCES } from '@opsimath/core/ads/balance';
import { TERM_STATES } from '@opsimath/core/ads/searchTerms';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { comparisonScope } from './gapQuery';
import { position } from './position';
import { ownPeriod, rate } from './ownQueries';

export const termSort = z.enum(['cost', 'clicks', 'impressions', 'conversions', 'ctr']);

export const paidQuery = comparisonScope.extend({
  own: ownPeriod,
  state: z.enum([...TERM_STATES, 'costly', 'no impressions']).optional(),
  balance: z.enum(BALANCES).optional(),
  find: z.string().max(300).default(''),
  sort: termSort.default('cost'),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
export type PaidQuery = z.input<typeof paidQuery>;

export const adTermRow = z.object({
  id: z.int(),
  text: z.string(),
  bidOn: z.string(),
  match: z.string(),
  landing: z.string().nullable(),
  impressions: z.number(),
  clicks: z.int(),
  cost: z.number(),
  conversions: z.number(),
  value: z.number(),
  ctr: rate,
  /** CTR drawn towards that of all terms. */
  shrunkCtr: z.number().nullable(),
  conversionRate: rate,
  /** Conversion rate drawn towards that of all terms; `null` without a click. */
  shrunkConversion: z.number().nullable(),
  /** Searches a month; `null` where it is unknown. */
  volume: z.number().nullable(),
  /** Conversion against volume, split at the medians of the terms; `null` where either is unknown. */
  balance: z.enum(BALANCES).nullable(),
  state: z.enum(TERM_STATES),
  costly: z.boolean(),
  organic: position,
  doubling: z.boolean(),
  /** Whether the landing page's title carries every word of the term; `null` where the title is not known. */
  carried: z.boolean().nullable(),
  /** Why nothing was shown; `null` where something was. */
  unseen: z.enum(UNSEEN_REASONS).nullable(),
});
export type AdTermRow = z.infer<typeof adTermRow>;

export const paidView = z.object({
  from: isoDay.nullable(),
  to: isoDay.nullable(),
  currency: z.string(),
  /** Paid against organic keywords of every side, ours first. */
  sides: z.array(
    z.object({
      name: z.string(),
      letter: z.string().nullable(),
      /** Keywords it ranks for and pays for; `null` where nobody looked. */
      organic: z.int().nullable(),
      paid: z.int().nullable(),
      /** Paid keywords short of the project's guide. */
      missing: z.int().nullable(),
    }),
  ),
  /** Keywords compared, and those of which the paid slots are known. */
  keywords: z.int(),
  looked: z.int(),
  /**
   * Keywords that rivals buy and we do not: how many, what is searched for a month where that is known, and what the best
   * actions there add a month, each keyword by itself (estimated).
   */
  unbid: z.object({ keywords: z.int(), searches: z.number(), adds: z.number() }),
  /** Organic keywords for each paid one that the project aims at. */
  guide: z.number(),
  /** What one conversion may cost, and whether the settings say so. */
  targetCost: z.number().nullable(),
  targetCostSet: z.boolean(),
  sum: z.object({
    impressions: z.number(),
    clicks: z.int(),
    cost: z.number(),
    conversions: z.number(),
    value: z.number(),
  }),
  /** A month, on terms where we stand at 3 or better without paying. */
  atStake: z.number(),
  /** Keywords that are paid for twice, and those of them of which own ads say the cost. */
  doubling: z.int(),
  costKnown: z.int(),
  counts: z.record(z.enum([...TERM_STATES, 'costly', 'no impressions']), z.int()),
  balances: z.record(z.enum(BALANCES), z.int()),
  /** The medians that split them; `null` while no term has both figures. */
  edges: z.object({ rate: z.number(), volume: z.number() }).nullable(),
  total: z.int(),
  rows: z.array(adTermRow),
});
export type PaidView = z.infer<typeof paidView>;

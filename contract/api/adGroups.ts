import { z } from 'zod';
import { isoDay, matchType } from '../source/answers';

/** Bids of an ad group, as its draft keeps them: JSON under *bids*; beside it negatives, a budget, the landing page. */
export const groupBids = z.array(
  z.object({ keyword: z.int(), match: matchType, bid: z.number().min(0).max(10_000).nullable() }),
);
export type GroupBids = z.infer<typeof groupBids>;

export const adGroupQuery = z.object({
  market: z.string(),
  date: isoDay,
  /** A day, in the project’s currency. */
  budget: z.coerce.number().min(0).max(1_000_000).default(0),
});
const level = z.object({
  bid: z.number(),
  /** A day. */
  clicks: z.number(),
  cost: z.number(),
  cpc: z.number().nullable(),
  /** Mean slot on the days on which it wins one; `null` where it never does. */
  slot: z.number().nullable(),
});
const guide = z
  .object({ low: z.number(), middle: z.number(), high: z.number(), days: z.int(), keywords: z.int() })
  .nullable();
/** What is known of an ad group’s keywords: guides, three levels of bid, and how a budget a day would be split. */
export const adGroup = z.object({
  currency: z.string(),
  keywords: z.array(
    z.object({
      id: z.int(),
      guides: z.object({ exact: guide, phrase: guide, broad: guide }),
      /** At the low, middle and high end of the exact guide; `null` where no auction was observed. */
      levels: z.tuple([level, level, level]).nullable(),
      worth: z.number(),
      /** What it gets of the budget; `null` where nothing, or none is set. */
      allotted: z.object({ bid: z.number(), clicks: z.number(), cost: z.number() }).nullable(),
      setApart: z.boolean(),
    }),
  ),
  /** Terms of our ads that cost much and brought nothing: candidates to leave out. */
  negatives: z.array(z.object({ text: z.string(), cost: z.number() })),
});
export type AdGroup = z.infer<typeof adGroup>;

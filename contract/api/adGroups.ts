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
  /** Slot that is wanted, 1 first. */
  wanted: z.coerce.number().int().min(1).max(20).default(2),
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
const standingBid = z.object({
  match: matchType,
  bid: z.number(),
  /** Day of the first answer of the account with this bid; bids before it, the newest first. */
  since: isoDay,
  before: z.array(z.object({ date: isoDay, bid: z.number() })),
  impressions: z.number(),
  clicks: z.number(),
  cost: z.number(),
  slot: z.number().nullable(),
  next: z.discriminatedUnion('step', [
    z.object({ step: z.literal('wait'), days: z.int() }),
    z.object({ step: z.literal('stay') }),
    z.object({ step: z.enum(['raise', 'lower']), to: z.number() }),
    z.object({ step: z.literal('unknown') }),
  ]),
});
export type StandingBid = z.infer<typeof standingBid>;
/** A listing beside which an ad could stand, and why. */
export const adListing = z.object({
  address: z.string(),
  title: z.string(),
  reason: z.string().max(300),
});
export type AdListing = z.infer<typeof adListing>;
/** Something that an ad group’s draft keeps as JSON in one of its fields; `null` where that cannot be read, or is empty. */
function kept<T>(schema: z.ZodType<T>, text: string | undefined): T | null {
  if (!text) return null;
  try {
    return schema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}

/** Bids of an ad group as its draft keeps them; `null` before any. */
export const keptBids = ({ bids }: Readonly<Record<string, string>>): GroupBids | null =>
  kept(groupBids, bids);
/** Listings picked to advertise beside, as the draft keeps them. */
export const keptListings = ({ listings }: Readonly<Record<string, string>>): AdListing[] =>
  kept(z.array(adListing), listings) ?? [];

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
      /** Somebody keeps it to organic work: it gets no bid and stays out of files. */
      organicOnly: z.boolean(),
      /** What stands in the account by match type: since when, what it brought since, what to do with it next. */
      standing: z.array(standingBid),
    }),
  ),
  /** Terms of our ads that cost much and brought nothing: candidates to leave out. */
  /** Listings of the front of its keywords judged *adjacent*: ads beside them reach people who look for something that goes with ours. */
  listings: z.array(adListing.extend({ keyword: z.string(), position: z.int() })),
  /** Conversions a click of our ads, with the 95 % interval; `null` without clicks. What the project aims at stands in its settings. */
  conversion: z
    .object({
      clicks: z.number(),
      conversions: z.number(),
      rate: z.number(),
      low: z.number(),
      high: z.number(),
    })
    .nullable(),
  negatives: z.array(z.object({ text: z.string(), cost: z.number() })),
});
export type AdGroup = z.infer<typeof adGroup>;

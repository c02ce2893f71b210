import { UNSEEN_REASONS } from '@opsimath/core/ads/bidGuide';
import { z } from 'zod';
import { isoDay, matchType } from '../source/answers';
import { comparisonScope } from './gapQuery';
import { ownPeriod } from './ownQueries';

export const bidsQuery = comparisonScope.extend({ own: ownPeriod });
export type BidsQuery = z.input<typeof bidsQuery>;

export const bidGuide = z.object({
  low: z.number(),
  middle: z.number(),
  high: z.number(),
  /** Days of auctions that it rests on. */
  days: z.int(),
  /** Keywords whose auctions were observed. */
  keywords: z.int(),
});

export const bidRow = z.object({
  id: z.int(),
  text: z.string(),
  campaign: z.string(),
  match: matchType,
  bid: z.number(),
  landing: z.string(),
  /** Of its own ad terms in the period. */
  impressions: z.number(),
  clicks: z.number(),
  cost: z.number(),
  volume: z.number().nullable(),
  /** What suffices for the first page; `null` where no auction was observed. */
  guide: bidGuide.nullable(),
  /** Whether the landing target holds every word; `null` where its words are unknown. */
  covered: z.boolean().nullable(),
  /** Why it was never shown; `null` where it was. */
  unseen: z.enum(UNSEEN_REASONS).nullable(),
});
export type BidRow = z.infer<typeof bidRow>;

/** What we bid on, against what would suffice and what it brought. */
export const bids = z.object({
  /** Day of the account's newest answer; `null` where it was never asked. */
  date: isoDay.nullable(),
  currency: z.string(),
  /** Days of the ad terms beside. */
  from: isoDay.nullable(),
  to: isoDay.nullable(),
  rows: z.array(bidRow),
});
export type Bids = z.infer<typeof bids>;

/** Auctions of keywords on the days up to a date. */
export const auctionRequest = z.object({
  market: z.string(),
  date: isoDay,
  days: z.int().min(1).max(90).default(14),
  keywords: z.array(z.int()).min(1).max(5000),
});
export type AuctionRequest = z.input<typeof auctionRequest>;
export const auctionPrice = z.object({ asked: z.int(), held: z.int(), units: z.number() });
export type AuctionPrice = z.infer<typeof auctionPrice>;

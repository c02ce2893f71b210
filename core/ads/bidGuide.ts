import type { Auction } from './paidForecast';
import { quantileOfSorted } from '../ranking/statistics';
import { words } from '../text/key';
import { stem } from '../text/stems';

/** What to bid for the first page (method §17), in the currency of the auctions. */
export interface BidGuide {
  /** 20th percentile, median and 80th percentile of what sufficed. */
  low: number;
  middle: number;
  high: number;
  /** Days or, for phrase and broad, days of all keywords together. */
  days: number;
}

const LOW = 0.2;
const HIGH = 0.8;

/**
 * Guide for an exact keyword (method §17): over the days observed, the lowest bid that won a slot of the first page.
 *
 * @param lowestWinning one figure a day; days without a slot are left out by the caller
 * @returns `null` without a day
 */
export function exactBidGuide(lowestWinning: readonly number[]): BidGuide | null {
  if (lowestWinning.length === 0) return null;
  const sorted = Float64Array.from(lowestWinning).sort();
  const at = (share: number): number => quantileOfSorted(sorted, share);
  return { low: at(LOW), middle: at(0.5), high: at(HIGH), days: sorted.length };
}

/** {@link exactBidGuide} of whole auctions, one a day; `null` where nobody was shown on any day. */
export function guideOfAuctions(auctions: readonly Auction[]): BidGuide | null {
  return exactBidGuide(
    auctions
      .filter((auction) => auction.length > 0)
      .map((auction) => Math.min(...auction.map(({ price }) => price))),
  );
}

/**
 * Guide for phrase and broad match: those of the queries it matches, weighted by their volumes (method §17). Without any
 * volume they weigh the same. `null` without a query.
 */
export function matchedBidGuide(
  queries: readonly { guide: BidGuide; volume: number | null }[],
): BidGuide | null {
  if (queries.length === 0) return null;
  const total = queries.reduce((sum, { volume }) => sum + (volume ?? 0), 0);
  const weigh = (of: (guide: BidGuide) => number): number =>
    queries.reduce(
      (sum, { guide, volume }) => sum + of(guide) * (total > 0 ? (volume ?? 0) / total : 1 / queries.length),
      0,
    );
  return {
    low: weigh(({ low }) => low),
    middle: weigh(({ middle }) => middle),
    high: weigh(({ high }) => high),
    days: queries.reduce((sum, { guide }) => sum + guide.days, 0),
  };
}

export type Match = 'exact' | 'phrase' | 'broad';

/** Whether a bid on a keyword competes for a query: exact by key, phrase by order, broad by the stems of all its words. */
export function matchesQuery(keywordKey: string, match: Match, queryKey: string, language: string): boolean {
  if (match === 'exact') return keywordKey === queryKey;
  if (match === 'phrase') return ` ${queryKey} `.includes(` ${keywordKey} `);
  const held = new Set(words(queryKey).map((word) => stem(word, language)));
  return words(keywordKey).every((word) => held.has(stem(word, language)));
}

/** Why a keyword that is bid on was never shown; the first that holds. */
export const UNSEEN_REASONS = ['words missing', 'bid too low', 'no demand', 'unexplained'] as const;
export type UnseenReason = (typeof UNSEEN_REASONS)[number];

/**
 * Explains paid keywords without impressions: the landing target lacks words, the bid lies below the guide's range,
 * nobody searches, else nothing that is known explains it. What is unknown explains nothing.
 */
export function whyUnseen({
  covered,
  bid,
  guide,
  volume,
}: {
  /** Whether the landing target holds every word; `null` where its words are unknown. */
  covered: boolean | null;
  bid: number | null;
  guide: BidGuide | null;
  volume: number | null;
}): UnseenReason {
  if (covered === false) return 'words missing';
  if (bid !== null && guide !== null && bid < guide.low) return 'bid too low';
  return volume === 0 ? 'no demand' : 'unexplained';
}

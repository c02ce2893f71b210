import type { BidRow } from '@opsimath/contract/api/bids';
import { type BidGuide, exactBidGuide, matchedBidGuide, matchesQuery } from '@opsimath/core/ads/bidGuide';
import { daysUntil, lowestWinning } from '../../data/auctions';
import { keywordsById } from '../../data/keywords';
import type { OwnBid } from '../../data/ownBids';
import type { Workspace } from '../kept/workspace';
import type { Comparison } from './comparison';

/** A guide rests on the auctions of this many days up to the date. */
const GUIDE_DAYS = 28;

export interface Guides {
  of: (keywordKey: string, match: OwnBid['match']) => BidRow['guide'];
  volumeOf: (keyword: number) => number | null;
}

/** Guides of every match type from the auctions observed lately (method §17). */
export async function observedGuides(
  { database }: Workspace,
  { market, metrics, now, date }: Comparison,
): Promise<Guides> {
  const days = await lowestWinning(database, market.id, daysUntil(date, GUIDE_DAYS)[0]!, date);
  const texts = await keywordsById(database, new Set(days.keys()));
  const volumeOf = (keyword: number): number | null => {
    const volume = metrics.volume[keyword - now.base];
    return volume === undefined || Number.isNaN(volume) ? null : volume;
  };
  const observed = [...days].map(([id, lowest]) => ({
    key: texts.get(id)!.key,
    guide: exactBidGuide(lowest)!,
    volume: volumeOf(id),
  }));
  const of = (keywordKey: string, match: OwnBid['match']): BidRow['guide'] => {
    const matched = observed.filter((query) => matchesQuery(keywordKey, match, query.key, market.language));
    const guide: BidGuide | null = match === 'exact' ? (matched[0]?.guide ?? null) : matchedBidGuide(matched);
    return guide && { ...guide, keywords: matched.length };
  };
  return { of, volumeOf };
}

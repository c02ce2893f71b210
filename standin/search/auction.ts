import { hashText, mix, unit } from '../random';
import type { Advert } from '../world/adverts';
import { standsOn } from '../world/history';
import type { MarketWorld } from '../world/world';

/** One paid slot won. */
export interface PaidSlot {
  advert: Advert;
  /** 1 first. */
  position: number;
  /** What a click costs: just enough to keep the place (generalised second price). */
  cost: number;
  onTop: boolean;
}

const RESERVE = 0.12;
const TOP_SCORE = 0.5;
const MOST_ON_TOP = 3;
const MOST_SLOTS = 6;

/** The auction for a keyword on a day: who takes part is drawn by budget, who stands where by bid · quality. */
export function holdAuction(world: MarketWorld, keyword: number, day: number): PaidSlot[] {
  const bids = world.adverts[keyword]!.flatMap((advert) => {
    // Nobody pays for a page that is not there yet.
    if (!standsOn(world.documents[advert.landing]!, day)) return [];
    const luck = mix(hashText(`${advert.owner}:${advert.match}`), mix(keyword, day));
    if (unit(luck) > advert.presence) return [];
    const bid = advert.bid * (0.9 + 0.2 * unit(mix(luck, 7)));
    const score = bid * advert.quality;
    return score >= RESERVE ? [{ advert, score }] : [];
  });
  bids.sort((a, b) => b.score - a.score || a.advert.owner - b.advert.owner);
  return bids.slice(0, MOST_SLOTS).map(({ advert, score }, i) => {
    const next = bids[i + 1]?.score ?? RESERVE;
    return {
      advert,
      position: i + 1,
      cost: Math.round((next / advert.quality + 0.01) * 100) / 100,
      onTop: i < MOST_ON_TOP && score >= TOP_SCORE,
    };
  });
}

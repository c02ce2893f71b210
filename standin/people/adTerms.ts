import type { AdTermsAnswer } from '@opsimath/contract/source/answers';
import { isoDay, monthIndex } from '../day';
import { Draws, hashText, mix } from '../random';
import { holdAuction } from '../search/auction';
import type { MarketWorld, World } from '../world/world';
import { monthVolume } from './demand';
import { buyingShare } from './performance';

type Row = AdTermsAnswer['rows'][number];
const DAYS_A_MONTH = 30.4;
const CLICKS = { first: 0.075, decay: 0.72 };

/** What people typed when one owner's ads were shown on a day, what it cost and what it brought. */
export function adTermsOn(
  world: World,
  market: MarketWorld,
  owner: number,
  day: number,
  base: number,
): Row[] {
  const campaign = market.campaigns.find((entry) => entry.owner === owner);
  if (!campaign) return [];
  const month = monthIndex(day);
  const shown = market.keywords.flatMap(({ text }, keyword) => {
    if (!market.adverts[keyword]!.some((advert) => advert.owner === owner)) return [];
    const slot = holdAuction(market, keyword, day).find((entry) => entry.advert.owner === owner);
    if (!slot) return [];
    const searches = monthVolume(world, market, keyword, month, base) / DAYS_A_MONTH;
    return [{ text, slot, searches, share: CLICKS.first * slot.position ** -CLICKS.decay }];
  });
  // A budget that would run out is spread over the day: the ads are shown less often.
  const wouldCost = shown.reduce((sum, { searches, share, slot }) => sum + searches * share * slot.cost, 0);
  const often = Math.min(1, campaign.dailyBudget / Math.max(wouldCost, 0.01));
  let left = campaign.dailyBudget;
  return shown.flatMap(({ text, slot, searches, share }): Row[] => {
    // Whoever comes by when the budget is used up sees no ad of ours.
    if (left < slot.cost) return [];
    const draws = new Draws(mix(mix(hashText(text), day), owner + 77));
    const impressions = draws.poisson(searches * often);
    if (impressions === 0) return [];
    const clicks = Math.min(draws.binomial(impressions, share), Math.floor(left / slot.cost));
    const cost = Math.round(clicks * slot.cost * 100) / 100;
    left -= cost;
    const landing = market.documents[slot.advert.landing]!;
    const conversions = draws.binomial(clicks, buyingShare(text, landing.seed));
    const price = landing.facts.price ?? 78;
    const ad = campaign.keywords[slot.advert.keyword]!;
    return [
      {
        date: isoDay(day),
        term: text,
        keyword: ad.text,
        match: ad.match,
        landing: landing.address,
        impressions,
        clicks,
        cost,
        conversions,
        value: Math.round(conversions * price * draws.between(0.9, 1.6) * 100) / 100,
      },
    ];
  });
}

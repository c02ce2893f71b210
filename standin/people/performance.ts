import type { PerformanceAnswer } from '@opsimath/contract/source/answers';
import { isoDay, monthIndex } from '../day';
import { Draws, hashText, mix } from '../random';
import type { Ranker } from '../search/ranker';
import { SURFACES } from '../surfaces';
import type { MarketWorld, World } from '../world/world';
import { monthVolume } from './demand';

type Row = PerformanceAnswer['rows'][number];
const DAYS_A_MONTH = 30.4;
/** Positions drift slowly: one order serves a few days. */
const DAYS_AN_ORDER = 4;

/** What people saw and clicked of one owner's pages on one day, by query and page. */
export function performanceOn(
  world: World,
  market: MarketWorld,
  ranker: Ranker,
  owner: number,
  day: number,
  base: number,
): Row[] {
  const table = SURFACES[market.market.surface];
  const perPage = market.market.resultsPerPage;
  const month = monthIndex(day);
  const orderDay = day - (day % DAYS_AN_ORDER);
  const rows: Row[] = [];
  market.keywords.forEach(({ text }, keyword) => {
    ranker.organic(keyword, orderDay).forEach((index, i) => {
      const document = market.documents[index]!;
      if (document.owner !== owner) return;
      const page = Math.floor(i / perPage);
      const draws = new Draws(mix(mix(hashText(text), day), document.seed));
      const searches = monthVolume(world, market, keyword, month, base) / DAYS_A_MONTH;
      const impressions = draws.poisson(searches * (table.pagesSeen[page] ?? 0));
      if (impressions === 0) return;
      // Some titles invite more clicks than others.
      const appeal = 0.7 + (0.6 * (document.seed % 1000)) / 1000;
      const share = Math.min(0.95, table.clicks.first * (i + 1) ** -table.clicks.decay * appeal);
      // Whoever turns the page looks through it as through the first: what is lower is clicked less.
      const clicks = draws.binomial(impressions, share);
      rows.push({
        date: isoDay(day),
        query: text,
        page: document.address,
        impressions,
        clicks,
        position: Math.max(1, Math.round((i + 1 + draws.between(-0.6, 0.6)) * 10) / 10),
        conversions: draws.binomial(clicks, buyingShare(text, document.seed)),
      });
    });
  });
  return rows;
}

/** Share of clicks that end in a sale: people who ask how to do a thing buy less. */
export function buyingShare(text: string, seed: number): number {
  const words = text.split(' ').length;
  return (0.008 + 0.006 * Math.min(4, words)) * (0.6 + (0.8 * (seed % 89)) / 89);
}

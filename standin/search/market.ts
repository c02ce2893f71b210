import { key } from '@opsimath/core/text/key';
import type { MarketWorld, World } from '../world/world';
import type { Figures } from './figures';
import { KeywordSearch } from './keywordSearch';
import { Ranker } from './ranker';
import { Rankings } from './rankings';
import { ResultPages } from './resultPages';

/** One market as it is asked: everything that answers about it. */
export interface OpenMarket {
  code: string;
  world: MarketWorld;
  ranker: Ranker;
  pages: ResultPages;
  rankings: Rankings;
  keywords: KeywordSearch;
  /** Keyword index by key. */
  index: ReadonlyMap<string, number>;
}

export function openMarkets(world: World, figures: Figures): Map<string, OpenMarket> {
  const open = new Map<string, OpenMarket>();
  for (const market of world.markets) {
    const ranker = new Ranker(market);
    const index = new Map(market.keywords.map((keyword, i) => [key(keyword.text), i] as const));
    open.set(market.market.code, {
      code: market.market.code,
      world: market,
      ranker,
      index,
      pages: new ResultPages(world, market, ranker, index, figures),
      rankings: new Rankings(world, market, ranker),
      keywords: new KeywordSearch(market),
    });
  }
  // Web pages show a block of videos: those that the video market of the same place and language puts first.
  for (const market of open.values()) {
    if (market.world.market.surface !== 'web') continue;
    const { place, language } = market.world.market;
    const videos = [...open.values()].find(
      ({ world: { market: other } }) =>
        other.surface === 'video' && other.place === place && other.language === language,
    );
    if (videos) market.pages.showVideosOf(videos);
  }
  return open;
}

import type { SourceMarket } from '@opsimath/contract/source/answers';

/** Web · United States · English. */
export function marketName(market: Pick<SourceMarket, 'surface' | 'placeName' | 'languageName'>): string {
  return `${market.surface[0]!.toUpperCase()}${market.surface.slice(1)} · ${market.placeName} · ${market.languageName}`;
}

import type { SourceMarket } from '@opsimath/contract/source/answers';
import { wordOf } from '../../words/t';

/** Web · United States · English. */
export function marketName(market: Pick<SourceMarket, 'surface' | 'placeName' | 'languageName'>): string {
  const surface = wordOf(market.surface);
  return `${surface[0]!.toUpperCase()}${surface.slice(1)} · ${market.placeName} · ${market.languageName}`;
}

import type { SourceMarket } from '../source/answers';
import type { ImportPreview } from './imports';

type Said = ImportPreview['says'];
type Market = Pick<SourceMarket, 'place' | 'placeName' | 'language' | 'languageName'>;

const NAMED = 3;

/**
 * Says that the rows of a file speak of another country or language than a market; `null` where they do not, or say
 * nothing. A place within a country is of that country.
 */
export function marketApart(market: Market, says: Said): string | null {
  const [country] = market.place.split('@');
  const apart = [
    ...differing('country', country!, says.countries),
    ...differing('language', market.language, says.languages),
  ];
  if (apart.length === 0) return null;
  return `Its rows speak of ${apart.join(' and ')}; the market is ${market.placeName}, ${market.languageName}.`;
}

function differing(what: string, own: string, said: readonly string[]): string[] {
  if (said.length === 0 || said.includes(own)) return [];
  return [`${what} ${said.slice(0, NAMED).join(', ')}`];
}

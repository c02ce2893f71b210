import type { SourceMarket } from '@opsimath/contract/source/answers';

/** Web · United States · English. */
export function marketName(market: Pick<SourceMarket, 'surface' | 'placeName' | 'languageName'>): string {
  return `${market.surface[0]!.toUpperCase()}${market.surface.slice(1)} · ${market.placeName} · ${market.languageName}`;
}

/** The country of a market, of a place within one as well. */
function countryOf(place: string): string {
  return place.split('@')[0]!;
}

/** Says that rows speak of another country or language than a market; `null` where they do not, or say nothing. */
export function marketApart(
  market: Pick<SourceMarket, 'place' | 'placeName' | 'language' | 'languageName'>,
  says: { countries: readonly string[]; languages: readonly string[] },
): string | null {
  const apart: string[] = [];
  if (says.countries.length > 0 && !says.countries.includes(countryOf(market.place)))
    apart.push(`country ${says.countries.slice(0, 3).join(', ')}`);
  if (says.languages.length > 0 && !says.languages.includes(market.language))
    apart.push(`language ${says.languages.slice(0, 3).join(', ')}`);
  return apart.length === 0
    ? null
    : `Its rows speak of ${apart.join(' and ')}; this market is ${market.placeName}, ${market.languageName}.`;
}

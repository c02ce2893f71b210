import type { World } from '../world/world';
import { hashText, mix, unit } from '../random';
import type { Figures } from './figures';
import { KeywordSearch } from './keywordSearch';
import type { OpenMarket } from './market';
import { Ranker } from './ranker';
import { Rankings } from './rankings';
import { ResultPages } from './resultPages';

/** A place within a market as it is asked for: `city:Fernmoor`, `region:…`, `postcode:…`, `point:lat,lon,km`. */
export function readNear(text: string): { kind: string; value: string } | null {
  const [, kind, value] = /^(city|region|postcode|point):(.+)$/.exec(text) ?? [];
  return kind === undefined ? null : { kind, value: value! };
}

type Town = NonNullable<World['scenario']['towns'][string]>[number];
const KM_A_DEGREE = 111.2;
const HOME_LIKING = 0.5;
const SPREAD = 0.7;

/** Towns that lie in a place; none where it is not known. */
export function townsIn(
  world: World,
  place: string,
  { kind, value }: { kind: string; value: string },
): Town[] {
  const towns = world.scenario.towns[place] ?? [];
  const same = (a: string): boolean => a.toLowerCase() === value.trim().toLowerCase();
  if (kind === 'city') return towns.filter(({ name }) => same(name));
  if (kind === 'region') return towns.filter(({ region }) => same(region));
  if (kind === 'postcode')
    return towns.filter(({ postcodes }) =>
      postcodes.some((start) => value.trim().toUpperCase().startsWith(start)),
    );
  const [latitude, longitude, km] = value.split(',').map(Number);
  return towns.filter(({ at: [north, east] }) => {
    const up = (north - latitude!) * KM_A_DEGREE;
    const across = (east - longitude!) * KM_A_DEGREE * Math.cos((north * Math.PI) / 180);
    return Math.hypot(up, across) <= km!;
  });
}

/**
 * A market as searchers of some towns see it: their share of the searches, never the whole market's, and an order in
 * which owners that are at home there stand higher. The same towns give the same answers.
 */
export function localMarket(
  world: World,
  whole: OpenMarket,
  code: string,
  towns: readonly Town[],
  figures: Figures,
): OpenMarket {
  const name = towns.map((town) => town.name).join('+');
  const share = towns.reduce((sum, town) => sum + town.share, 0);
  const seed = mix(world.seed, hashText(name));
  const keywords = whole.world.keywords.map((keyword) => ({
    ...keyword,
    volume: keyword.volume * share * Math.exp(SPREAD * (2 * unit(mix(seed, hashText(keyword.text))) - 1)),
  }));
  const market = { ...whole.world, keywords };
  const liking = (owner: number): number => {
    const drawn = unit(mix(seed, hashText(world.owners[owner]!.address)));
    return drawn > 0.85 ? HOME_LIKING : 0.2 * (drawn - 0.5);
  };
  const ranker = new Ranker(market, { of: whole.ranker, liking });
  return {
    code,
    world: market,
    ranker,
    index: whole.index,
    pages: new ResultPages(world, market, ranker, whole.index, figures),
    rankings: new Rankings(world, market, ranker),
    keywords: new KeywordSearch(market),
  };
}

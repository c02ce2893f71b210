import { dayNumber } from '../day';
import { Draws, hashText, mix } from '../random';
import {
  type WorldDocument,
  clampAuthority,
  countWithComing,
  drawId,
  drawLines,
  revisionsOf,
  shelfOf,
} from './document';
import { drawFilling, fill, type Filling } from './forms';
import { liveThrough } from './history';
import { type Owner, PLATFORM_PATHS } from './owners';
import { brandsOf, ownNameOf } from './pages';
import type { Scenario } from './scenario';

/** Share of a shop's listings that are written in a second language of the marketplace. */
const SECOND_LANGUAGE = 0.16;

/** Writes the listings of every shop: most in the first language, some in the others that the marketplace knows. */
export function writeListings(
  scenario: Scenario,
  languages: readonly string[],
  owners: readonly Owner[],
  seed: number,
): WorldDocument[] {
  const table = scenario.surfaces.marketplace;
  if (!table) throw new Error('The scenario has no marketplace.');
  const brands = brandsOf(owners);
  const today = dayNumber(scenario.today);
  const ownName = ownNameOf(scenario);
  const taken = new Set<string>();
  return owners.flatMap((owner, index) => {
    if (owner.surface !== 'marketplace') return [];
    const draws = new Draws(mix(seed + 41, hashText(owner.address)));
    const isOwn = owner.name === ownName;
    return Array.from({ length: countWithComing(owner.documents, isOwn) }, (_, n): WorldDocument => {
      const language =
        languages.length > 1 && draws.next() < SECOND_LANGUAGE
          ? draws.one(languages.slice(1))
          : languages[0]!;
      const vocabulary = scenario.languages[language]!;
      const forms = vocabulary.marketplace!;
      const shelf = shelfOf(vocabulary, owner, seed);
      const filling: Filling = { ...drawFilling(vocabulary, brands, draws, shelf), owner: owner.name };
      const title = fill(draws.one(forms.titles as string[]), filling);
      const id = drawId(PLATFORM_PATHS.marketplace.idStart, draws, taken);
      const product = vocabulary.products.findIndex(({ one }) => one === filling.product);
      const written: WorldDocument = {
        address: table.platform + PLATFORM_PATHS.marketplace.target.replace('{id}', id),
        kind: 'listing',
        genre: 'listing',
        owner: index,
        trade: owner.kind,
        language,
        fields: {
          title,
          description: drawLines(forms.descriptions, draws.whole(1, 2), filling, draws).join(' '),
          bullets: drawLines(forms.bullets, draws.whole(2, 5), filling, draws).join('\n'),
          tags: drawLines(forms.tags, draws.whole(3, 10), filling, draws).join('\n'),
          hidden: drawLines(forms.hidden, draws.whole(0, 5), filling, draws).join('\n'),
        },
        authority: clampAuthority(owner.authority + draws.between(-5, 5)),
        revisions: revisionsOf(today, draws, [90, 1200], n >= owner.documents),
        rewordings: [],
        ends: null,
        appeal: draws.normal(),
        facts: {
          price:
            Math.round(100 * draws.between(0.6, 1.9) * (18 + 40 * (vocabulary.products[product]?.cpc ?? 1))) /
            100,
          images: draws.whole(1, 9),
          rating: Math.round(10 * Math.min(5, draws.between(3.4, 5))) / 10,
        },
        category:
          scenario.categories.find((entry) => entry.products.includes(product))?.name ?? scenario.category,
        seed: hashText(id),
      };
      if (isOwn) return written;
      return liveThrough(
        written,
        {
          titles: forms.titles as string[],
          keywords: forms.keywordForms ?? vocabulary.keywordForms,
          description: forms.descriptions,
          lines: written.seed % 2 === 0 ? 'bullets' : 'tags',
        },
        filling,
        (again) => drawFilling(vocabulary, brands, again, shelf),
        today,
      );
    });
  });
}

import { dayNumber } from '../day';
import { Draws, hashText, mix } from '../random';
import {
  type WorldDocument,
  clampAuthority,
  countWithComing,
  drawLines,
  revisionsOf,
  shelfOf,
} from './document';
import { drawFilling, fill } from './forms';
import { liveThrough } from './history';
import { type Owner, slugOf } from './owners';
import type { Scenario } from './scenario';

const FOLDERS: Record<string, string> = { item: 'bags', collection: 'range', guide: 'read', thread: 'talk' };

/** Writes the pages of every site in one language. A place with a language of its own has a folder of every site. */
export function writePages(
  scenario: Scenario,
  language: string,
  owners: readonly Owner[],
  seed: number,
): WorldDocument[] {
  const vocabulary = scenario.languages[language]!;
  const brands = brandsOf(owners);
  const today = dayNumber(scenario.today);
  const ownName = ownNameOf(scenario);
  const taken = new Set<string>();
  const place = Object.values(scenario.places).find((entry) => entry.language === language);
  return owners.flatMap((owner, index) => {
    if (owner.surface !== 'web') return [];
    const draws = new Draws(mix(seed, hashText(owner.address + language)));
    const shelf = shelfOf(vocabulary, owner, seed);
    const mixOfGenres = Object.entries(scenario.ownerKinds[owner.kind]!.mix).filter(
      ([genre]) => genre !== 'home',
    );
    const root = place ? `${owner.address}/${language}` : owner.address;
    const isOwn = owner.name === ownName;
    const count = place ? Math.max(3, Math.round(owner.documents * place.share)) : owner.documents;
    return Array.from({ length: countWithComing(count, isOwn) }, (_, page): WorldDocument => {
      const genre = page === 0 ? 'home' : draws.weighted(mixOfGenres);
      const filling = { ...drawFilling(vocabulary, brands, draws, shelf), owner: owner.name };
      const title = fill(draws.one(vocabulary.titleForms[genre]!), filling);
      const written: WorldDocument = {
        address: addressOf(root, genre, title, taken),
        kind: 'page',
        genre,
        owner: index,
        trade: owner.kind,
        language,
        fields: {
          title,
          description: drawLines(vocabulary.descriptionForms, draws.whole(1, 2), filling, draws).join(' '),
          headings: drawLines(vocabulary.headingForms, draws.whole(2, 5), filling, draws).join('\n'),
          body: drawLines(vocabulary.sentenceForms, draws.whole(6, 18), filling, draws).join(' '),
        },
        authority: clampAuthority(owner.authority + draws.between(-9, 6) + (page === 0 ? 5 : 0)),
        revisions: revisionsOf(today, draws, [60, 900], page >= count),
        rewordings: [],
        ends: null,
        appeal: draws.normal() * 0.8,
        facts: {},
        category: null,
        seed: hashText(owner.address + title + page),
      };
      if (isOwn || genre === 'home') return written;
      return liveThrough(
        written,
        {
          titles: vocabulary.titleForms[genre]!,
          keywords: vocabulary.keywordForms,
          description: vocabulary.descriptionForms,
          lines: 'headings',
        },
        filling,
        (again) => drawFilling(vocabulary, brands, again, shelf),
        today,
      );
    });
  });
}

/** Whose account it is: nobody else works on what is theirs. */
export function ownNameOf(scenario: Scenario): string {
  return scenario.owners.find(({ host }) => host === scenario.own)!.name;
}

/** Names of the brands, which other people write about. */
export function brandsOf(owners: readonly Owner[]): string[] {
  return [...new Set(owners.filter((owner) => owner.kind === 'brand').map((owner) => owner.name))];
}

function addressOf(root: string, genre: string, title: string, taken: Set<string>): string {
  if (genre === 'home') return root;
  const slug = slugOf(title).slice(0, 60).replace(/-$/, '');
  let address = `${root}/${FOLDERS[genre]}/${slug}`;
  for (let copy = 2; taken.has(address); copy++) address = `${root}/${FOLDERS[genre]}/${slug}-${copy}`;
  taken.add(address);
  return address;
}

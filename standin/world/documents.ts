import type { TargetKind } from '@opsimath/contract/source/answers';
import { dayNumber } from '../day';
import { Draws, hashText, mix } from '../random';
import { drawFilling, fill, type Filling } from './forms';
import type { Owner } from './owners';
import type { Scenario, Vocabulary } from './scenario';

/** Something that can be found: its fields as searched, and when it changed. */
export interface WorldDocument {
  address: string;
  kind: TargetKind;
  /** item, collection, guide, thread or home. */
  genre: string;
  owner: number;
  /** Kind of the owner: brand, retailer, magazine… */
  trade: string;
  language: string;
  fields: Record<string, string>;
  authority: number;
  /** Days since 1970, ascending; the first is the day of publication. */
  revisions: number[];
  seed: number;
}

const FOLDERS: Record<string, string> = { item: 'bags', collection: 'range', guide: 'read', thread: 'talk' };
const OLDEST_DAYS = 2600;

/** Writes the pages of every owner in one language. */
export function writePages(
  scenario: Scenario,
  language: string,
  owners: Owner[],
  seed: number,
): WorldDocument[] {
  const vocabulary = scenario.languages[language]!;
  const brands = owners.filter((owner) => owner.kind === 'brand').map((owner) => owner.name);
  const today = dayNumber(scenario.today);
  const taken = new Set<string>();
  return owners.flatMap((owner, index) => {
    const draws = new Draws(mix(seed, hashText(owner.host + language)));
    const shelf = shelfOf(vocabulary, owner, seed);
    const mixOfGenres = Object.entries(scenario.ownerKinds[owner.kind]!.mix).filter(
      ([genre]) => genre !== 'home',
    );
    return Array.from({ length: owner.pages }, (_, page) => {
      const genre = page === 0 ? 'home' : draws.weighted(mixOfGenres);
      const filling = { ...drawFilling(vocabulary, brands, draws, shelf), owner: owner.name };
      const title = fill(draws.one(vocabulary.titleForms[genre]!), filling);
      return {
        address: addressOf(owner.host, genre, title, taken),
        kind: 'page' as const,
        genre,
        owner: index,
        trade: owner.kind,
        language,
        fields: { title, ...writeFields(vocabulary, filling, draws) },
        authority: Math.max(
          1,
          Math.min(99, Math.round(owner.authority + draws.between(-9, 6) + (page === 0 ? 5 : 0))),
        ),
        revisions: revisionsUntil(today + 400, today, draws),
        seed: hashText(owner.host + title + page),
      };
    });
  });
}

/** The products an owner deals in; at least two. */
function shelfOf(vocabulary: Vocabulary, owner: Owner, seed: number): Vocabulary['products'] {
  const ranked = vocabulary.products
    .map((product) => ({
      product,
      luck: mix(seed, hashText(owner.host + product.one)) / product.weight ** 0.5,
    }))
    .sort((a, b) => a.luck - b.luck);
  return ranked
    .slice(0, Math.max(2, Math.round(owner.breadth * ranked.length)))
    .map(({ product }) => product);
}

function writeFields(vocabulary: Vocabulary, filling: Filling, draws: Draws): Record<string, string> {
  const lines = (forms: readonly string[], count: number): string[] =>
    Array.from({ length: count }, () => fill(draws.one(forms), filling));
  return {
    description: lines(vocabulary.descriptionForms, draws.whole(1, 2)).join(' '),
    headings: [...new Set(lines(vocabulary.headingForms, draws.whole(2, 5)))].join('\n'),
    body: lines(vocabulary.sentenceForms, draws.whole(6, 18)).join(' '),
  };
}

function addressOf(host: string, genre: string, title: string, taken: Set<string>): string {
  if (genre === 'home') return host;
  const slug = title
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);
  let address = `${host}/${FOLDERS[genre]}/${slug}`;
  for (let copy = 2; taken.has(address); copy++) address = `${host}/${FOLDERS[genre]}/${slug}-${copy}`;
  taken.add(address);
  return address;
}

/** Publication and later revisions, also some after today, so that the clock can be advanced. */
function revisionsUntil(last: number, today: number, draws: Draws): number[] {
  const restless = draws.between(60, 900);
  const days = [today - Math.round(OLDEST_DAYS * draws.next() ** 1.5) + 20];
  for (;;) {
    const next = days[days.length - 1]! + Math.round(draws.between(0.3, 1.7) * restless);
    if (next > last) return days;
    days.push(next);
  }
}

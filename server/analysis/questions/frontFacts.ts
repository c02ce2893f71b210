import type { Around } from '@opsimath/contract/api/around';
import type { ShownPage } from '@opsimath/contract/api/dossier';
import { type FrontResult, resultFacts, weakPlaces } from '@opsimath/core/gap/resultFacts';
import { frontOf } from '@opsimath/core/ranking/front';
import { key } from '@opsimath/core/text/key';
import { pageKind } from '@opsimath/core/text/pageKind';
import type { Comparison } from '../comparison/comparison';

/** What stands above our best slot, and on which page of results we are; `null` where we are not. */
export function beforeUs({ slots }: ShownPage, resultsPerPage: number): Around['before'] {
  const ours = slots
    .filter(({ kind, side, position }) => kind === 'organic' && side === 'own' && position !== null)
    .sort((a, b) => a.position! - b.position!)[0];
  if (!ours) return null;
  const above = slots.filter(({ slot }) => slot < ours.slot);
  const count = (kind: string): number => above.filter((slot) => slot.kind === kind).length;
  const [organic, paid] = [count('organic'), count('paid')];
  return {
    organic,
    paid,
    features: above.length - organic - paid,
    page: Math.ceil(ours.position! / resultsPerPage),
  };
}

const BLOCKS: ReadonlySet<string> = new Set(['answer box', 'image block', 'video block']);

/** The front of a captured page in figures (method §14). */
export function frontInFigures(
  { project, market, sides }: Comparison,
  page: ShownPage,
  keywordKey: string,
): Around['front'] {
  const { settings } = project;
  const organic = page.slots.filter(({ kind }) => kind === 'organic');
  const slots = frontOf(organic, settings.front);
  const figure = (slot: (typeof slots)[number], name: string): number | null => slot.figures[name] ?? null;
  const front = slots.map((slot): FrontResult => ({
    position: slot.position!,
    title: slot.title ?? '',
    owner: slot.owner,
    own: slot.side === 'own',
    authority: slot.authority,
    age: slot.age,
    price: figure(slot, 'price'),
    rating: figure(slot, 'rating'),
    reviews: figure(slot, 'reviews'),
    views: figure(slot, 'views'),
  }));
  const deeper = organic.find(({ side }) => side === 'own');
  const record = sides.own.find(({ record: known }) => known !== null)?.record ?? null;
  const ours = deeper
    ? {
        title: deeper.title ?? '',
        authority: deeper.authority,
        age: deeper.age,
        price: deeper.figures.price ?? null,
        rating: deeper.figures.rating ?? null,
        reviews: deeper.figures.reviews ?? null,
        views: deeper.figures.views ?? null,
      }
    : record && { title: record.title, authority: record.figures.authority ?? null };
  const facts = resultFacts(front, keywordKey, market.language, ours);
  const kinds = new Map<string, number>();
  for (const { address, what } of slots) {
    const kind =
      what === 'page' && address !== null
        ? pageKind(address, settings.pagePaths, settings.pageKinds)
        : (what ?? 'unknown');
    kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
  }
  return {
    date: page.date,
    depth: page.depth,
    ...facts,
    exactInDepth: {
      rivals: organic.filter(
        ({ side, title }) => side !== 'own' && ` ${key(title ?? '')} `.includes(` ${keywordKey} `),
      ).length,
      results: organic.length,
    },
    paidSlots: page.slots.filter(({ kind }) => kind === 'paid').length,
    blocks: page.slots
      .filter(({ kind }) => BLOCKS.has(kind))
      .map(({ kind, slot, owner, side }, _, blocks) => {
        const alike = blocks.filter((block) => block.kind === kind);
        const place = alike.filter((block) => block.slot <= slot).length;
        return { kind, slot, holder: side === 'own' ? 'ours' : owner, place, of: alike.length };
      }),
    kinds: [...kinds].map(([kind, count]) => ({ kind, slots: count })).sort((a, b) => b.slots - a.slots),
    weak: weakPlaces(front),
  };
}

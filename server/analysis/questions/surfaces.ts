import { ACTIONS } from '@opsimath/core/gap/action';
import { couldBeOurs } from '@opsimath/core/ranking/couldBeOurs';
import type { OnSurface, SurfacesView, surfacesQuery } from '@opsimath/contract/api/surfaces';
import type { ShownPage } from '@opsimath/contract/api/dossier';
import type { z } from 'zod';
import { keywordIdsOfKnown, keywordsById } from '../../data/keywords';
import { type MarketRow, listMarkets, marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { volumesAt } from '../../data/volumes';
import { resultPage } from '../facts/history';
import { type Comparison, entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { type Sides, gatherSides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';

const BLOCKS: ReadonlySet<string> = new Set(['answer box', 'image block', 'video block']);

/** Some keywords on every surface of their place and language: who holds which slots, and how many could be ours. */
export async function surfacesView(
  workspace: Workspace,
  projectId: number,
  { market: code, date, keywords, across }: z.output<typeof surfacesQuery>,
): Promise<SurfacesView> {
  const { database } = workspace;
  const market = await marketByCode(database, code);
  const { settings } = await projectById(database, projectId);
  const markets = (await listMarkets(database)).filter(({ surface, place, language }) =>
    across === 'markets'
      ? surface === market.surface
      : place === market.place && language === market.language,
  );
  const texts = await keywordsById(database, keywords);
  const known = keywords.filter((id) => texts.has(id));
  const columns = await Promise.all(
    markets.map(async (each) => ({
      each,
      volumes: await volumesAt(database, each.id, date),
      sides: await gatherSides(database, projectId, each.surface),
      // What could be won is weighed side by side over the surfaces of a place.
      compared:
        across === 'surfaces'
          ? (await openComparison(workspace, projectId, { market: each.code, date })).comparison
          : null,
      ids: await keywordIdsOfKnown(
        database,
        each.id,
        known.map((id) => texts.get(id)!.key),
      ),
    })),
  );
  const rows: SurfacesView['keywords'] = [];
  for (const [n, id] of known.entries()) {
    const surfaces: OnSurface[] = [];
    for (const { each, sides, ids, volumes, compared } of columns) {
      const page = ids[n] === 0 ? null : await resultPage(workspace, each.id, ids[n]!, date, sides);
      surfaces.push({
        ...onSurface(each, page, sides, settings.front),
        volume: volumes.get(ids[n]!) ?? null,
        best: compared === null ? null : bestOn(compared, ids[n]!),
      });
    }
    rows.push({
      id,
      text: texts.get(id)!.text,
      volume: surfaces.find(({ market: here }) => here === market.code)?.volume ?? null,
      surfaces,
      ...standing(surfaces, settings.front),
      could: surfaces.reduce((sum, { could }) => sum + could, 0),
      held: surfaces.reduce((sum, { held }) => sum + held, 0),
      value: surfaces.reduce((sum, { best }) => sum + Math.max(0, best?.value ?? 0), 0),
    });
  }
  // A sort that keeps the order of those that are worth the same.
  if (across === 'surfaces') rows.sort((a, b) => b.value - a.value);
  return { front: settings.front, currency: settings.currency, keywords: rows };
}

/** What is best to do about a keyword in a market that is compared. */
function bestOn(comparison: Comparison, keyword: number): OnSurface['best'] {
  const i = entryOf(comparison, keyword);
  if (i < 0) return null;
  const { gaps } = comparison;
  const action = ACTIONS[gaps.action[i]!]!;
  if (action === 'hold' || action === 'merge' || action === 'capture first') return null;
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    action,
    chance: known(gaps.chance[i]!),
    value: known(gaps.worthAMonth[i]!),
    priority: known(gaps.priority[i]!),
  };
}

/** Positions are never averaged: how many are on the front, and the worst of those that are known. */
function standing(
  surfaces: readonly OnSurface[],
  front: number,
): Pick<SurfacesView['keywords'][number], 'onFront' | 'known' | 'worst'> {
  const known = surfaces.map(({ own }) => own).filter((own) => own !== 'unknown');
  const ranked = known.filter((own) => typeof own === 'number');
  const worst =
    known.length === 0 ? 'unknown' : ranked.length < known.length ? 'absent' : Math.max(...ranked);
  return { onFront: ranked.filter((own) => own <= front).length, known: known.length, worst };
}

function onSurface(
  market: MarketRow,
  page: ShownPage | null,
  sides: Sides,
  front: number,
): Omit<OnSurface, 'volume' | 'best'> {
  const inFront = (page?.slots ?? []).filter(
    ({ kind, position }) => kind === 'organic' && position !== null && position <= front,
  );
  const organic = (page?.slots ?? []).filter(({ kind }) => kind === 'organic');
  const positions = (side: string): number[] =>
    organic.flatMap(({ side: of, position }) => (of === side && position !== null ? [position] : []));
  const kinds = new Map<string, { slots: number; ours: number }>();
  for (const { what, side } of inFront) {
    const entry = kinds.get(what ?? 'page') ?? { slots: 0, ours: 0 };
    kinds.set(what ?? 'page', { slots: entry.slots + 1, ours: entry.ours + (side === 'own' ? 1 : 0) });
  }
  const blocks = (page?.slots ?? [])
    .filter(({ kind }) => BLOCKS.has(kind))
    .map(({ kind, slot, side, letter, owner }) => ({ kind, slot, holder: { side, letter, owner } }));
  const ours = positions('own');
  const { held, could } = couldBeOurs({
    results: inFront.map(({ what, side }) => ({ kind: what ?? 'page', own: side === 'own' })),
    blocks: blocks.map(({ kind, holder }) => ({ kind, own: holder.side === 'own' })),
  });
  return {
    market: market.code,
    surface: market.surface,
    placeName: market.placeName,
    languageName: market.languageName,
    captured: page?.date ?? null,
    own: page === null ? 'unknown' : ours.length > 0 ? Math.min(...ours) : 'absent',
    front: inFront.length,
    ours,
    rivals: sides.rivals.map(({ letter, name }) => {
      const held = organic.flatMap((slot) =>
        slot.letter === letter && slot.position !== null ? [slot.position] : [],
      );
      return { letter, name, positions: held };
    }),
    kinds: [...kinds].map(([kind, entry]) => ({ kind, ...entry })),
    blocks,
    could,
    held,
  };
}

import { sells } from '@opsimath/core/text/surfaces';
import { exactRivals } from '@opsimath/core/ranking/front';
import type { PageKind } from '@opsimath/core/text/pageKind';
import { pagePlaces } from '../../data/places';
import type { Pool } from './pool';
import { CaptureReader } from '../facts/captures';
import type { Workspace } from '../kept/workspace';

/** What the newest result page of each keyword of a pool says of its front; NaN without one. */
export interface FrontSigns {
  paidSlots: Float32Array;
  /** Of the front, ours left out, how many have the phrase in their title. */
  exactRivals: Float32Array;
  /** Share of the front that are item pages, listings or videos of a shop: 0–1. */
  itemShare: Float32Array;
}

/** Reads the front of every captured keyword of a pool, on or before its date. */
export async function frontSigns(
  { database, store }: Workspace,
  { ids, market, captures, masks }: Pool,
  front: number,
  kindOf: (address: string) => PageKind,
): Promise<FrontSigns> {
  const unknown = (): Float32Array => new Float32Array(ids.length).fill(NaN);
  const signs = { paidSlots: unknown(), exactRivals: unknown(), itemShare: unknown() };
  const isItem = market.surface === 'web' ? await itemPlaces(database, kindOf) : null;
  const reader = await CaptureReader.over(store, captures, masks);
  for (let i = 0; i < ids.length; i++) {
    const page = reader.page(ids[i]!);
    if (page === null) continue;
    const results = reader.results(page, front);
    const items = results.filter(({ place }) =>
      isItem === null ? sells(market.surface) : isItem.has(place),
    ).length;
    signs.paidSlots[i] = reader.paidSlots(page);
    signs.exactRivals[i] = exactRivals(results);
    signs.itemShare[i] = results.length === 0 ? NaN : items / results.length;
  }
  return signs;
}

async function itemPlaces(
  database: Workspace['database'],
  kindOf: (address: string) => PageKind,
): Promise<ReadonlySet<number>> {
  const items = new Set<number>();
  for (const { id, address } of await pagePlaces(database)) if (kindOf(address) === 'item') items.add(id);
  return items;
}

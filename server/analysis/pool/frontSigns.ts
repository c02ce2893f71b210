import { pageKind, type PathRules } from '@opsimath/core/text/pageKind';
import { pagePlaces } from '../../data/places';
import { findSegments } from '../../data/segments/segments';
import type { Pool } from './pool';
import { captureColumnsOf } from '../facts/standings';
import type { Workspace } from '../thread/workspace';

/** What the newest result page of each keyword of a pool says of its front; NaN without one. */
export interface FrontSigns {
  paidSlots: Float32Array;
  /** Of the front, how many have the phrase in their title. */
  exactRivals: Float32Array;
  /** Share of the front that are item pages, listings or videos of a shop: 0–1. */
  itemShare: Float32Array;
}

/** Reads the front of every captured keyword of a pool, on or before its date. */
export async function frontSigns(
  { database, store }: Workspace,
  pool: Pool,
  front: number,
  rules: PathRules,
): Promise<FrontSigns> {
  const unknown = (): Float32Array => new Float32Array(pool.ids.length).fill(NaN);
  const signs = { paidSlots: unknown(), exactRivals: unknown(), itemShare: unknown() };
  const { surface, id: marketId } = pool.market;
  const isItem = surface === 'web' ? await itemPlaces(database, rules) : null;
  for (const segment of await findSegments(database, { marketId, kind: 'captures', until: pool.date })) {
    const columns = await captureColumnsOf(store, segment);
    const phrase = await store.column<Uint8Array>(segment.id, 'phrase');
    for (let row = 0; row < columns.keyword.length; row++) {
      const i = pool.indexOf[columns.keyword[row]! - pool.base];
      if (i === undefined || i < 0) continue;
      let [paid, exact, items, held] = [0, 0, 0, 0];
      const start = columns.slotStart[row]!;
      for (let slot = start; slot < start + columns.slotCount[row]!; slot++) {
        if (columns.paid[slot]! > 0) paid++;
        const position = columns.organic[slot]!;
        if (position < 1 || position > front) continue;
        held++;
        exact += phrase[slot]! > 0 ? 1 : 0;
        if (isItem === null ? surface === 'marketplace' : isItem.has(columns.place[slot]!)) items++;
      }
      signs.paidSlots[i] = paid;
      signs.exactRivals[i] = exact;
      signs.itemShare[i] = held === 0 ? NaN : items / held;
    }
  }
  return signs;
}

async function itemPlaces(database: Workspace['database'], rules: PathRules): Promise<ReadonlySet<number>> {
  const items = new Set<number>();
  for (const { id, address } of await pagePlaces(database))
    if (pageKind(address, rules) === 'item') items.add(id);
  return items;
}

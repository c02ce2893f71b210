import type { Database } from './storage/connection';
import { findSegments, readColumns } from './segments/segments';
import { rawRows } from './storage/rawRows';

export interface CapturedSlot {
  slot: number;
  /** 0 where the slot is of another kind. */
  organic: number;
  paid: number;
  placeId: number;
  address: string;
  parent: string | null;
  owner: string;
}

/** Slots of a keyword's capture on exactly this date, from the top; `null` when there is none. */
export async function capturedSlots(
  database: Database,
  marketId: number,
  keywordId: number,
  date: string,
): Promise<{ slots: CapturedSlot[]; depth: number; results: number | null } | null> {
  for (const segment of (await findSegments(database, { marketId, kind: 'captures', date })).reverse()) {
    const { keyword } = await readColumns(database, segment.id, ['keyword']);
    const row = keyword.indexOf(keywordId);
    if (row < 0) continue;
    const columns = await readColumns(database, segment.id, [
      'slotStart',
      'slotCount',
      'place',
      'slot',
      'organic',
      'paid',
      'depth',
      'results',
    ]);
    const start = columns.slotStart[row]!;
    const at = Array.from({ length: columns.slotCount[row]! }, (_, n) => start + n);
    const places = await placesById(database, new Set(at.map((i) => columns.place[i]!)));
    const slots = at.flatMap((i) => {
      const place = places.get(columns.place[i]!);
      const { slot, organic, paid } = columns;
      return place
        ? [{ slot: slot[i]!, organic: organic[i]!, paid: paid[i]!, placeId: place.id, ...place }]
        : [];
    });
    const results = columns.results[row]!;
    return { slots, depth: columns.depth[row]!, results: Number.isNaN(results) ? null : results };
  }
  return null;
}

async function placesById(
  database: Database,
  ids: Iterable<number>,
): Promise<Map<number, { id: number; address: string; parent: string | null; owner: string }>> {
  const answer = await database.client.execute({
    sql: 'SELECT id, address, parent, owner FROM place WHERE id IN (SELECT value FROM json_each(?))',
    args: [JSON.stringify([...ids])],
  });
  return new Map(
    rawRows<{ id: number; address: string; parent: string | null; owner: string }>(answer).map((row) => [
      row.id,
      row,
    ]),
  );
}

/** Addresses of the first organic slots of a keyword's capture on exactly this date, best first. */
export async function firstOrganic(
  database: Database,
  marketId: number,
  keywordId: number,
  date: string,
  most: number,
): Promise<string[]> {
  const captured = await capturedSlots(database, marketId, keywordId, date);
  return (captured?.slots ?? [])
    .filter(({ organic }) => organic > 0 && organic <= most)
    .sort((a, b) => a.organic - b.organic)
    .map(({ address }) => address);
}

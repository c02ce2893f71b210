import type { Database } from './storage/connection';
import { findSegments, readColumns } from './segments/segments';
import { rawRows } from './storage/rawRows';

/** How often an address, or the parent of one, stands on fronts, and how well: the sum of 1 ÷ position. */
export interface FrontOwner {
  address: string;
  fronts: number;
  weight: number;
}

/**
 * Who stands on the fronts of some keywords, captured on a day: those who stand best first.
 *
 * @param by `parent` counts sites, channels and shops; `place` pages, videos and listings themselves
 */
export async function frontOwners(
  database: Database,
  { market, date, front }: { market: number; date: string; front: number },
  keywords: ReadonlySet<number>,
  by: 'parent' | 'place',
): Promise<FrontOwner[]> {
  const found = new Map<number, { keywords: Set<number>; weight: number }>();
  for (const segment of await findSegments(database, { marketId: market, kind: 'captures', date })) {
    const columns = await readColumns(database, segment.id, [
      'keyword',
      'slotStart',
      'slotCount',
      'place',
      'organic',
    ]);
    columns.keyword.forEach((keyword, row) => {
      if (!keywords.has(keyword)) return;
      const start = columns.slotStart[row]!;
      for (let at = start; at < start + columns.slotCount[row]!; at++) {
        const position = columns.organic[at]!;
        if (position === 0 || position > front) continue;
        const known = found.get(columns.place[at]!) ?? { keywords: new Set<number>(), weight: 0 };
        known.keywords.add(keyword);
        known.weight += 1 / position;
        found.set(columns.place[at]!, known);
      }
    });
  }
  const rows = rawRows<{ id: number; address: string; parent: string | null }>(
    await database.client.execute({
      sql: 'SELECT id, address, parent FROM place WHERE id IN (SELECT value FROM json_each(?))',
      args: [JSON.stringify([...found.keys()])],
    }),
  );
  const owners = new Map<string, { keywords: Set<number>; weight: number }>();
  for (const { id, address, parent } of rows) {
    const name = by === 'parent' ? (parent ?? address) : address;
    const { keywords: held, weight } = found.get(id)!;
    const owner = owners.get(name) ?? { keywords: new Set<number>(), weight: 0 };
    held.forEach((keyword) => owner.keywords.add(keyword));
    owner.weight += weight;
    owners.set(name, owner);
  }
  return [...owners]
    .map(([address, owner]) => ({ address, fronts: owner.keywords.size, weight: owner.weight }))
    .sort((a, b) => b.weight - a.weight || (a.address < b.address ? -1 : 1));
}

import { findSegments } from '../../data/segments/segments';
import type { Pool } from '../pool/pool';
import { captureColumnsOf } from './standings';
import type { Workspace } from '../thread/workspace';

/**
 * By pool index, of each captured keyword's newest result page on or before the pool's date: the versions of words of
 * what stands there organically and is wanted, by its position and place.
 */
export async function capturedVersions(
  { database, store }: Workspace,
  pool: Pool,
  isWanted: (position: number, place: number) => boolean,
): Promise<Map<number, number[]>> {
  const versions = new Map<number, number[]>();
  const filter = { marketId: pool.market.id, kind: 'captures' as const, until: pool.date };
  for (const segment of await findSegments(database, filter)) {
    const { keyword, slotStart, slotCount, organic, place } = await captureColumnsOf(store, segment);
    const version = await store.column<Int32Array>(segment.id, 'version');
    for (let row = 0; row < keyword.length; row++) {
      const i = pool.indexOf[keyword[row]! - pool.base];
      if (i === undefined || i < 0) continue;
      const held: number[] = [];
      for (let slot = slotStart[row]!; slot < slotStart[row]! + slotCount[row]!; slot++)
        if (organic[slot]! >= 1 && version[slot]! > 0 && isWanted(organic[slot]!, place[slot]!))
          held.push(version[slot]!);
      versions.set(i, held);
    }
  }
  return versions;
}

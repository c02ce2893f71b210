import type { Pool } from './pool';
import { ABSENT } from '@opsimath/core/ranking/position';
import { CaptureReader } from '../facts/captures';
import type { Workspace } from '../kept/workspace';

/**
 * By pool index, of each captured keyword's newest result page on or before the pool's date: the versions of words of
 * what stands there organically and is wanted, by its position and place.
 */
export async function capturedVersions(
  { store }: Workspace,
  { ids, captures }: Pool,
  isWanted: (position: number, place: number) => boolean,
): Promise<Map<number, number[]>> {
  const reader = await CaptureReader.over(store, captures);
  const version: Int32Array[] = [];
  for (const { segment } of captures.captures) version.push(await store.column(segment.id, 'version'));
  const versions = new Map<number, number[]>();
  for (let i = 0; i < ids.length; i++) {
    const page = reader.page(ids[i]!);
    if (page === null) continue;
    versions.set(
      i,
      reader
        .results(page, ABSENT - 1)
        .filter(({ position, place }) => isWanted(position, place))
        .map(({ slot }) => version[page.number]![slot]!)
        .filter((id) => id > 0),
    );
  }
  return versions;
}

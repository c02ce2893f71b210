import { type LookUpRequest } from '@opsimath/contract/api/lookUps';
import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { difficulty } from '@opsimath/core/ranking/difficulty';
import { frontOf } from '@opsimath/core/ranking/front';
import { ABSENT } from '@opsimath/core/ranking/position';
import type { Database } from '../../data/storage/connection';
import { type LookUpTargetRow, isImported, lookUpFinds } from '../../data/lookUps';
import { placesUnder } from '../../data/places';
import { findsSegments } from '../../data/pools';
import { findSegments } from '../../data/segments/segments';
import { type Captures, CaptureReader, newestCaptures } from '../facts/captures';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import type { Pool } from './pool';

/** Bit of a way of finding keywords. */
export const bit = (by: (typeof FOUND_BY)[number]): number => 1 << FOUND_BY.indexOf(by);

/** Best positions of the targets by market index, and what they were found by. */
export async function gatherRankings(
  { database, store }: Workspace,
  pool: {
    marketId: number;
    lookUpId: number;
    request: LookUpRequest;
    targets: readonly LookUpTargetRow[];
    found: Uint32Array;
    range: { least: number; most: number };
  },
): Promise<{ organic: Uint8Array[]; paid: Uint8Array[]; page: Int32Array }> {
  const { marketId, request, targets, found, range } = pool;
  const organic = targets.map(() => new Uint8Array(found.length));
  const paid = targets.map(() => new Uint8Array(found.length));
  const page = new Int32Array(found.length);
  const best = new Uint8Array(found.length);
  const further = targets.length > 0 && (await isImported(database, pool.lookUpId)) ? bit('import') : 0;
  for (const [t, target] of targets.entries()) {
    const filter = { marketId, kind: 'rankings' as const, lookUpId: target.heldBy, subject: target.address };
    for (const { id } of await findSegments(database, filter)) {
      const keyword = await store.column<Int32Array>(id, 'keyword');
      const segmentOrganic = await store.column<Uint8Array>(id, 'organic');
      const segmentPaid = await store.column<Uint8Array>(id, 'paid');
      const place = await store.column<Int32Array>(id, 'place');
      const [ours, theirs] = [organic[t]!, paid[t]!];
      for (let row = 0; row < keyword.length; row++) {
        const i = keyword[row]! - range.least;
        const position = request.want === 'paid' ? 0 : segmentOrganic[row]!;
        const slot = request.want === 'organic' ? 0 : segmentPaid[row]!;
        if (position > 0 && position <= request.depth) {
          if (ours[i] === 0 || position < ours[i]!) ours[i] = position;
          if (best[i] === 0 || position < best[i]!) {
            best[i] = position;
            page[i] = place[row]!;
          }
          found[i]! |= bit('organic');
        }
        if (slot > 0) {
          if (theirs[i] === 0 || slot < theirs[i]!) theirs[i] = slot;
          found[i]! |= bit('paid');
        }
        found[i]! |= further;
      }
    }
  }
  return { organic, paid, page };
}

/** What was found from seeds, targets' words and lists, by market index. */
export async function gatherFinds(
  { database, store }: Workspace,
  lookUpId: number,
  found: Uint32Array,
  range: { least: number; most: number },
): Promise<Pick<Pool, 'appearances' | 'uses' | 'given' | 'from' | 'origins'>> {
  const size = found.length;
  const finds = {
    appearances: new Uint8Array(size),
    uses: new Uint16Array(size),
    given: new Int32Array(size),
    from: new Uint32Array(size),
    origins: [] as string[],
  };
  for (const segment of await findsSegments(database, lookUpId)) {
    const keyword = await store.column<Int32Array>(segment.id, 'keyword');
    const way = await store.column<Uint8Array>(segment.id, 'way');
    const count = await store.column<Int32Array>(segment.id, 'count');
    const order = await store.column<Int32Array>(segment.id, 'order');
    const origin = originBit(finds.origins, segment.subject ?? '');
    for (let row = 0; row < keyword.length; row++) {
      const i = keyword[row]! - range.least;
      const by = FOUND_BY[way[row]!]!;
      found[i]! |= 1 << way[row]!;
      finds.from[i]! |= origin;
      if (by === 'also ranked') finds.appearances[i] = Math.max(finds.appearances[i]!, count[row]!);
      if (by === 'words of the front') finds.uses[i] = Math.max(finds.uses[i]!, count[row]!);
      if (finds.given[i] === 0) finds.given[i] = order[row]! + 1;
    }
  }
  return finds;
}

/** Of how many of the first ten an answer came; `null` where that was not asked. */
export async function lookedUpOfTen(database: Database, lookUpId: number): Promise<number | null> {
  const finds = (await lookUpFinds(database, lookUpId)).filter(({ way }) => way === 'also ranked');
  const looked = finds.map(({ message }) => Number(/^of (\d+) looked up/.exec(message ?? '')?.[1] ?? 0));
  return finds.length > 0 ? Math.max(0, ...looked) : null;
}

const MOST_ORIGINS = 31;

/** Bit of the seed keyword in a find's subject, `way|seed`; 0 for a list, or when there are too many to tell. */
function originBit(origins: string[], subject: string): number {
  const seed = subject.slice(subject.indexOf('|') + 1);
  if (seed === '') return 0;
  let at = origins.indexOf(seed);
  if (at < 0) at = origins.push(seed) - 1;
  return at < MOST_ORIGINS ? 1 << at : 0;
}

/** What captures on or before the date say of the targets, and of the page itself; the newest of each keyword counts. */
export async function gatherCaptured(
  { database, store }: Workspace,
  marketId: number,
  date: string,
  range: { least: number; most: number },
  { addresses, masks, front }: { addresses: readonly string[]; masks: Uint32Array; front: number },
): Promise<{
  captures: Captures;
  positions: Uint8Array[];
  difficulty: Int16Array;
  featureFactor: Float64Array;
}> {
  const size = range.most - range.least + 1;
  const positions = addresses.map(() => new Uint8Array(size));
  const difficulties = new Int16Array(size).fill(-1);
  const factor = new Float64Array(size).fill(1);
  const holders = new Map<number, number[]>();
  for (const [t, target] of addresses.entries()) {
    for (const { id } of await placesUnder(database, [target]))
      holders.set(id, [...(holders.get(id) ?? []), t]);
  }
  const segments = await findSegments(database, { marketId, kind: 'captures', until: date });
  const captures = await newestCaptures(store, segments, range);
  const reader = await CaptureReader.over(store, captures, masks);
  const giveWay = givingWay();
  for (let i = 0; i < size; i++) {
    if (i % 1024 === 0) await giveWay();
    const page = reader.page(range.least + i);
    if (page === null) continue;
    for (const column of positions) column[i] = ABSENT;
    const results = reader.results(page, ABSENT - 1);
    for (const { place, position } of results)
      for (const t of holders.get(place) ?? []) if (position < positions[t]![i]!) positions[t]![i] = position;
    difficulties[i] = difficulty(frontOf(results, front)) ?? -1;
    factor[i] = reader.featureFactor(page);
  }
  return { captures, positions, difficulty: difficulties, featureFactor: factor };
}

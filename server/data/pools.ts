import type { Database } from './storage/connection';
import { lookUpById, lookUpTargets } from './lookUps';
import { type StoredSegment, findSegments, readColumn } from './segments/segments';

/** The segments whose rankings make up a look-up's pool, those held by an earlier look-up included. */
export async function poolSegments(database: Database, lookUpId: number): Promise<StoredSegment[]> {
  const { marketId } = await lookUpById(database, lookUpId);
  const segments: StoredSegment[] = [];
  for (const target of await lookUpTargets(database, lookUpId)) {
    const filter = { marketId, kind: 'rankings' as const, lookUpId: target.heldBy, subject: target.address };
    segments.push(...(await findSegments(database, filter)));
  }
  return segments;
}

/** What was found from seeds, targets' words and lists. */
export async function findsSegments(database: Database, lookUpId: number): Promise<StoredSegment[]> {
  const { marketId } = await lookUpById(database, lookUpId);
  return findSegments(database, { marketId, kind: 'finds', lookUpId });
}

/** Keyword ids of a pool, ascending, each once. */
export async function poolKeywords(database: Database, lookUpId: number): Promise<Int32Array> {
  const parts: Int32Array[] = [];
  const segments = [
    ...(await poolSegments(database, lookUpId)),
    ...(await findsSegments(database, lookUpId)),
  ];
  for (const segment of segments)
    parts.push((await readColumn(database, segment.id, 'keyword')) as Int32Array);
  return uniqueIds(parts);
}

/** Ids of several columns, ascending, each once. */
export function uniqueIds(parts: readonly Int32Array[]): Int32Array {
  let [least, most] = [Infinity, -Infinity];
  for (const part of parts)
    for (const id of part) {
      if (id < least) least = id;
      if (id > most) most = id;
    }
  if (most < least) return new Int32Array(0);
  // Ids of a market lie close together: marking them is quicker than sorting them.
  const marks = new Uint8Array(most - least + 1);
  let count = 0;
  for (const part of parts)
    for (const id of part) {
      if (marks[id - least] === 0) count++;
      marks[id - least] = 1;
    }
  const ids = new Int32Array(count);
  let kept = 0;
  for (let at = 0; at < marks.length; at++) if (marks[at] === 1) ids[kept++] = least + at;
  return ids;
}

import type { Database } from './connection';
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
  const all = new Int32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  all.sort();
  let kept = 0;
  for (let i = 0; i < all.length; i++) if (i === 0 || all[i] !== all[i - 1]) all[kept++] = all[i]!;
  return all.slice(0, kept);
}

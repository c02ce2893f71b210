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

/** Keyword ids of a pool, ascending, each once. */
export async function poolKeywords(database: Database, lookUpId: number): Promise<Int32Array> {
  const ids = new Set<number>();
  for (const segment of await poolSegments(database, lookUpId)) {
    (await readColumn(database, segment.id, 'keyword')).forEach((id) => ids.add(id));
  }
  return Int32Array.from(ids).sort();
}

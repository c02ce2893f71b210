import { type Database, writeTogether } from '../storage/connection';
import { type Columns, hashOf } from '../segments/columns';
import { pickRows, rowHashes } from '../segments/rows';
import { type StoredSegment, allColumns, segmentStatements } from '../segments/segments';
import type { Ids } from './archivedTexts';
import { type SegmentLine, unpacked } from './segmentChecks';

/** Ids of this installation, by what a segment speaks of. */
interface SegmentIds {
  markets: Ids;
  keywords: Ids;
  places: Ids;
  versions: Ids;
  lookUps: Ids;
  imports: Ids;
}

/** Stores a segment of an archive for a project, with the ids that everything has here. */
export async function storeSegment(
  database: Database,
  projectId: number,
  { segment, columns: packed }: SegmentLine,
  ids: SegmentIds,
): Promise<void> {
  const columns: Columns = {};
  for (const [name, column] of Object.entries(packed)) columns[name] = unpacked(column);
  const renumber = (name: string, by: Ids): void => {
    const column = columns[name];
    if (column) columns[name] = column.map((id) => by.get(id) ?? 0) as Int32Array;
  };
  renumber('keyword', ids.keywords);
  renumber('bidOn', ids.keywords);
  renumber('place', ids.places);
  renumber('version', ids.versions);
  const head = {
    ...segment,
    marketId: ids.markets.get(segment.marketId)!,
    projectId: segment.projectId === null ? null : projectId,
    lookUpId: ids.lookUps.get(segment.lookUpId ?? 0) ?? null,
    importId: ids.imports.get(segment.importId ?? 0) ?? null,
  };
  const shared = segment.projectId === null && segment.lookUpId === null;
  const fresh = shared ? await withoutWhatStands(database, head, columns) : columns;
  const rows = fresh.keyword!.length;
  if (rows > 0) await writeTogether(database, segmentStatements({ ...head, rows }, fresh));
}

/**
 * Facts that several projects share are not stored twice: rows that stand already for the same market, source and day are
 * left out, however they were put together into segments.
 */
async function withoutWhatStands(
  database: Database,
  head: Omit<StoredSegment, 'id'>,
  columns: Columns,
): Promise<Columns> {
  const hash = hashOf(columns);
  const found = await database.client.execute({
    sql: `SELECT id, hash FROM segment WHERE market_id = ? AND kind = ? AND source = ? AND date = ? AND superseded = 0 AND pending = 0
              AND project_id IS NULL AND look_up_id IS NULL`,
    args: [head.marketId, head.kind, head.source, head.date],
  });
  if (found.rows.some((segment) => segment.hash === hash)) return pickRows(columns, []);
  const stands = new Set<string>();
  for (const { id } of found.rows)
    for (const row of rowHashes(await allColumns(database, Number(id)))) stands.add(row);
  const fresh = rowHashes(columns).flatMap((row, at) => (stands.has(row) ? [] : [at]));
  return pickRows(columns, fresh);
}

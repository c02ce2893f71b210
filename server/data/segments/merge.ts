import { type Database, writeTogether } from '../storage/connection';
import { BLOCK, type Columns, joinColumns } from './columns';
import { type StoredSegment, allColumns, findSegments, segmentStatements } from './segments';

const MOST_ROWS = 262_144;
/** Columns that point into the slot columns of a capture segment. */
const OFFSETS = ['slotStart'];

/**
 * Joins the small segments that one piece of work left behind: same kind, source, date, look-up and subject.
 * The joined segment and the mark on its parts are one transaction; the parts go at the next start, for somebody may
 * be reading them.
 */
export async function mergeSmallSegments(
  database: Database,
  filter: {
    marketId: number;
    kind: 'rankings' | 'metrics' | 'captures';
    date: string;
    lookUpId?: number;
    pending?: boolean;
  },
): Promise<void> {
  const groups = new Map<string, StoredSegment[]>();
  for (const segment of await findSegments(database, filter)) {
    const name = JSON.stringify([segment.source, segment.lookUpId, segment.subject, segment.projectId]);
    const group = groups.get(name) ?? [];
    // What fills a quarter of a block by itself is not small.
    if (segment.rows < BLOCK / 4) group.push(segment);
    groups.set(name, group);
  }
  for (const group of groups.values()) {
    for (const batch of batchesOf(group))
      if (batch.length > 1) await mergeInto(database, batch, filter.pending === true);
  }
}

function batchesOf(group: StoredSegment[]): StoredSegment[][] {
  const batches: StoredSegment[][] = [[]];
  let rows = 0;
  for (const segment of group) {
    if (rows + segment.rows > MOST_ROWS && batches[batches.length - 1]!.length > 0) {
      batches.push([]);
      rows = 0;
    }
    batches[batches.length - 1]!.push(segment);
    rows += segment.rows;
  }
  return batches;
}

async function mergeInto(database: Database, segments: StoredSegment[], pending: boolean): Promise<void> {
  const parts: Columns[] = [];
  let slots = 0;
  for (const segment of segments) {
    const columns = await allColumns(database, segment.id);
    for (const name of OFFSETS)
      if (columns[name]) columns[name] = columns[name].map((start) => start + slots) as Int32Array;
    if (columns.place && segment.kind === 'captures') slots += columns.place.length;
    parts.push(columns);
  }
  const head = { ...segments[0]!, pending, rows: segments.reduce((sum, segment) => sum + segment.rows, 0) };
  const ids = JSON.stringify(segments.map((segment) => segment.id));
  await database.together(async (steps) => {
    // Another job may have joined them meanwhile: then they would stand twice.
    const left = await steps.client.execute({
      sql: 'SELECT count(*) AS n FROM segment WHERE superseded = 0 AND id IN (SELECT value FROM json_each(?))',
      args: [ids],
    });
    if (Number(left.rows[0]!.n) !== segments.length) return;
    await writeTogether(steps, [
      ...segmentStatements(head, joinColumns(parts)),
      {
        sql: 'UPDATE segment SET superseded = 1 WHERE id IN (SELECT value FROM json_each(?))',
        args: [ids],
      },
    ]);
  });
}

/** Takes away segments that joined ones have replaced. Only while nobody reads. */
export async function removeSuperseded(database: Database): Promise<void> {
  await database.client.execute('DELETE FROM segment WHERE superseded = 1');
}

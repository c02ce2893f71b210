import type { InStatement } from '@libsql/client';
import type { Database } from '../storage/connection';
import {
  BLOCK,
  hashOf,
  type Column,
  type Columns,
  type ColumnType,
  bytesOf,
  checksum,
  emptyColumn,
  typeOf,
} from './columns';
import { rawRows } from '../storage/rawRows';

export type SegmentKind = 'rankings' | 'metrics' | 'captures' | 'performance' | 'finds' | 'ad terms';

/** What a segment says of itself. `rows` counts its main things: rankings, metrics, captures, rows of performance. */
export interface SegmentHead {
  marketId: number;
  kind: SegmentKind;
  /** Where the facts came from, as shown to users. */
  source: string;
  /** ISO day. */
  date: string;
  projectId?: number | null;
  lookUpId?: number | null;
  importId?: number | null;
  /** Part of a file that is still being read: it counts when that is released. */
  pending?: boolean;
  /** The target of a look-up. */
  subject?: string | null;
  rows: number;
}
export interface StoredSegment extends SegmentHead {
  id: number;
}

/** Raised when a blob does not hold what was written. */
class DamagedSegment extends Error {
  constructor(segment: number, column: string) {
    super(`Segment ${segment}, column ${column}: the stored bytes do not match their checksum.`);
  }
}

/** The statements that write a segment: run them in one transaction with the mark of the work they belong to. */
export function segmentStatements(head: SegmentHead, columns: Columns): InStatement[] {
  const statements: InStatement[] = [
    {
      sql: `INSERT INTO segment (market_id, kind, source, date, project_id, look_up_id, import_id, subject, rows, hash, pending)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      args: [
        head.marketId,
        head.kind,
        head.source,
        head.date,
        head.projectId ?? null,
        head.lookUpId ?? null,
        head.importId ?? null,
        head.subject ?? null,
        head.rows,
        hashOf(columns),
        head.pending ? 1 : 0,
      ],
    },
  ];
  for (const [name, column] of Object.entries(columns)) {
    for (let block = 0; block * BLOCK < Math.max(1, column.length); block++) {
      const bytes = bytesOf(column, block * BLOCK, (block + 1) * BLOCK);
      statements.push({
        sql: `INSERT INTO segment_column (segment_id, name, block, type, count, checksum, data)
              VALUES ((SELECT max(id) FROM segment), ?, ?, ?, ?, ?, ?)`,
        args: [name, block, typeOf(column), bytes.length / column.BYTES_PER_ELEMENT, checksum(bytes), bytes],
      });
    }
  }
  return statements;
}

interface SegmentFilter {
  marketId: number;
  kind?: SegmentKind;
  date?: string;
  /** On or before this ISO day. */
  until?: string;
  projectId?: number;
  lookUpId?: number;
  subject?: string;
  /** Those of a file that is still being read, which count for nobody else. */
  pending?: boolean;
}

/**
 * Heads of the segments that fit, by date, then in the order they were written; captures that were taken once more, with a
 * subject, behind the others of their day.
 */
export async function findSegments(database: Database, filter: SegmentFilter): Promise<StoredSegment[]> {
  const conditions: string[] = [
    'market_id = ?',
    'superseded = 0',
    filter.pending ? 'pending = 1' : 'pending = 0',
  ];
  const args: (string | number)[] = [filter.marketId];
  const add = (condition: string, value: string | number | undefined): void => {
    if (value === undefined) return;
    conditions.push(condition);
    args.push(value);
  };
  add('kind = ?', filter.kind);
  add('date = ?', filter.date);
  add('date <= ?', filter.until);
  add('project_id = ?', filter.projectId);
  add('look_up_id = ?', filter.lookUpId);
  add('subject = ?', filter.subject);
  const answer = await database.client.execute({
    sql: `SELECT id, market_id AS marketId, kind, source, date, project_id AS projectId, look_up_id AS lookUpId,
                 import_id AS importId, subject, rows
          FROM segment WHERE ${conditions.join(' AND ')} ORDER BY date, kind = 'captures' AND subject IS NOT NULL, id`,
    args,
  });
  return rawRows<StoredSegment>(answer);
}

/** One column of a segment, checked. Throws {@link DamagedSegment}. */
export async function readColumn(database: Database, segmentId: number, name: string): Promise<Column> {
  const answer = await database.client.execute({
    sql: 'SELECT type, count, checksum, data FROM segment_column WHERE segment_id = ? AND name = ? ORDER BY block',
    args: [segmentId, name],
  });
  const blocks = rawRows<{
    type: ColumnType;
    count: number;
    checksum: number;
    data: ArrayBuffer;
  }>(answer);
  if (blocks.length === 0) throw new DamagedSegment(segmentId, name);
  const whole = emptyColumn(
    blocks[0]!.type,
    blocks.reduce((sum, block) => sum + block.count, 0),
  );
  const target = new Uint8Array(whole.buffer);
  let at = 0;
  for (const block of blocks) {
    const bytes = new Uint8Array(block.data);
    if (checksum(bytes) !== block.checksum) throw new DamagedSegment(segmentId, name);
    target.set(bytes, at);
    at += bytes.length;
  }
  return whole;
}

/** {@link readColumn}, or `null` where the segment has no such column: older or sparser facts. */
export async function readColumnIfAny(
  database: Database,
  segmentId: number,
  name: string,
): Promise<Column | null> {
  const answer = await database.client.execute({
    sql: 'SELECT 1 FROM segment_column WHERE segment_id = ? AND name = ? LIMIT 1',
    args: [segmentId, name],
  });
  return answer.rows.length === 0 ? null : readColumn(database, segmentId, name);
}

/** Several columns of a segment. */
export async function readColumns<Name extends string>(
  database: Database,
  segmentId: number,
  names: readonly Name[],
): Promise<Record<Name, Column>> {
  const columns = {} as Record<Name, Column>;
  for (const name of names) columns[name] = await readColumn(database, segmentId, name);
  return columns;
}

/** Every column of a segment. */
export async function allColumns(database: Database, segmentId: number): Promise<Columns> {
  const answer = await database.client.execute({
    sql: 'SELECT DISTINCT name FROM segment_column WHERE segment_id = ? ORDER BY name',
    args: [segmentId],
  });
  return readColumns(
    database,
    segmentId,
    answer.rows.map(({ name }) => String(name)),
  );
}

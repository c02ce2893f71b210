import { stat } from 'node:fs/promises';
import path from 'node:path';
import { key } from '@opsimath/core/text/key';
import { writeTogether } from '../data/connection';
import { type ImportRow, importById, importMark, rejectionStatement } from '../data/imports';
import { progressStatement } from '../data/jobs';
import { keywordIds } from '../data/keywords';
import { placeIdsByAddress } from '../data/places';
import { touchProject } from '../data/projects';
import { segmentStatements } from '../data/segments/segments';
import { type PerformanceRow, isRecord, rowReader } from '../files/performanceTable';
import { readRecords } from '../files/records';
import type { JobContext } from './context';

const CHUNK = 20_000;
/** Rejected rows are kept with line and reason up to this many; beyond, they are counted. */
const MOST_REJECTIONS = 10_000;

interface Chunk {
  records: number;
  rows: PerformanceRow[];
  rejected: { line: number; reason: string; content: string }[];
  skipped: number;
  length: number;
}

/** Takes in a file of own search performance, chunk by chunk; a restart goes on after the last whole chunk. */
export async function runImport(context: JobContext): Promise<string | null> {
  const entry = await importById(context.database, Number(context.request.importId));
  const file = path.join(context.filesFolder, entry.storedAs);
  const { size } = await stat(file);
  const read = rowReader(entry.reading);
  const { encoding, delimiter, headerLine } = entry.reading;
  context.progress.step('reading rows', size);
  let chunk = emptyChunk();
  let seen = 0;
  let kept = entry.rowsKept;
  let refused = entry.rowsRejected;
  const store = async (): Promise<void> => {
    kept += chunk.rows.length;
    await storeChunk(context, entry, chunk, Math.max(0, MOST_REJECTIONS - refused));
    refused += chunk.rejected.length;
    chunk = emptyChunk();
  };
  for await (const record of readRecords(file, encoding, delimiter, headerLine + 1)) {
    const length = isRecord(record)
      ? record.fields.reduce((sum, field) => sum + field.length + 1, 0)
      : record.content.length;
    if (seen++ < entry.recordsRead) {
      context.progress.advance(length);
      continue;
    }
    chunk.records++;
    chunk.length += length;
    if (!isRecord(record)) {
      chunk.rejected.push(record);
    } else {
      const row = read(record.fields);
      if (row === null) chunk.skipped++;
      else if (typeof row === 'string')
        chunk.rejected.push({
          line: record.line,
          reason: row,
          content: record.fields.join(delimiter).slice(0, 300),
        });
      else chunk.rows.push(row);
    }
    if (chunk.records >= CHUNK) {
      context.signal.throwIfAborted();
      await store();
    }
  }
  await store();
  await touchProject(context.database, context.projectId);
  if (kept === 0) return 'No row of this file could be used; the list of rejected rows says why.';
  return refused > 0 ? `${refused} rows were rejected; the list says which and why.` : null;
}

function emptyChunk(): Chunk {
  return { records: 0, rows: [], rejected: [], skipped: 0, length: 0 };
}

async function storeChunk(
  context: JobContext,
  entry: ImportRow,
  chunk: Chunk,
  roomForRejections: number,
): Promise<void> {
  const { database } = context;
  const marketId = entry.marketId!;
  const keywords = await keywordIds(database, marketId, new Set(chunk.rows.map((row) => row.query)));
  const places = await placeIdsByAddress(
    database,
    chunk.rows.flatMap((row) => (row.page === '' ? [] : [row.page])),
  );
  const { rows } = chunk;
  const lastDay = rows.reduce((last, row) => Math.max(last, row.day), 0);
  const head = {
    marketId,
    kind: 'performance' as const,
    source: `own search performance, ${entry.fileName}`,
    date: new Date(lastDay * 86_400_000).toISOString().slice(0, 10),
    projectId: entry.projectId,
    importId: entry.id,
    rows: rows.length,
  };
  const idByQuery = new Map<string, number>();
  const keywordOf = (query: string): number => {
    let id = idByQuery.get(query);
    if (id === undefined) idByQuery.set(query, (id = keywords.get(key(query))!));
    return id;
  };
  await writeTogether(database, [
    ...(rows.length > 0
      ? segmentStatements(head, {
          keyword: Int32Array.from(rows, (row) => keywordOf(row.query)),
          place: Int32Array.from(rows, (row) => places.get(row.page) ?? 0),
          day: Int32Array.from(rows, (row) => row.day),
          impressions: Int32Array.from(rows, (row) => row.impressions),
          clicks: Int32Array.from(rows, (row) => row.clicks),
          position: Float64Array.from(rows, (row) => row.position),
        })
      : []),
    ...(chunk.rejected.length > 0
      ? [rejectionStatement(entry.id, chunk.rejected.slice(0, roomForRejections))]
      : []),
    importMark(entry.id, {
      records: chunk.records,
      kept: rows.length,
      rejected: chunk.rejected.length,
      skipped: chunk.skipped,
    }),
    progressStatement(context.jobId, context.progress.advance(chunk.length)),
  ]);
}

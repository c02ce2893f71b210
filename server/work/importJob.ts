import { stat } from 'node:fs/promises';
import path from 'node:path';
import { writeTogether } from '../data/connection';
import { importById, importMark, rejectionStatement } from '../data/imports';
import { progressStatement } from '../data/jobs';
import { addressPlatforms, marketById } from '../data/markets';
import { touchProject } from '../data/projects';
import { isRecord, readRecordBatches } from '../files/records';
import { type ImportedRow, rowReader } from '../files/rowReaders';
import type { JobContext } from './context';
import { runRankingsImport } from './imports/rankings';
import { storeOf } from './imports/stores';

const CHUNK = 20_000;
/** Tables of metrics are large: fewer, larger segments. */
const LARGE_CHUNK = 200_000;
/** Rejected rows are kept with line and reason up to this many; beyond, they are counted. */
export const MOST_REJECTIONS = 10_000;

interface Chunk {
  records: number;
  rows: ImportedRow[];
  rejected: { line: number; reason: string; content: string }[];
  skipped: number;
}

/** Takes in a table, chunk by chunk; a restart goes on after the last whole chunk. */
export async function runImport(context: JobContext): Promise<string | null> {
  const { database, progress, signal } = context;
  const entry = await importById(database, Number(context.request.importId));
  const file = path.join(context.filesFolder, entry.storedAs);
  const { size } = await stat(file);
  const read = rowReader(entry.reading, await addressPlatforms(database));
  const { encoding, delimiter, headerLine, kind, format } = entry.reading;
  const market = await marketById(database, entry.marketId!);
  if (kind === 'rankings') return runRankingsImport(context, entry, market, file, size);
  const store = await storeOf(context, entry, market);
  // In JSON Lines the heads were written before the first line.
  const lineShift = format === 'json lines' ? -1 : 0;
  const chunkSize = kind === 'metrics' ? LARGE_CHUNK : CHUNK;
  progress.step('reading rows', size);
  let chunk = emptyChunk();
  let seen = 0;
  let kept = entry.rowsKept;
  let refused = entry.rowsRejected;
  let bytesTold = 0;
  const keep = async (bytes: number): Promise<void> => {
    const { statements, refused: late } = await store.statements(chunk.rows);
    for (const { index, reason } of late)
      chunk.rejected.push({ line: 0, reason, content: describe(chunk.rows[index]!) });
    const rows = chunk.rows.length - late.length;
    kept += rows;
    await writeTogether(database, [
      ...statements,
      ...(chunk.rejected.length > 0
        ? [rejectionStatement(entry.id, chunk.rejected.slice(0, Math.max(0, MOST_REJECTIONS - refused)))]
        : []),
      importMark(entry.id, {
        records: chunk.records,
        kept: rows,
        rejected: chunk.rejected.length,
        skipped: chunk.skipped,
      }),
      progressStatement(context.jobId, progress.advance(bytes - bytesTold)),
    ]);
    bytesTold = bytes;
    refused += chunk.rejected.length;
    chunk = emptyChunk();
  };
  for await (const { records, bytes } of readRecordBatches(file, encoding, delimiter, headerLine + 1)) {
    signal.throwIfAborted();
    for (const record of records) {
      if (seen++ < entry.recordsRead) continue;
      chunk.records++;
      if (!isRecord(record)) {
        chunk.rejected.push({ ...record, line: record.line + lineShift });
        continue;
      }
      const row = read(record.fields);
      if (row === null) chunk.skipped++;
      else if (typeof row === 'string')
        chunk.rejected.push({
          line: record.line + lineShift,
          reason: row,
          content: record.fields.join(delimiter).slice(0, 300),
        });
      else chunk.rows.push(row);
    }
    if (chunk.records >= chunkSize) await keep(bytes);
  }
  await keep(size);
  await store.finish();
  await touchProject(database, context.projectId);
  return outcome(kept, refused);
}

/** What a finished import has to say. */
export function outcome(kept: number, refused: number): string | null {
  if (kept === 0) return 'No row of this file could be used; the list of rejected rows says why.';
  return refused > 0 ? `${refused} rows were rejected; the list says which and why.` : null;
}

function emptyChunk(): Chunk {
  return { records: 0, rows: [], rejected: [], skipped: 0 };
}

function describe(row: ImportedRow): string {
  return Object.values(row).join(', ').slice(0, 300);
}

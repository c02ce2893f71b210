import { stat } from 'node:fs/promises';
import path from 'node:path';
import { writeTogether } from '../data/storage/connection';
import { importById, importMark, rejectionStatements } from '../data/imports';
import { progressStatement } from '../data/jobs';
import { addressPlatforms, marketById } from '../data/markets';
import { releaseImport } from '../data/wholeImports';
import { readRecordBatches } from '../files/records';
import { type ImportedRow, rowReader } from '../files/rowReaders';
import type { JobContext } from './steps/context';
import { runRankingsImport } from './imports/rankings';
import { storeOf } from './imports/stores';
import { outcome } from './imports/outcome';
import { Tally } from './imports/tally';

const CHUNK = 20_000;
/** Tables of metrics are large: fewer, larger segments. Lines of one target's hidden terms belong together, and visits of a month. */
const CHUNKS: Record<string, number> = { metrics: 200_000, 'hidden terms': Infinity, visits: Infinity };
const SHOWN = 300;

/**
 * Takes in a table, chunk by chunk; a restart goes on after the last whole chunk. Its rows count when the file has been read:
 * nobody’s answers are made anew for each chunk. What was read of a file that broke off counts as well.
 */
export async function runImport(context: JobContext): Promise<string | null> {
  const importId = Number(context.request.importId);
  try {
    return await readTable(context, importId);
  } finally {
    await releaseImport(context.database, importId);
  }
}

async function readTable(context: JobContext, importId: number): Promise<string | null> {
  const { database, progress, signal } = context;
  const entry = await importById(database, importId);
  const file = path.join(context.filesFolder, entry.storedAs);
  const { size } = await stat(file);
  const read = rowReader(entry.reading, await addressPlatforms(database));
  const { encoding, delimiter, headerLine, kind, format } = entry.reading;
  const market = await marketById(database, entry.marketId!);
  if (kind === 'rankings') return runRankingsImport(context, entry, market, file, size);
  const store = await storeOf(context, entry, market);
  const chunkSize = CHUNKS[kind] ?? CHUNK;
  const firstLine = headerLine + 1;
  // In JSON Lines the heads were written before the first line.
  const tally = new Tally(read, delimiter, firstLine, format === 'json lines' ? -1 : 0, entry.recordsRead);
  progress.step('reading rows', size);
  let rows: { row: ImportedRow; line: number }[] = [];
  let kept = entry.rowsKept;
  let refused = entry.rowsRejected;
  let bytesTold = 0;
  const keep = async (bytes: number): Promise<void> => {
    const { statements, refused: late } = await store.statements(rows.map(({ row }) => row));
    for (const { index, reason } of late)
      tally.takeBack({ line: rows[index]!.line, reason, content: describe(rows[index]!.row) });
    const counts = tally.settle();
    await writeTogether(database, [
      ...statements,
      ...rejectionStatements(entry.id, refused, counts.list),
      importMark(entry.id, counts),
      progressStatement(context.jobId, progress.advance(bytes - bytesTold)),
    ]);
    kept += counts.kept;
    refused += counts.rejected;
    bytesTold = bytes;
    rows = [];
  };
  for await (const { records, bytes } of readRecordBatches(file, encoding, delimiter, firstLine)) {
    signal.throwIfAborted();
    for (const part of records) {
      const taken = tally.take(part);
      if (taken) rows.push(taken);
    }
    if (tally.pending >= chunkSize) await keep(bytes);
    await context.people.makeWay();
  }
  await keep(size);
  await store.finish();
  return outcome(kept, refused);
}

function describe(row: ImportedRow): string {
  return Object.values(row).join(', ').slice(0, SHOWN);
}

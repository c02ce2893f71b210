import { type FileImport, type FileReading, fileReading } from '@opsimath/contract/api/imports';
import { desc, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database, InStatement } from './storage/connection';
import { jobsById } from './jobs';
import { fileImport, importRejection, market } from './schema';

export type ImportRow = Omit<typeof fileImport.$inferSelect, 'reading'> & { reading: FileReading };

export async function createImport(
  database: Database,
  entry: {
    projectId: number;
    fileName: string;
    storedAs: string;
    bytes: number;
    kind: string;
    reading: FileReading;
  },
): Promise<number> {
  const [created] = await database.rows.insert(fileImport).values(entry).returning({ id: fileImport.id });
  return created!.id;
}

export async function importById(database: Database, id: number): Promise<ImportRow> {
  const [found] = await database.rows.select().from(fileImport).where(eq(fileImport.id, id));
  if (!found) throw new KnownProblem('no-such-import', `There is no import ${id}.`);
  return { ...found, reading: fileReading.parse(found.reading) };
}

export async function startImport(
  database: Database,
  id: number,
  start: { marketId: number; jobId: number; kind: string; reading: FileReading },
): Promise<void> {
  await database.rows.update(fileImport).set(start).where(eq(fileImport.id, id));
}

export async function listImports(
  database: Database,
  projectId: number,
  only?: number,
): Promise<FileImport[]> {
  const rows = await database.rows
    .select({ entry: fileImport, code: market.code })
    .from(fileImport)
    .leftJoin(market, eq(market.id, fileImport.marketId))
    .where(only === undefined ? eq(fileImport.projectId, projectId) : eq(fileImport.id, only))
    .orderBy(desc(fileImport.id));
  const jobs = await jobsById(
    database,
    rows.flatMap(({ entry }) => (entry.jobId === null ? [] : [entry.jobId])),
  );
  return rows.map(({ entry, code }) => ({
    id: entry.id,
    market: code,
    fileName: entry.fileName,
    kind: entry.kind,
    bytes: entry.bytes,
    reading: fileReading.parse(entry.reading),
    rowsKept: entry.rowsKept,
    rowsRejected: entry.rowsRejected,
    rowsSkipped: entry.rowsSkipped,
    rowsBlank: entry.rowsBlank,
    rowsRead: entry.recordsRead,
    createdAt: entry.createdAt,
    job: entry.jobId === null ? null : (jobs.get(entry.jobId) ?? null),
  }));
}

/** How far an import came, as a statement to run with the rows it speaks of. */
export function importMark(
  id: number,
  counts: { records: number; kept: number; rejected: number; skipped: number; blank: number },
): InStatement {
  return {
    sql: `UPDATE file_import SET records_read = records_read + ?, rows_kept = rows_kept + ?,
            rows_rejected = rows_rejected + ?, rows_skipped = rows_skipped + ?, rows_blank = rows_blank + ? WHERE id = ?`,
    args: [counts.records, counts.kept, counts.rejected, counts.skipped, counts.blank, id],
  };
}

/** Rejected rows are kept with line and reason up to this many; beyond, they are counted. */
const MOST_REJECTIONS = 10_000;

/** Keeps rejected rows, numbered on from those that a file had before. */
export function rejectionStatements(
  id: number,
  before: number,
  rejected: readonly { line: number; reason: string; content: string }[],
): InStatement[] {
  const kept = rejected.slice(0, Math.max(0, MOST_REJECTIONS - before));
  if (kept.length === 0) return [];
  return [
    {
      sql: `INSERT INTO import_rejection (import_id, number, line, reason, content)
            SELECT ?, ? + key, value ->> 'line', value ->> 'reason', value ->> 'content' FROM json_each(?)`,
      args: [id, before + 1, JSON.stringify(kept)],
    },
  ];
}

export async function rejections(
  database: Database,
  importId: number,
  offset: number,
  limit: number,
): Promise<{ total: number; rows: { line: number; reason: string; content: string }[] }> {
  const entry = await importById(database, importId);
  const rows = await database.rows
    .select({ line: importRejection.line, reason: importRejection.reason, content: importRejection.content })
    .from(importRejection)
    .where(eq(importRejection.importId, importId))
    .orderBy(importRejection.line, importRejection.number)
    .limit(limit)
    .offset(offset);
  return { total: entry.rowsRejected, rows };
}

/** Names of uploaded files that are still wanted: of imports begun and not ended, and of archives on their way. */
export async function uploadsInUse(database: Database): Promise<Set<string>> {
  const found = await database.client.execute(
    `SELECT stored_as AS name FROM file_import JOIN job ON job.id = job_id WHERE job.state <> 'done'
     UNION SELECT json_extract(request, '$.storedAs') FROM job WHERE kind = 'archive' AND state <> 'done'`,
  );
  return new Set(found.rows.map(({ name }) => String(name)));
}

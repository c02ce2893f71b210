import type { FileExport } from '@opsimath/contract/api/pool';
import { desc, eq } from 'drizzle-orm';
import type { Database } from './storage/connection';
import { fileExport } from './schema';

export async function keepExport(
  database: Database,
  entry: { projectId: number; lookUpId: number; name: string; query: string; rows: number },
): Promise<void> {
  await database.rows.insert(fileExport).values(entry);
}

/** Files written from a look-up's pool, newest first. */
export async function listExports(database: Database, lookUpId: number): Promise<FileExport[]> {
  const rows = await database.rows
    .select()
    .from(fileExport)
    .where(eq(fileExport.lookUpId, lookUpId))
    .orderBy(desc(fileExport.id))
    .limit(50);
  return rows.map(({ projectId: _project, ...row }) => row);
}

import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Database, migrateDatabase, openDatabase } from '../data/storage/connection';

/** A real database file in a temporary folder, with one market. */
export async function temporaryDatabase(): Promise<{ database: Database; file: string; remove: () => void }> {
  const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-data-'));
  const file = path.join(folder, 'opsimath.db');
  const database = await openDatabase(file);
  await migrateDatabase(database, 'server/data/migrations');
  await database.client.execute(
    `INSERT INTO market (code, surface, place, place_name, language, language_name, currency, results_per_page, depth)
     VALUES ('web-us-en', 'web', 'US', 'United States', 'en', 'English', 'USD', 10, 100)`,
  );
  return {
    database,
    file,
    remove: () => {
      database.client.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

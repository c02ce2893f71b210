import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, type InStatement, createClient } from '@libsql/client';
import { type LibSQLDatabase, drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';

export type { InStatement };

/** One thread's connection to the project file. */
export interface Database {
  client: Client;
  rows: LibSQLDatabase<typeof schema>;
}

const BUSY_MS = 15_000;

/** Opens the file with one connection, so that the settings below hold for every statement. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const client = createClient({
    url: pathToFileURL(path.resolve(file)).href,
    concurrency: 1,
    timeout: BUSY_MS,
  });
  await client.execute('PRAGMA journal_mode = WAL');
  await client.execute('PRAGMA synchronous = NORMAL');
  await client.execute('PRAGMA foreign_keys = ON');
  await client.execute(`PRAGMA busy_timeout = ${BUSY_MS}`);
  await client.execute('PRAGMA cache_size = -32768');
  // Large loads touch the same index pages again and again: they are copied into the file less often.
  await client.execute('PRAGMA wal_autocheckpoint = 32768');
  return { client, rows: drizzle(client, { schema }) };
}

/** Brings the file to the newest schema. Once, before any worker opens it. */
export async function migrateDatabase(database: Database, folder: string): Promise<void> {
  await migrate(database.rows, { migrationsFolder: folder });
}

/** All statements or none. */
export async function writeTogether(database: Database, statements: InStatement[]): Promise<void> {
  if (statements.length > 0) await database.client.batch(statements, 'write');
}

import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, type InStatement, createClient } from '@libsql/client';
import { type LibSQLDatabase, drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { PatientClient } from './patientClient';
import * as schema from '../schema';
import { WriteTurn } from './writeTurn';

export type { InStatement };

/** One thread's connection to the project file. */
export interface Database {
  client: Pick<Client, 'execute' | 'batch' | 'close'>;
  rows: LibSQLDatabase<typeof schema>;
  /** Several steps that stand together or not at all: within them only the database that is given may be used. */
  together<T>(steps: (database: Database) => Promise<T>): Promise<T>;
  /** Empties the log into the file, as far as nobody is reading it. */
  checkpoint(): Promise<void>;
}

/** The driver itself waits this long before it gives the thread back; after that the wait is without standing still. */
const DRIVER_WAIT_MS = 50;
/** Pages of 4 KiB after which the log is written into the file: 64 MB. */
const LOG_PAGES = 16_384;

const SETTINGS = [
  'PRAGMA journal_mode = WAL',
  // What was confirmed outlasts a power cut.
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  `PRAGMA busy_timeout = ${DRIVER_WAIT_MS}`,
  'PRAGMA cache_size = -32768',
  // Large loads touch the same index pages again and again: they are copied into the file less often.
  `PRAGMA wal_autocheckpoint = ${LOG_PAGES}`,
];

/** Opens the file with one connection, so that the settings hold for every statement. Threads share the turn to write. */
export async function openDatabase(
  file: string,
  turn: WriteTurn = new WriteTurn(),
  patienceMs?: number,
): Promise<Database> {
  mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
  const inner = createClient({
    url: pathToFileURL(path.resolve(file)).href,
    concurrency: 1,
    timeout: DRIVER_WAIT_MS,
  });
  const client = await PatientClient.over(inner, turn, SETTINGS, patienceMs);
  return {
    client: client as unknown as Client,
    rows: drizzle(client as unknown as Client, { schema }),
    together: (steps) => client.together((transaction) => steps(within(transaction as unknown as Client))),
    checkpoint: () => client.checkpoint(),
  };
}

/** The steps of an open transaction as a database of their own; further steps within are part of it. */
function within(client: Client): Database {
  const database: Database = {
    client,
    rows: drizzle(client, { schema }),
    together: (steps) => steps(database),
    checkpoint: () => Promise.resolve(),
  };
  return database;
}

/** Brings the file to the newest schema. Once, before any worker opens it. */
export async function migrateDatabase(database: Database, folder: string): Promise<void> {
  await migrate(database.rows, { migrationsFolder: folder });
}

/** All statements or none. */
export async function writeTogether(database: Database, statements: InStatement[]): Promise<void> {
  if (statements.length > 0) await database.client.batch(statements, 'write');
}

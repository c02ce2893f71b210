import { stat } from 'node:fs/promises';
import type { Database } from './connection';

/** A log larger than this is written into the file: who copies the file alone shall miss as little as can be. */
const LARGE = 64 * 1024 * 1024;

/** Empties the log into the file when it has grown large. Readers may keep a part of it back until the next time. */
export async function emptyLogWhenLarge(database: Database, file: string): Promise<void> {
  const found = await stat(`${file}-wal`).catch(() => null);
  if (found === null || found.size <= LARGE) return;
  await database.checkpoint().catch(() => undefined);
}

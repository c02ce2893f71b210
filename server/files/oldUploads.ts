import { DAY_MS } from '@opsimath/core/day';
import { readdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import type { Database } from '../data/storage/connection';
import { uploadsInUse } from '../data/imports';

/** Takes away files that were uploaded more than a day ago and that nothing waits for. */
export async function removeOldUploads(
  database: Database,
  folder: string,
  now = Date.now(),
): Promise<string[]> {
  const names = await readdir(folder).catch(() => []);
  const wanted = await uploadsInUse(database);
  const removed: string[] = [];
  for (const name of names) {
    if (wanted.has(name)) continue;
    const file = path.join(folder, name);
    const found = await stat(file).catch(() => null);
    if (found === null || now - found.mtimeMs < DAY_MS) continue;
    await rm(file, { force: true });
    removed.push(name);
  }
  return removed;
}

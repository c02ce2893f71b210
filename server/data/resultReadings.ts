import type { Reading, ReadAbout } from '@opsimath/contract/api/study';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';

/** What was seen on looking at results, by address and what was looked at. */
export async function resultReadings(
  database: Database,
  projectId: number,
  addresses: readonly string[],
): Promise<Map<string, Partial<Record<ReadAbout, string[]>>>> {
  const found = await database.client.execute({
    sql: `SELECT place.address AS address, about, traits FROM json_each(?)
          CROSS JOIN place ON place.address = value
          CROSS JOIN result_reading ON place_id = place.id AND project_id = ?`,
    args: [JSON.stringify(addresses), projectId],
  });
  const readings = new Map<string, Partial<Record<ReadAbout, string[]>>>();
  for (const { address, about, traits } of found.rows) {
    const known = readings.get(String(address)) ?? {};
    known[about as ReadAbout] = JSON.parse(String(traits)) as string[];
    readings.set(String(address), known);
  }
  return readings;
}

/** Keeps what was seen at an address that has been captured; without traits it counts as never looked at. */
export async function keepReading(
  database: Database,
  projectId: number,
  { address, about, traits }: Reading,
): Promise<void> {
  const [place] = (
    await database.client.execute({ sql: 'SELECT id FROM place WHERE address = ?', args: [address] })
  ).rows;
  if (!place)
    throw new KnownProblem('no-such-place', `${address} was never seen.`, 'Open the dossier again.');
  await database.client.execute(
    traits === null
      ? {
          sql: 'DELETE FROM result_reading WHERE project_id = ? AND place_id = ? AND about = ?',
          args: [projectId, place.id!, about],
        }
      : {
          sql: 'INSERT OR REPLACE INTO result_reading (project_id, place_id, about, traits) VALUES (?, ?, ?, ?)',
          args: [projectId, place.id!, about, JSON.stringify([...new Set(traits)])],
        },
  );
}

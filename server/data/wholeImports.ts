import { type Database, writeTogether } from './storage/connection';

/**
 * Lets all that the reading of a file has brought count, at one moment: its segments, and of rankings the targets of its pool.
 * What was let before counts on.
 */
export async function releaseImport(database: Database, importId: number): Promise<void> {
  await writeTogether(database, [
    {
      sql: `INSERT INTO look_up_target (look_up_id, address, held_by, state, rows)
            SELECT look_up_id, subject, look_up_id, 'done', sum(rows) FROM segment
            WHERE import_id = ? AND kind = 'rankings' AND look_up_id IS NOT NULL AND superseded = 0
            GROUP BY look_up_id, subject
            ON CONFLICT (look_up_id, address) DO UPDATE SET rows = excluded.rows`,
      args: [importId],
    },
    {
      sql: `UPDATE look_up SET date = (SELECT max(segment.date) FROM segment WHERE segment.look_up_id = look_up.id)
            WHERE id IN (SELECT look_up_id FROM segment WHERE import_id = ? AND kind = 'rankings')`,
      args: [importId],
    },
    { sql: 'UPDATE segment SET pending = 0 WHERE pending = 1 AND import_id = ?', args: [importId] },
  ]);
}

/** The same for every file that was being read when the program ended: those that go on add to it. */
export async function releaseAllImports(database: Database): Promise<void> {
  const waiting = await database.client.execute(
    'SELECT DISTINCT import_id AS id FROM segment WHERE pending = 1 AND import_id IS NOT NULL',
  );
  for (const { id } of waiting.rows) await releaseImport(database, Number(id));
}

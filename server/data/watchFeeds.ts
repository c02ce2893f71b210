import { randomBytes } from 'node:crypto';
import type { Database } from './storage/connection';

/** The secret in the address of a project’s feed; `null` without one. */
export async function feedSecret(database: Database, projectId: number): Promise<string | null> {
  const { rows } = await database.client.execute({
    sql: 'SELECT secret FROM watch_feed WHERE project_id = ?',
    args: [projectId],
  });
  return rows[0] ? String(rows[0].secret) : null;
}

/** Gives a feed another address; the one before leads nowhere from then on. */
export async function renewFeed(database: Database, projectId: number): Promise<string> {
  const secret = randomBytes(24).toString('base64url');
  await database.client.execute({
    sql: `INSERT INTO watch_feed (project_id, secret) VALUES (?, ?)
          ON CONFLICT (project_id) DO UPDATE SET secret = excluded.secret`,
    args: [projectId, secret],
  });
  return secret;
}

export async function closeFeed(database: Database, projectId: number): Promise<void> {
  await database.client.execute({ sql: 'DELETE FROM watch_feed WHERE project_id = ?', args: [projectId] });
}

/** Whose feed a secret opens; `null` for one that is closed or never was. */
export async function projectOfFeed(database: Database, secret: string): Promise<number | null> {
  const { rows } = await database.client.execute({
    sql: 'SELECT project_id AS id FROM watch_feed WHERE secret = ?',
    args: [secret],
  });
  return rows[0] ? Number(rows[0].id) : null;
}

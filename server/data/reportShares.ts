import { randomBytes } from 'node:crypto';
import type { Share } from '@opsimath/contract/api/reports';
import { DAY_MS } from '@opsimath/core/day';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

interface Row {
  id: number;
  secret: string;
  until: string;
  revoked: string | null;
}

const pathOf = (secret: string): string => `/api/shared?key=${secret}`;
const isOpen = ({ until, revoked }: Pick<Row, 'until' | 'revoked'>, now: Date): boolean =>
  revoked === null && until > now.toISOString();

/** Addresses that a frozen report was given, the newest first; closed ones without their address. */
export async function listShares(database: Database, projectId: number, frozenId: number): Promise<Share[]> {
  const found = await database.client.execute({
    sql: `SELECT id, secret, until_at AS "until", revoked_at AS revoked FROM report_share
          WHERE project_id = ? AND frozen_id = ? ORDER BY id DESC`,
    args: [projectId, frozenId],
  });
  const now = new Date();
  return rawRows<Row>(found).map((row) => {
    const open = isOpen(row, now);
    return { id: row.id, path: open ? pathOf(row.secret) : null, until: row.until, open };
  });
}

/** Gives a frozen report an address that can be read for some days. */
export async function addShare(
  database: Database,
  projectId: number,
  frozenId: number,
  days: number,
): Promise<void> {
  await database.client.execute({
    sql: 'INSERT INTO report_share (project_id, frozen_id, secret, until_at) VALUES (?, ?, ?, ?)',
    args: [
      projectId,
      frozenId,
      randomBytes(24).toString('base64url'),
      new Date(Date.now() + days * DAY_MS).toISOString(),
    ],
  });
}

/** Closes an address for good. */
export async function revokeShare(
  database: Database,
  projectId: number,
  frozenId: number,
  id: number,
): Promise<void> {
  await database.client.execute({
    sql: 'UPDATE report_share SET revoked_at = ? WHERE project_id = ? AND frozen_id = ? AND id = ? AND revoked_at IS NULL',
    args: [new Date().toISOString(), projectId, frozenId, id],
  });
}

/** Which frozen report an address opens; `null` for one that is closed, over, or never was. */
export async function sharedBy(
  database: Database,
  secret: string,
): Promise<{ project: number; frozen: number } | null> {
  const found = await database.client.execute({
    sql: `SELECT project_id AS project, frozen_id AS frozen, until_at AS "until", revoked_at AS revoked
          FROM report_share WHERE secret = ?`,
    args: [secret],
  });
  const [row] = rawRows<Omit<Row, 'id' | 'secret'> & { project: number; frozen: number }>(found);
  return row && isOpen(row, new Date()) ? { project: row.project, frozen: row.frozen } : null;
}

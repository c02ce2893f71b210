import type { Audit } from '@opsimath/contract/api/reports';
import { audit } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Audits, the newest first. */
export async function listAudits(database: Database): Promise<Audit[]> {
  const found = await database.client.execute(
    `SELECT audit.project_id AS project, report_id AS report, project.name, address, market.code AS market, date,
            job_id AS job
     FROM audit JOIN project ON project.id = audit.project_id JOIN market ON market.id = market_id
     ORDER BY audit.project_id DESC`,
  );
  return rawRows<Audit>(found);
}

export async function addAudit(database: Database, row: typeof audit.$inferInsert): Promise<void> {
  await database.rows.insert(audit).values(row);
}

/** Whether a project is the room of an audit: what stands there as ours is somebody else’s. */
export async function isAuditRoom(database: Database, projectId: number): Promise<boolean> {
  const found = await database.client.execute({
    sql: 'SELECT 1 FROM audit WHERE project_id = ?',
    args: [projectId],
  });
  return found.rows.length > 0;
}

/** Takes an audit away with its room and all that is its own, where a report is the one of an audit; facts that others share stay. */
export async function removeAuditOf(
  database: Database,
  projectId: number,
  reportId: number,
): Promise<boolean> {
  const done = await database.client.execute({
    sql: 'DELETE FROM project WHERE id IN (SELECT project_id FROM audit WHERE project_id = ? AND report_id = ?)',
    args: [projectId, reportId],
  });
  return done.rowsAffected > 0;
}

import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { type FrozenContent, frozenContent } from '@opsimath/contract/api/reportContent';
import type { FrozenReport } from '@opsimath/contract/api/reports';
import { canonical } from '@opsimath/core/report/canonical';
import { KnownProblem } from '../problems/problem';
import { frozenReport } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

const pack = promisify(gzip);
const unpack = promisify(gunzip);

/** SHA-256 of what is frozen, in hexadecimal: of its JSON with all names in order. */
export const checksumOf = (frozen: FrozenContent): string =>
  createHash('sha256').update(canonical(frozen)).digest('hex');

/** Keeps a report as it is. */
export async function freeze(
  database: Database,
  projectId: number,
  frozen: FrozenContent,
  { report, planned }: { report: number | null; planned: boolean },
): Promise<number> {
  const { title, market, date, compare } = frozen.content;
  const text = canonical(frozen);
  const packed = (await pack(text)).toString('base64');
  const [added] = await database.rows
    .insert(frozenReport)
    .values({
      projectId,
      reportId: report,
      ...{ title, market, date, compare, packed, planned },
      checksum: createHash('sha256').update(text).digest('hex'),
    })
    .returning({ id: frozenReport.id });
  return added!.id;
}

const SELECT = `SELECT id, report_id AS report, title, market, date, compare, created_at AS madeAt, checksum, planned,
    (SELECT count(*) FROM report_share WHERE frozen_id = frozen_report.id AND revoked_at IS NULL
       AND until_at > strftime('%Y-%m-%dT%H:%M:%fZ','now')) AS shares FROM frozen_report`;
const read = ({ planned, ...row }: Omit<FrozenReport, 'planned'> & { planned: number }): FrozenReport => ({
  ...row,
  planned: planned !== 0,
});

/** What was frozen in a project, the newest first. */
export async function listFrozen(database: Database, projectId: number): Promise<FrozenReport[]> {
  const found = await database.client.execute({
    sql: `${SELECT} WHERE project_id = ? ORDER BY id DESC`,
    args: [projectId],
  });
  return rawRows<FrozenReport & { planned: never }>(found).map(read);
}

/** A frozen report with what is kept, and whether that still has its checksum. */
export async function frozenById(
  database: Database,
  projectId: number,
  id: number,
): Promise<{ frozen: FrozenReport; kept: FrozenContent; asItWas: boolean }> {
  const found = await database.client.execute({
    sql: `${SELECT} WHERE project_id = ? AND id = ?`,
    args: [projectId, id],
  });
  const [row] = rawRows<FrozenReport & { planned: never }>(found);
  if (!row)
    throw new KnownProblem('no-such-report', 'This frozen report is gone.', 'Open the reports again.');
  const held = await database.client.execute({
    sql: 'SELECT packed FROM frozen_report WHERE id = ?',
    args: [id],
  });
  const text = (await unpack(Buffer.from(String(held.rows[0]!.packed), 'base64'))).toString('utf8');
  const checksum = createHash('sha256').update(text).digest('hex');
  const frozen = read(row);
  return { frozen, kept: frozenContent.parse(JSON.parse(text)), asItWas: checksum === frozen.checksum };
}

export async function removeFrozen(database: Database, projectId: number, id: number): Promise<void> {
  await database.client.execute({
    sql: 'DELETE FROM frozen_report WHERE project_id = ? AND id = ?',
    args: [projectId, id],
  });
}

import {
  type ReportDocument,
  type ReportListed,
  type SavedReport,
  reportDocument,
} from '@opsimath/contract/api/reports';
import { and, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { changedMeanwhile } from './editions';
import { type ReportPlan, plansOf } from './reportPlans';
import { report } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Reports of a project, what was touched last first. */
export async function listReports(database: Database, projectId: number): Promise<ReportListed[]> {
  const found = await database.client.execute({
    sql: `SELECT id, template, json_extract(document, '$.title') AS title, changed_at AS changedAt,
                 (SELECT count(*) FROM frozen_report WHERE report_id = report.id) AS frozen
          FROM report WHERE project_id = ? ORDER BY changed_at DESC, id DESC`,
    args: [projectId],
  });
  const plans = await plansOf(database, projectId);
  return rawRows<Omit<ReportListed, 'plan'>>(found).map((row) => ({
    ...row,
    plan: planned(plans.get(row.id)),
  }));
}

export async function reportById(database: Database, projectId: number, id: number): Promise<SavedReport> {
  const [found] = await database.rows
    .select()
    .from(report)
    .where(and(eq(report.projectId, projectId), eq(report.id, id)));
  if (!found) throw new KnownProblem('no-such-report', 'This report is gone.', 'Open the reports again.');
  return {
    id,
    template: found.template as SavedReport['template'],
    document: reportDocument.parse(found.document),
    revision: found.revision,
    plan: planned((await plansOf(database, projectId)).get(id)),
  };
}

function planned(plan: ReportPlan | undefined): SavedReport['plan'] {
  return plan ? { market: plan.code, rhythm: plan.rhythm, lastDay: plan.lastDay } : null;
}

export async function addReport(
  database: Database,
  projectId: number,
  template: SavedReport['template'],
  document: ReportDocument,
): Promise<number> {
  const [added] = await database.rows
    .insert(report)
    .values({ projectId, template, document: document as unknown as Record<string, unknown> })
    .returning({ id: report.id });
  return added!.id;
}

/** Changes a report that stands as it was seen; one that somebody else has changed since is left as it is. */
export function changeReport(
  database: Database,
  projectId: number,
  id: number,
  { document, revision }: { document: ReportDocument; revision: number },
): Promise<number> {
  return database.together(async (steps) => {
    const held = await reportById(steps, projectId, id);
    if (held.revision !== revision) throw changedMeanwhile('this report', ['document']);
    await steps.rows
      .update(report)
      .set({
        document: document as unknown as Record<string, unknown>,
        revision: revision + 1,
        changedAt: new Date().toISOString(),
      })
      .where(eq(report.id, id));
    return revision + 1;
  });
}

/** Takes a report away; what was frozen of it stays. */
export async function removeReport(database: Database, projectId: number, id: number): Promise<void> {
  await reportById(database, projectId, id);
  await database.rows.delete(report).where(eq(report.id, id));
}

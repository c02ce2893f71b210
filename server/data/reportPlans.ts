import type { REPORT_RHYTHMS } from '@opsimath/contract/api/reports';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

export interface ReportPlan {
  report: number;
  project: number;
  market: number;
  code: string;
  rhythm: (typeof REPORT_RHYTHMS)[number];
  lastDay: string | null;
}

const SELECT = `SELECT report_id AS report, project_id AS project, market_id AS market, market.code AS code, rhythm,
                       last_day AS lastDay FROM report_plan JOIN market ON market.id = market_id`;

/** Plans of a project by their report. */
export async function plansOf(database: Database, projectId: number): Promise<Map<number, ReportPlan>> {
  const found = await database.client.execute({ sql: `${SELECT} WHERE project_id = ?`, args: [projectId] });
  return new Map(rawRows<ReportPlan>(found).map((plan) => [plan.report, plan]));
}

export async function allReportPlans(database: Database): Promise<ReportPlan[]> {
  return rawRows<ReportPlan>(await database.client.execute(`${SELECT} ORDER BY report_id`));
}

/** Says when a report is made by itself; `null` never. */
export async function planReport(
  database: Database,
  projectId: number,
  reportId: number,
  plan: { market: number; rhythm: ReportPlan['rhythm'] } | null,
): Promise<void> {
  await database.client.execute(
    plan === null
      ? { sql: 'DELETE FROM report_plan WHERE report_id = ? AND project_id = ?', args: [reportId, projectId] }
      : {
          sql: `INSERT INTO report_plan (report_id, project_id, market_id, rhythm) VALUES (?, ?, ?, ?)
                ON CONFLICT (report_id) DO UPDATE SET market_id = excluded.market_id, rhythm = excluded.rhythm`,
          args: [reportId, projectId, plan.market, plan.rhythm],
        },
  );
}

/** Notes that a report was made of a day; `false` where somebody else was first. */
export async function noteReported(
  database: Database,
  { report, lastDay }: Pick<ReportPlan, 'report' | 'lastDay'>,
  day: string,
): Promise<boolean> {
  const done = await database.client.execute({
    sql: 'UPDATE report_plan SET last_day = ? WHERE report_id = ? AND last_day IS ?',
    args: [day, report, lastDay],
  });
  return done.rowsAffected > 0;
}

/** The newest day of which a market has captures that no unfinished work is still adding to; `null` without one. */
export async function newestCapturedDay(
  database: Database,
  { project, market }: Pick<ReportPlan, 'project' | 'market'>,
): Promise<string | null> {
  const found = await database.client.execute({
    sql: `SELECT max(date) AS day FROM segment
          WHERE kind = 'captures' AND superseded = 0 AND pending = 0 AND market_id = ?1
            AND NOT EXISTS (SELECT 1 FROM job WHERE project_id = ?2 AND kind = 'captures' AND state IN ('queued', 'running'))`,
    args: [market, project],
  });
  return typeof found.rows[0]?.day === 'string' ? found.rows[0].day : null;
}

import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

export interface WatchPlan {
  project: number;
  market: number;
  code: string;
  /** 1 is Monday; none: switched off. */
  weekdays: number[];
  lastDay: string | null;
  trouble: string;
}

/** All plans that are switched on, or those of one project and market, on or off. */
export async function watchPlans(
  database: Database,
  of: { project: number; market: number } | null = null,
): Promise<WatchPlan[]> {
  const found = await database.client.execute({
    sql: `SELECT project_id AS project, market_id AS market, market.code AS code, weekdays, last_day AS lastDay, trouble
          FROM watch_plan JOIN market ON market.id = market_id
          WHERE ${of ? 'project_id = ? AND market_id = ?' : "weekdays <> '[]'"} ORDER BY project_id, market_id`,
    args: of ? [of.project, of.market] : [],
  });
  return rawRows<Omit<WatchPlan, 'weekdays'> & { weekdays: string }>(found).map((row) => ({
    ...row,
    weekdays: JSON.parse(row.weekdays) as number[],
  }));
}

/** Says on which days tracked keywords of a market are captured. */
export async function planWatch(
  database: Database,
  project: number,
  market: number,
  weekdays: readonly number[],
): Promise<void> {
  await database.client.execute({
    sql: `INSERT INTO watch_plan (project_id, market_id, weekdays) VALUES (?, ?, ?)
          ON CONFLICT (project_id, market_id) DO UPDATE SET weekdays = excluded.weekdays, trouble = ''`,
    args: [project, market, JSON.stringify(weekdays)],
  });
}

/** Notes that a plan has started a capture on a day, or why it did not; once a day at most, whoever looks. */
export async function noteWatched(
  database: Database,
  { project, market, lastDay }: Pick<WatchPlan, 'project' | 'market' | 'lastDay'>,
  { day, trouble }: { day: string | null; trouble: string },
): Promise<boolean> {
  const done = await database.client.execute({
    sql: `UPDATE watch_plan SET last_day = coalesce(?, last_day), trouble = ?
          WHERE project_id = ? AND market_id = ? AND last_day IS ?`,
    args: [day, trouble, project, market, lastDay],
  });
  return done.rowsAffected > 0;
}

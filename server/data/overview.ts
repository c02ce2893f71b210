import type { ProjectOverview } from '@opsimath/contract/api/projects';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Counts for the stages row, and the dates that the scope bar can offer. */
export async function projectOverviewOf(
  database: Database,
  projectId: number,
  marketCode: string | undefined,
): Promise<Omit<ProjectOverview, 'keywords'>> {
  const market = marketCode ?? null;
  const counts = await database.client.execute({
    sql: `SELECT
      (SELECT count(*) FROM target WHERE project_id = ?1 AND side = 'own') AS own,
      (SELECT count(*) FROM target WHERE project_id = ?1 AND side = 'rival') AS rival,
      (SELECT count(*) FROM look_up JOIN market ON market.id = market_id
        WHERE project_id = ?1 AND (?2 IS NULL OR code = ?2)) AS lookUps,
      (SELECT count(*) FROM file_import WHERE project_id = ?1) AS imports,
      (SELECT count(*) FROM tracked WHERE project_id = ?1) AS tracked,
      (SELECT count(*) FROM verdict JOIN keyword ON keyword.id = keyword_id JOIN market ON market.id = market_id
        WHERE project_id = ?1 AND verdict = 'fit' AND (?2 IS NULL OR code = ?2)) AS fits,
      (SELECT count(*) FROM task WHERE project_id = ?1 AND state = 'in' AND NOT EXISTS
        (SELECT 1 FROM published_change WHERE task_id = task.id AND state <> 'asked')) AS tasks,
      (SELECT count(*) FROM draft JOIN market ON market.id = market_id
        WHERE project_id = ?1 AND (?2 IS NULL OR code = ?2)) AS drafts`,
    args: [projectId, market],
  });
  const dates = await database.client.execute({
    sql: `SELECT date, sum(CASE WHEN kind = 'captures' THEN rows ELSE 0 END) AS captures,
                 sum(CASE WHEN kind = 'rankings' THEN rows ELSE 0 END) AS rankings
          FROM segment JOIN market ON market.id = market_id
          WHERE kind IN ('captures', 'rankings') AND superseded = 0 AND pending = 0 AND (?1 IS NULL OR code = ?1) GROUP BY date ORDER BY date DESC`,
    args: [market],
  });
  const row =
    rawRows<
      Record<'own' | 'rival' | 'lookUps' | 'imports' | 'tracked' | 'fits' | 'tasks' | 'drafts', number>
    >(counts)[0]!;
  return {
    targets: { own: row.own, rival: row.rival },
    lookUps: row.lookUps,
    imports: row.imports,
    tracked: row.tracked,
    fits: row.fits,
    tasks: row.tasks,
    drafts: row.drafts,
    dates: rawRows<ProjectOverview['dates'][number]>(dates),
  };
}

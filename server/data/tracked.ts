import type { Database } from './storage/connection';

/** Starts following keywords; those followed already keep their first day. */
export async function track(
  database: Database,
  projectId: number,
  keywordIds: readonly number[],
  since: string,
): Promise<void> {
  await database.client.execute({
    sql: `INSERT OR IGNORE INTO tracked (project_id, keyword_id, since)
          SELECT ?, keyword.id, ? FROM json_each(?) CROSS JOIN keyword ON keyword.id = value`,
    args: [projectId, since, JSON.stringify(keywordIds)],
  });
}

export async function stopTracking(
  database: Database,
  projectId: number,
  keywordIds: readonly number[],
): Promise<void> {
  await database.client.execute({
    sql: 'DELETE FROM tracked WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?))',
    args: [projectId, JSON.stringify(keywordIds)],
  });
}

/** Ids of the keywords that a project follows in a market, ascending. */
export async function trackedKeywords(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<number[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS id FROM tracked JOIN keyword ON keyword.id = keyword_id
          WHERE project_id = ? AND market_id = ? ORDER BY keyword_id`,
    args: [projectId, marketId],
  });
  return answer.rows.map((row) => Number(row.id));
}

/** Which of some keywords a project follows. */
export async function trackedAmong(
  database: Database,
  projectId: number,
  ids: readonly number[],
): Promise<Set<number>> {
  const answer = await database.client.execute({
    sql: 'SELECT keyword_id AS id FROM tracked WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?))',
    args: [projectId, JSON.stringify(ids)],
  });
  return new Set(answer.rows.map((row) => Number(row.id)));
}

import { type Action, ACTIONS } from '@opsimath/core/gap/action';
import { assertProjectAndKeyword } from './assertKeyword';
import type { Database } from './storage/connection';

/** What somebody chose to do about a keyword, who, and when. */
export interface ChosenAction {
  action: Action;
  person: string;
  at: string;
}

/** Chooses what to do about a keyword; `null` leaves it to what is worth most. */
export async function chooseAction(
  database: Database,
  projectId: number,
  keywordId: number,
  action: Action | null,
  person: string,
): Promise<void> {
  await assertProjectAndKeyword(database, projectId, keywordId, 'Open the gaps again.');
  await database.client.execute(
    action === null
      ? {
          sql: 'DELETE FROM chosen_action WHERE project_id = ? AND keyword_id = ?',
          args: [projectId, keywordId],
        }
      : {
          sql: `INSERT INTO chosen_action (project_id, keyword_id, action, person) VALUES (?, ?, ?, ?)
                ON CONFLICT (project_id, keyword_id) DO UPDATE
                SET action = excluded.action, person = excluded.person, created_at = excluded.created_at`,
          args: [projectId, keywordId, action, person],
        },
  );
}

export async function chosenActionOf(
  database: Database,
  projectId: number,
  keywordId: number,
): Promise<ChosenAction | null> {
  const found = await database.client.execute({
    sql: 'SELECT action, person, created_at AS at FROM chosen_action WHERE project_id = ? AND keyword_id = ?',
    args: [projectId, keywordId],
  });
  const row = found.rows[0];
  return row
    ? { action: String(row.action) as Action, person: String(row.person), at: String(row.at) }
    : null;
}

/** All choices of a project in a market, by keyword: indices into ACTIONS. */
export async function chosenActions(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<Map<number, number>> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS id, action FROM chosen_action JOIN keyword ON keyword.id = keyword_id AND market_id = ?
          WHERE project_id = ?`,
    args: [marketId, projectId],
  });
  return new Map(
    found.rows.flatMap((row) => {
      const index = ACTIONS.indexOf(String(row.action) as Action);
      return index < 0 ? [] : [[Number(row.id), index] as const];
    }),
  );
}

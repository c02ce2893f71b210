import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Which target somebody said is to answer each keyword of a market. */
export async function answeringTargets(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<Map<number, { address: string; person: string }>> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS id, address, person FROM answering JOIN keyword ON keyword.id = keyword_id AND market_id = ?
          WHERE project_id = ?`,
    args: [marketId, projectId],
  });
  return new Map(
    rawRows<{ id: number; address: string; person: string }>(found).map(({ id, ...rest }) => [id, rest]),
  );
}

/** Says which target is to answer a keyword; `null` leaves it to the proposal. */
export async function answerBy(
  database: Database,
  projectId: number,
  keywordId: number,
  address: string | null,
  person: string,
): Promise<void> {
  await database.client.execute(
    address === null
      ? { sql: 'DELETE FROM answering WHERE project_id = ? AND keyword_id = ?', args: [projectId, keywordId] }
      : {
          sql: `INSERT INTO answering (project_id, keyword_id, address, person) VALUES (?, ?, ?, ?)
                ON CONFLICT (project_id, keyword_id) DO UPDATE SET address = excluded.address, person = excluded.person`,
          args: [projectId, keywordId, address, person],
        },
  );
}

/** Work on targets that have no address yet, and drafts of such: each planned target once. */
export async function plannedTargets(
  database: Database,
  projectId: number,
  market: string,
): Promise<
  { task: number | null; draft: number | null; name: string; lead: { id: number; text: string } | null }[]
> {
  const found = await database.client.execute({
    sql: `SELECT task.id AS task, draft.id AS draft, coalesce(draft.name, task.title) AS name, keyword.id AS lead, keyword.text
          FROM task JOIN market ON market.id = task.market_id AND market.code = ?2
               JOIN keyword ON keyword.id = task.keyword_id
               LEFT JOIN draft ON draft.task_id = task.id
          WHERE task.project_id = ?1 AND task.address = '' AND task.state IN ('in', 'put off')
                AND task.action NOT IN ('advertise', 'trim bid') AND coalesce(draft.address, '') = ''
          UNION ALL
          SELECT NULL, draft.id, draft.name, keyword.id, keyword.text
          FROM draft JOIN market ON market.id = draft.market_id AND market.code = ?2
               LEFT JOIN keyword ON keyword.id = json_extract(draft.keywords, '$[0]')
          WHERE draft.project_id = ?1 AND draft.address = '' AND draft.task_id IS NULL AND draft.kind <> 'ad group'`,
    args: [projectId, market],
  });
  return rawRows<{
    task: number | null;
    draft: number | null;
    name: string;
    lead: number | null;
    text: string | null;
  }>(found).map(({ task: work, draft, name, lead, text }) => ({
    task: work,
    draft,
    name,
    lead: lead === null ? null : { id: lead, text: text ?? '' },
  }));
}

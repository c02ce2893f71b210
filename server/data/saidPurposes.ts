import { PURPOSES, type Purpose } from '@opsimath/core/sift/purpose';
import { assertProjectAndKeyword } from './assertKeyword';
import type { Database } from './storage/connection';

/** Says what a search is for; `null` leaves it to the rules. */
export async function sayPurpose(
  database: Database,
  projectId: number,
  keywordId: number,
  purpose: Purpose | null,
  person: string,
): Promise<void> {
  await assertProjectAndKeyword(database, projectId, keywordId, 'Open the pool again.');
  await database.client.execute(
    purpose === null
      ? {
          sql: 'DELETE FROM said_purpose WHERE project_id = ? AND keyword_id = ?',
          args: [projectId, keywordId],
        }
      : {
          sql: `INSERT INTO said_purpose (project_id, keyword_id, purpose, person) VALUES (?, ?, ?, ?)
                ON CONFLICT (project_id, keyword_id) DO UPDATE
                SET purpose = excluded.purpose, person = excluded.person, created_at = excluded.created_at`,
          args: [projectId, keywordId, purpose, person],
        },
  );
}

/** What was said by hand in a project and market, by keyword: who and when beside it. */
export async function saidPurposes(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<Map<number, { purpose: Purpose; person: string; day: string }>> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS id, purpose, person, substr(said_purpose.created_at, 1, 10) AS day FROM said_purpose
          JOIN keyword ON keyword.id = keyword_id AND market_id = ? WHERE project_id = ?`,
    args: [marketId, projectId],
  });
  return new Map(
    found.rows.flatMap(({ id, purpose, person, day }) => {
      const known = PURPOSES.find((each) => each === purpose);
      return known
        ? [[Number(id), { purpose: known, person: String(person), day: String(day) }] as const]
        : [];
    }),
  );
}

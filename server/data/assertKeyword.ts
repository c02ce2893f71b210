import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';

/**
 * Something is to be said of a keyword in a project: both must be there.
 * @param todo what to do where the keyword is not known
 * @throws KnownProblem no-such-project, no-such-keyword
 */
export async function assertProjectAndKeyword(
  database: Database,
  projectId: number,
  keywordId: number,
  todo: string,
): Promise<void> {
  const known = await database.client.execute({
    sql: 'SELECT (SELECT 1 FROM project WHERE id = ?1) AS project, (SELECT 1 FROM keyword WHERE id = ?2) AS keyword',
    args: [projectId, keywordId],
  });
  if (!known.rows[0]!.project) throw new KnownProblem('no-such-project', `There is no project ${projectId}.`);
  if (!known.rows[0]!.keyword) throw new KnownProblem('no-such-keyword', 'This keyword is not known.', todo);
}

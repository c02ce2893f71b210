import type { JudgementsAnswer, KeptJudgement, judgement } from '@opsimath/contract/api/sift';
import { VERDICTS, type Verdict } from '@opsimath/core/sift/sieve';
import type { z } from 'zod';
import { KnownProblem } from '../problem';
import { type Database, writeTogether } from './connection';
import { noteLeaves } from './wordLeaves';

type Change = z.output<typeof judgement>;

/** Judges keywords; one that becomes unjudged again and is not parked has no row. Gives what stood before and after. */
export async function judge(
  database: Database,
  projectId: number,
  changes: readonly Change[],
  person: string,
): Promise<JudgementsAnswer> {
  const ids = [...new Set(changes.map(({ keyword }) => keyword))];
  const known = await database.client.execute({
    sql: 'SELECT count(*) AS known FROM keyword WHERE id IN (SELECT value FROM json_each(?))',
    args: [JSON.stringify(ids)],
  });
  if (Number(known.rows[0]!.known) !== ids.length)
    throw new KnownProblem('no-such-keyword', 'One of these keywords is not known.', 'Open the pool again.');
  const before = await judgementsOf(database, projectId, ids);
  await writeTogether(database, [
    {
      sql: `INSERT INTO verdict (project_id, keyword_id, verdict, parked, reason, person)
            SELECT ?1, value ->> 'keyword', value ->> 'verdict', value ->> 'parked', value ->> 'reason', ?2
            FROM json_each(?3) WHERE true
            ON CONFLICT (project_id, keyword_id) DO UPDATE SET verdict = excluded.verdict, parked = excluded.parked,
              reason = excluded.reason, person = excluded.person,
              created_at = strftime('%Y-%m-%dT%H:%M:%fZ','now')`,
      args: [projectId, person, JSON.stringify(changes)],
    },
    {
      sql: `DELETE FROM verdict WHERE project_id = ? AND verdict = 'unjudged' AND parked = 0 AND reason = ''`,
      args: [projectId],
    },
  ]);
  await noteLeaves(database, projectId, changes, person);
  return { before, after: await judgementsOf(database, projectId, ids) };
}

/** What stands for some keywords, in their order; unjudged where nobody has said anything. */
export async function judgementsOf(
  database: Database,
  projectId: number,
  ids: readonly number[],
): Promise<KeptJudgement[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, verdict, parked, reason, person, created_at AS decidedAt FROM verdict
          WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?))`,
    args: [projectId, JSON.stringify(ids)],
  });
  const kept = new Map(answer.rows.map((row) => [Number(row.keyword), row]));
  return ids.map((keyword) => {
    const row = kept.get(keyword);
    if (!row) return { keyword, verdict: 'unjudged', parked: false, reason: '', person: '', decidedAt: '' };
    const { verdict, parked, reason, person, decidedAt } = row as unknown as KeptJudgement;
    return { keyword, verdict, parked: Boolean(parked), reason, person, decidedAt };
  });
}

/** All verdicts of a project in a market as columns: keyword ids ascending, index into VERDICTS, parked or not. */
export async function verdictColumns(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<{ ids: Int32Array; codes: Uint8Array; parked: Uint8Array }> {
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(id) AS ids, json_group_array(verdict) AS verdicts, json_group_array(parked) AS parked
          FROM (SELECT keyword.id AS id, verdict, parked FROM verdict JOIN keyword ON keyword.id = keyword_id
                WHERE project_id = ? AND market_id = ? ORDER BY keyword.id)`,
    args: [projectId, marketId],
  });
  const { ids, verdicts, parked } = answer.rows[0] as unknown as Record<string, string>;
  const words = JSON.parse(verdicts!) as Verdict[];
  return {
    ids: Int32Array.from(JSON.parse(ids!) as number[]),
    codes: Uint8Array.from(words, (word) => VERDICTS.indexOf(word)),
    parked: Uint8Array.from(JSON.parse(parked!) as number[]),
  };
}

/** Changes whenever somebody judges in a project. */
export async function verdictState(database: Database, projectId: number): Promise<string> {
  const answer = await database.client.execute({
    sql: 'SELECT count(*) AS judged, max(created_at) AS newest FROM verdict WHERE project_id = ?',
    args: [projectId],
  });
  const { judged, newest } = answer.rows[0]!;
  return `${String(judged)}/${String(newest)}`;
}

/** What the keywords of a list were judged to be: ids of the fits, and how many of the others. */
export async function judgedInList(
  database: Database,
  projectId: number,
  listId: number,
): Promise<{ fits: number[]; adjacent: number; off: number; parked: number; judged: number }> {
  const answer = await database.client.execute({
    sql: `SELECT coalesce(json_group_array(keyword_id) FILTER (WHERE verdict = 'fit'), '[]') AS fits,
                 count(*) FILTER (WHERE verdict = 'adjacent') AS adjacent,
                 count(*) FILTER (WHERE verdict = 'off') AS off,
                 count(*) FILTER (WHERE parked = 1 AND verdict = 'unjudged') AS parked
          FROM list_member JOIN verdict USING (keyword_id) WHERE list_id = ? AND project_id = ?`,
    args: [listId, projectId],
  });
  const { fits, adjacent, off, parked } = answer.rows[0]!;
  return {
    fits: JSON.parse(String(fits)) as number[],
    adjacent: Number(adjacent),
    off: Number(off),
    parked: Number(parked),
    judged: Number(adjacent) + Number(off) + Number(parked),
  };
}

import { randomUUID } from 'node:crypto';
import type { JudgementsAnswer, KeptJudgement, judgement } from '@opsimath/contract/api/judgements';
import { VERDICTS, type Verdict } from '@opsimath/core/sift/sieve';
import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { KnownProblem } from '../problems/problem';
import { same } from '@opsimath/contract/api/patch';
import { type Database, type InStatement, writeTogether } from './storage/connection';
import { givenVerdicts } from './schema';
import { noteLeaves } from './wordLeaves';
import { rawRows } from './storage/rawRows';

type Change = z.output<typeof judgement>;

/**
 * Judges keywords; one that becomes unjudged again and is not parked has no row. Gives what stood before and after. The
 * same step sent again changes nothing and gets the same answer.
 */
export function judge(
  database: Database,
  projectId: number,
  changes: readonly Change[],
  person: string,
  id: string = randomUUID(),
): Promise<JudgementsAnswer> {
  return database.together(async (steps) => {
    const known = await givenStep(steps, projectId, id);
    if (known) return known;
    const ids = [...new Set(changes.map(({ keyword }) => keyword))];
    await assertKeywords(steps, ids);
    const before = await judgementsOf(steps, projectId, ids);
    await writeTogether(steps, [
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
    await noteLeaves(steps, projectId, changes, person);
    return keepStep(steps, projectId, {
      id,
      person,
      before,
      after: await judgementsOf(steps, projectId, ids),
    });
  });
}

/**
 * Takes a step of judging back: every keyword that still stands as the step left it stands as it did before, with who
 * had said so and when. One that somebody has judged anew since then stays as it is and is counted.
 */
export function takeJudgementBack(
  database: Database,
  projectId: number,
  takesBack: string,
  person: string,
  id: string = randomUUID(),
): Promise<JudgementsAnswer> {
  return database.together(async (steps) => {
    const known = await givenStep(steps, projectId, id);
    if (known) return known;
    const step = await givenStep(steps, projectId, takesBack);
    if (!step)
      throw new KnownProblem(
        'no-such-address',
        'That step was never taken.',
        'There is nothing to take back.',
      );
    const keywords = step.after.map(({ keyword }) => keyword);
    const now = await judgementsOf(steps, projectId, keywords);
    const stands = now.map((found, n) => same(found, step.after[n]!));
    const before = now.filter((_, n) => stands[n]);
    const after = step.before.filter((_, n) => stands[n]);
    await writeTogether(steps, restoringStatements(projectId, after));
    return keepStep(steps, projectId, { id, person, before, after, newer: now.length - before.length });
  });
}

/** Puts judgements back as they stood, author and moment included. */
function restoringStatements(projectId: number, kept: readonly KeptJudgement[]): InStatement[] {
  return [
    {
      sql: 'DELETE FROM verdict WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?))',
      args: [projectId, JSON.stringify(kept.map(({ keyword }) => keyword))],
    },
    {
      sql: `INSERT INTO verdict (project_id, keyword_id, verdict, parked, reason, person, created_at)
            SELECT ?, value ->> 'keyword', value ->> 'verdict', value ->> 'parked', value ->> 'reason',
                   value ->> 'person', value ->> 'decidedAt' FROM json_each(?)`,
      args: [projectId, JSON.stringify(kept.filter(({ decidedAt }) => decidedAt !== ''))],
    },
  ];
}

async function assertKeywords(database: Database, ids: readonly number[]): Promise<void> {
  const known = await database.client.execute({
    sql: 'SELECT count(*) AS known FROM keyword WHERE id IN (SELECT value FROM json_each(?))',
    args: [JSON.stringify(ids)],
  });
  if (Number(known.rows[0]!.known) !== ids.length)
    throw new KnownProblem('no-such-keyword', 'One of these keywords is not known.', 'Open the pool again.');
}

async function givenStep(
  database: Database,
  projectId: number,
  id: string,
): Promise<JudgementsAnswer | null> {
  const [found] = await database.rows
    .select()
    .from(givenVerdicts)
    .where(and(eq(givenVerdicts.projectId, projectId), eq(givenVerdicts.id, id)));
  if (!found) return null;
  const { pairs, newer } = found;
  return { id, before: pairs.map(({ before }) => before), after: pairs.map(({ after }) => after), newer };
}

async function keepStep(
  database: Database,
  projectId: number,
  step: { id: string; person: string; before: KeptJudgement[]; after: KeptJudgement[]; newer?: number },
): Promise<JudgementsAnswer> {
  const { id, person, before, after, newer = 0 } = step;
  const pairs = before.map((stood, n) => ({ before: stood, after: after[n]! }));
  await database.rows.insert(givenVerdicts).values({ projectId, id, person, pairs, newer });
  return { id, before, after, newer };
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
  const kept = new Map(rawRows<KeptJudgement & { keyword: number }>(answer).map((row) => [row.keyword, row]));
  return ids.map((keyword) => {
    const row = kept.get(keyword);
    if (!row) return { keyword, verdict: 'unjudged', parked: false, reason: '', person: '', decidedAt: '' };
    const { verdict, parked, reason, person, decidedAt } = row;
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
  const { ids, verdicts, parked } = rawRows<Record<string, string>>(answer)[0]!;
  const words = JSON.parse(verdicts!) as Verdict[];
  return {
    ids: Int32Array.from(JSON.parse(ids!) as number[]),
    codes: Uint8Array.from(words, (word) => VERDICTS.indexOf(word)),
    parked: Uint8Array.from(JSON.parse(parked!) as number[]),
  };
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

/** Ids of keywords that were judged, or put off, for one of these reasons; `''` stands for none. */
export async function keywordsJudgedFor(
  database: Database,
  projectId: number,
  reasons: readonly string[],
): Promise<number[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword FROM verdict
          WHERE project_id = ? AND reason IN (SELECT value FROM json_each(?))`,
    args: [projectId, JSON.stringify(reasons)],
  });
  return rawRows<{ keyword: number }>(answer).map(({ keyword }) => keyword);
}

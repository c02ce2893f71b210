import type { VariantChoices } from '@opsimath/contract/api/variants';
import { KnownProblem } from '../problems/problem';
import { type Database, writeTogether } from './storage/connection';

type Choice = VariantChoices['choices'][number];

/** What was decided by hand in a market: under which keyword another belongs, by ids. */
export async function variantChoices(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<{ keyword: number; under: number }[]> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, under_id AS under FROM variant_choice
          JOIN keyword ON keyword.id = keyword_id WHERE project_id = ? AND market_id = ? ORDER BY keyword_id`,
    args: [projectId, marketId],
  });
  return answer.rows.map(({ keyword, under }) => ({ keyword: Number(keyword), under: Number(under) }));
}

/** Decides, or leaves to the method again; gives what stood before. */
export async function chooseVariants(
  database: Database,
  projectId: number,
  choices: readonly Choice[],
): Promise<Choice[]> {
  const ids = [
    ...new Set(choices.flatMap(({ keyword, under }) => (under === null ? [keyword] : [keyword, under]))),
  ];
  const known = await database.client.execute({
    sql: `SELECT count(*) AS known, count(DISTINCT market_id) AS markets FROM keyword
          WHERE id IN (SELECT value FROM json_each(?))`,
    args: [JSON.stringify(ids)],
  });
  if (Number(known.rows[0]!.known) !== ids.length || Number(known.rows[0]!.markets) > 1)
    throw new KnownProblem(
      'no-such-keyword',
      'One of these keywords is not known in this market.',
      'Open the pool again.',
    );
  const stood = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, under_id AS under FROM variant_choice
          WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?))`,
    args: [projectId, JSON.stringify(choices.map(({ keyword }) => keyword))],
  });
  const before = new Map(stood.rows.map(({ keyword, under }) => [Number(keyword), Number(under)]));
  await writeTogether(database, [
    {
      sql: `DELETE FROM variant_choice WHERE project_id = ? AND keyword_id IN
              (SELECT value ->> 'keyword' FROM json_each(?))`,
      args: [projectId, JSON.stringify(choices)],
    },
    {
      sql: `INSERT INTO variant_choice (project_id, keyword_id, under_id)
            SELECT ?, value ->> 'keyword', value ->> 'under' FROM json_each(?) WHERE value ->> 'under' IS NOT NULL`,
      args: [projectId, JSON.stringify(choices)],
    },
  ]);
  return choices.map(({ keyword }) => ({ keyword, under: before.get(keyword) ?? null }));
}

import type { Verdict } from '@opsimath/core/sift/sieve';
import type { BannedWord } from '@opsimath/contract/api/targets';
import { key } from '@opsimath/core/text/key';
import { listBannedWords } from './bannedWords';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Who let a keyword in although it holds a word that is not to be used. */
interface WordLeave {
  word: string;
  level: BannedWord['level'];
  verdict: Verdict;
  reason: string;
  person: string;
  at: string;
}

/** Notes for good who judged keywords fit or adjacent that hold a word which is not to be used. */
export async function noteLeaves(
  database: Database,
  projectId: number,
  changes: readonly { keyword: number; verdict: Verdict; reason: string }[],
  person: string,
): Promise<void> {
  const letIn = changes.filter(({ verdict }) => verdict === 'fit' || verdict === 'adjacent');
  const words = await listBannedWords(database, projectId);
  if (letIn.length === 0 || words.length === 0) return;
  const found = await database.client.execute({
    sql: `SELECT keyword.id AS id, keyword.key AS key, language, surface FROM json_each(?)
          CROSS JOIN keyword ON keyword.id = value JOIN market ON market.id = market_id`,
    args: [JSON.stringify(letIn.map(({ keyword }) => keyword))],
  });
  const known = new Map(found.rows.map((row) => [Number(row.id), row]));
  const leaves = letIn.flatMap(({ keyword, verdict, reason }) => {
    const row = known.get(keyword);
    if (!row) return [];
    const padded = ` ${String(row.key)} `;
    return words
      .filter(
        ({ text, language, surface }) =>
          (language === '' || language === row.language) &&
          (surface === '' || surface === row.surface) &&
          padded.includes(` ${key(text)} `),
      )
      .map(({ text, level }) => ({ keyword, verdict, reason, word: text, level }));
  });
  if (leaves.length === 0) return;
  await writeTogether(database, [
    {
      sql: `INSERT INTO word_leave (project_id, keyword_id, word, level, verdict, reason, person)
            SELECT ?1, value ->> 'keyword', value ->> 'word', value ->> 'level', value ->> 'verdict',
                   value ->> 'reason', ?2 FROM json_each(?3)`,
      args: [projectId, person, JSON.stringify(leaves)],
    },
  ]);
}

/** All of a project by keyword id, the oldest first. */
export async function leavesOf(database: Database, projectId: number): Promise<Map<number, WordLeave[]>> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, word, level, verdict, reason, person, created_at AS at
          FROM word_leave WHERE project_id = ? ORDER BY id`,
    args: [projectId],
  });
  const leaves = new Map<number, WordLeave[]>();
  for (const { keyword, ...leave } of rawRows<WordLeave & { keyword: number }>(answer)) {
    const of = leaves.get(keyword);
    if (of) of.push({ ...leave });
    else leaves.set(keyword, [{ ...leave }]);
  }
  return leaves;
}

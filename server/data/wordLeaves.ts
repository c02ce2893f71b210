import type { Verdict } from '@opsimath/core/sift/sieve';
import type { ResultSet } from '@libsql/client';
import type { BannedWord } from '@opsimath/contract/api/targets';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';
import { type UnwantedWord, unwantedIn, unwantedOf } from './unwantedWords';

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
  if (letIn.length === 0) return;
  const found = await database.client.execute({
    sql: `SELECT keyword.id AS id, keyword.key AS key, language, surface FROM json_each(?)
          CROSS JOIN keyword ON keyword.id = value JOIN market ON market.id = market_id`,
    args: [JSON.stringify(letIn.map(({ keyword }) => keyword))],
  });
  const known = new Map(found.rows.map((row) => [Number(row.id), row]));
  // What is not wanted depends on the market: a project has few.
  const wanted = new Map<string, Promise<UnwantedWord[]>>();
  const unwanted = (language: string, surface: string): Promise<UnwantedWord[]> => {
    const market = `${surface} ${language}`;
    const held = wanted.get(market) ?? unwantedIn(database, projectId, { language, surface });
    wanted.set(market, held);
    return held;
  };
  const leaves = [];
  for (const { keyword, verdict, reason } of letIn) {
    const row = known.get(keyword);
    if (!row) continue;
    const words = await unwanted(String(row.language), String(row.surface));
    for (const { text, level } of unwantedOf(words, String(row.key)))
      leaves.push({ keyword, verdict, reason, word: text, level });
  }
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
  return byKeyword(
    await database.client.execute({
      sql: `SELECT keyword_id AS keyword, word, level, verdict, reason, person, created_at AS at
            FROM word_leave WHERE project_id = ? ORDER BY id`,
      args: [projectId],
    }),
  );
}

/** The same of some keywords. */
export async function leavesAmong(
  database: Database,
  projectId: number,
  keywords: readonly number[],
): Promise<Map<number, WordLeave[]>> {
  if (keywords.length === 0) return new Map();
  return byKeyword(
    await database.client.execute({
      sql: `SELECT keyword_id AS keyword, word, level, verdict, reason, person, created_at AS at
            FROM word_leave WHERE project_id = ? AND keyword_id IN (SELECT value FROM json_each(?)) ORDER BY id`,
      args: [projectId, JSON.stringify(keywords)],
    }),
  );
}

function byKeyword(answer: ResultSet): Map<number, WordLeave[]> {
  const leaves = new Map<number, WordLeave[]>();
  for (const { keyword, ...leave } of rawRows<WordLeave & { keyword: number }>(answer)) {
    const of = leaves.get(keyword);
    if (of) of.push({ ...leave });
    else leaves.set(keyword, [{ ...leave }]);
  }
  return leaves;
}

import { key } from '@opsimath/core/text/key';
import { type Database, writeTogether } from './connection';

export interface KeywordRow {
  id: number;
  key: string;
  text: string;
}

const CHUNK = 20_000;

/**
 * Ids of keywords in a market by key, adding those not met before; display text is kept as first seen.
 * Texts without any letter or number have no id.
 */
export async function keywordIds(
  database: Database,
  marketId: number,
  texts: Iterable<string>,
): Promise<Map<string, number>> {
  const byKey = new Map<string, string>();
  for (const text of texts) {
    const identity = key(text);
    if (identity !== '' && !byKey.has(identity)) byKey.set(identity, text.trim());
  }
  const ids = new Map<string, number>();
  const entries = [...byKey];
  for (let at = 0; at < entries.length; at += CHUNK) {
    const chunk = entries.slice(at, at + CHUNK);
    await findIds(database, marketId, chunk, ids);
    const missing = chunk.filter(([identity]) => !ids.has(identity));
    if (missing.length === 0) continue;
    await writeTogether(database, [
      {
        sql: `INSERT OR IGNORE INTO keyword (market_id, key, text)
              SELECT ?, json_extract(value, '$[0]'), json_extract(value, '$[1]') FROM json_each(?)`,
        args: [marketId, JSON.stringify(missing)],
      },
    ]);
    await findIds(database, marketId, missing, ids);
  }
  return ids;
}

async function findIds(
  database: Database,
  marketId: number,
  entries: readonly [string, string][],
  ids: Map<string, number>,
): Promise<void> {
  // CROSS JOIN keeps the order: a look into the index for each key, never a scan of all keywords.
  const found = await database.client.execute({
    sql: `SELECT keyword.id, keyword.key FROM json_each(?) CROSS JOIN keyword
          ON keyword.market_id = ? AND keyword.key = value`,
    args: [JSON.stringify(entries.map(([identity]) => identity)), marketId],
  });
  for (const row of found.rows) ids.set(String(row.key), Number(row.id));
}

/** Keywords by id, in no particular order. */
export async function keywordsById(
  database: Database,
  ids: Iterable<number>,
): Promise<Map<number, KeywordRow>> {
  const answer = await database.client.execute({
    sql: 'SELECT id, key, text FROM keyword WHERE id IN (SELECT value FROM json_each(?))',
    args: [JSON.stringify([...ids])],
  });
  return new Map(answer.rows.map((row) => [Number(row.id), row as unknown as KeywordRow]));
}

/** All ids of a market in the order of their keys: a sort order that is read once and kept. */
export async function keywordIdsByKey(database: Database, marketId: number): Promise<Int32Array> {
  const answer = await database.client.execute({
    sql: 'SELECT id FROM keyword WHERE market_id = ? ORDER BY key',
    args: [marketId],
  });
  return Int32Array.from(answer.rows, (row) => Number(row.id));
}

/** Ids of the keywords in a market that contain a piece of text anywhere. */
export async function keywordIdsContaining(
  database: Database,
  marketId: number,
  piece: string,
): Promise<Int32Array> {
  const escaped = key(piece).replace(/[\\%_]/g, '\\$&');
  const answer = await database.client.execute({
    sql: `SELECT id FROM keyword WHERE market_id = ? AND key LIKE ? ESCAPE '\\'`,
    args: [marketId, `%${escaped}%`],
  });
  return Int32Array.from(answer.rows, (row) => Number(row.id));
}

/** Smallest and largest keyword id of a market; `null` while it has none. */
export async function keywordIdRange(
  database: Database,
  marketId: number,
): Promise<{ least: number; most: number } | null> {
  const answer = await database.client.execute({
    sql: 'SELECT min(id) AS least, max(id) AS most FROM keyword WHERE market_id = ?',
    args: [marketId],
  });
  const row = answer.rows[0];
  return row?.least === null || row === undefined
    ? null
    : { least: Number(row.least), most: Number(row.most) };
}

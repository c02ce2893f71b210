import type { Database } from './storage/connection';

/** Keys of some keywords of a market, in the order of their ids as given. */
export async function keywordKeys(
  database: Database,
  marketId: number,
  ids: readonly number[],
): Promise<string[]> {
  const text = await keywordKeysText(database, marketId, ids);
  return text === '' ? [] : text.split('\n');
}

/** From so many keywords on, if they are this share of their market, all of the market are read and the rest passed over. */
const MANY = 20_000;
const MOST_OF_ALL = 0.2;

/** The same as one text with line ends between: a million keys are handed on without a string for each. */
export async function keywordKeysText(
  database: Database,
  marketId: number,
  ids: ArrayLike<number>,
): Promise<string> {
  if (ids.length >= MANY) {
    const counted = await database.client.execute({
      sql: 'SELECT count(*) AS all_of_it FROM keyword WHERE market_id = ?',
      args: [marketId],
    });
    if (ids.length >= MOST_OF_ALL * Number(counted.rows[0]!.all_of_it))
      return pickedKeys(database, marketId, ids);
  }
  const answer = await database.client.execute({
    sql: `SELECT coalesce(group_concat(key, char(10)), '') AS keys FROM
            (SELECT keyword.key AS key FROM json_each(?) CROSS JOIN keyword ON keyword.id = value
             WHERE market_id = ?)`,
    args: [`[${Array.prototype.join.call(ids, ',')}]`, marketId],
  });
  return String(answer.rows[0]!.keys);
}

/** Reads a whole market from one side of its index to the other, which is several times faster than keyword by keyword. */
async function pickedKeys(database: Database, marketId: number, ids: ArrayLike<number>): Promise<string> {
  const answer = await database.client.execute({
    sql: `SELECT group_concat(key, char(10)) AS keys, group_concat(id) AS ids FROM
            (SELECT id, key FROM keyword WHERE market_id = ? ORDER BY key)`,
    args: [marketId],
  });
  const keys = String(answer.rows[0]!.keys);
  const held = Int32Array.from(JSON.parse(`[${String(answer.rows[0]!.ids)}]`) as number[]);
  if (held.length === ids.length && held.every((id, n) => id === ids[n])) return keys;
  const base = held.reduce((least, id) => Math.min(least, id), Infinity);
  const starts = new Int32Array(held.reduce((most, id) => Math.max(most, id), base) - base + 1).fill(-1);
  for (let n = 0, from = 0; n < held.length; n++) {
    starts[held[n]! - base] = from;
    from = keys.indexOf('\n', from) + 1;
  }
  const picked: string[] = [];
  for (let n = 0; n < ids.length; n++) {
    const from = starts[ids[n]! - base] ?? -1;
    if (from < 0) continue;
    const to = keys.indexOf('\n', from);
    picked.push(keys.slice(from, to < 0 ? undefined : to));
  }
  return picked.join('\n');
}

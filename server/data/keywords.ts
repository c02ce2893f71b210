import { key, words } from '@opsimath/core/text/key';
import { stem } from '@opsimath/core/text/stems';
import type { Database } from './storage/connection';
import { idsOf } from './keywordWords';
import { rawRows } from './storage/rawRows';

export interface KeywordRow {
  id: number;
  key: string;
  text: string;
}

const CHUNK = 250_000;
const DRAWN = 200;

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
  // Sorted, so that the index is filled from one side to the other rather than at random.
  const keys = [...byKey.keys()].sort();
  const found = await keywordIdsOfKeys(database, marketId, keys, (at) => byKey.get(keys[at]!)!);
  const ids = new Map<string, number>();
  keys.forEach((identity, at) => ids.set(identity, found[at]!));
  return ids;
}

/** Ids of sorted, unique keys, adding those not met before. */
export async function keywordIdsOfKeys(
  database: Database,
  marketId: number,
  keys: readonly string[],
  textOf: (at: number) => string,
): Promise<Int32Array> {
  const ids = new Int32Array(keys.length);
  for (let from = 0; from < keys.length; from += CHUNK) {
    const chunk = keys.slice(from, from + CHUNK);
    const all = chunk.map((_, i) => from + i);
    // Where a few drawn ones are all new, the rest are likely to be: they are added without being looked for.
    const drawn = chunk.filter((_, i) => i % Math.ceil(chunk.length / DRAWN) === 0);
    const isNew = chunk.length > DRAWN && (await findIds(database, marketId, drawn)).every((id) => id === 0);
    const found = isNew ? chunk.map(() => 0) : await findIds(database, marketId, chunk);
    found.forEach((id, i) => (ids[from + i] = id));
    const missing = all.filter((at) => ids[at] === 0);
    if (missing.length === 0) continue;
    const added = missing.map((at): NewKeyword => ({ key: keys[at]!, text: textOf(at) }));
    (await addKeywords(database, marketId, added)).forEach((id, i) => (ids[missing[i]!] = id));
  }
  return ids;
}

/** {@link keywordIds} in the order of the texts; 0 for a text without any letter or number. */
export async function keywordIdsOf(
  database: Database,
  marketId: number,
  texts: readonly string[],
): Promise<Int32Array> {
  const slot = new Map<string, number>();
  const unique: string[] = [];
  const slots = Int32Array.from(texts, (text) => {
    let at = slot.get(text);
    if (at === undefined) slot.set(text, (at = unique.push(text) - 1));
    return at;
  });
  const ids = await keywordIds(database, marketId, unique);
  const bySlot = Int32Array.from(unique, (text) => ids.get(key(text)) ?? 0);
  return slots.map((at) => bySlot[at]!);
}

/** Ids in the order of the keys, 0 where there is none: one text for all, never a row for each. */
export async function findIds(
  database: Database,
  marketId: number,
  keys: readonly string[],
): Promise<number[]> {
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(coalesce((SELECT id FROM keyword WHERE market_id = ? AND key = value), 0)) AS ids
          FROM json_each(?)`,
    args: [marketId, JSON.stringify(keys)],
  });
  return JSON.parse(String(answer.rows[0]!.ids)) as number[];
}

/** Ids of known keywords by key, in the order of the keys; 0 where a market has none. Nothing is added. */
export function keywordIdsOfKnown(
  database: Database,
  marketId: number,
  keys: readonly string[],
): Promise<number[]> {
  return findIds(database, marketId, keys);
}

type NewKeyword = Pick<KeywordRow, 'key' | 'text'>;

/**
 * Most texts are their own keys: those are handed over once, and where all are, none is looked at for being a pair. That
 * there are new keywords is counted once for all of them, where each row of other tables is counted by a trigger.
 */
async function addKeywords(
  database: Database,
  marketId: number,
  entries: readonly NewKeyword[],
): Promise<number[]> {
  const isPair = (entry: NewKeyword): boolean => entry.key !== entry.text;
  const handed = entries.map((entry) => (isPair(entry) ? [entry.key, entry.text] : entry.key));
  const columns = entries.some(isPair)
    ? `iif(type = 'text', value, value ->> 0), iif(type = 'text', value, value ->> 1)`
    : 'value, value';
  const [added] = await database.client.batch(
    [
      {
        sql: `INSERT OR IGNORE INTO keyword (market_id, key, text) SELECT ?, ${columns} FROM json_each(?)`,
        args: [marketId, JSON.stringify(handed)],
      },
      {
        sql: `INSERT INTO ground_revision (ground, scope, revision)
              VALUES ('new keywords', ?, 1)
              ON CONFLICT (ground, scope) DO UPDATE SET revision = revision + 1`,
        args: [`m${marketId}`],
      },
    ],
    'write',
  );
  const last = Number(added!.lastInsertRowid ?? 0);
  // Nobody else added any of them meanwhile: the ids follow one another.
  if (added!.rowsAffected === entries.length) return entries.map((_, i) => last - entries.length + 1 + i);
  return findIds(
    database,
    marketId,
    entries.map((entry) => entry.key),
  );
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
  return new Map(rawRows<KeywordRow>(answer).map((row) => [row.id, row]));
}

/** Keywords of a market whose key begins with some text, in the order of their keys; at most so many. */
export async function keywordsBeginningWith(
  database: Database,
  marketId: number,
  start: string,
  most: number,
): Promise<{ id: number; key: string }[]> {
  const answer = await database.client.execute({
    sql: `SELECT id, key FROM keyword WHERE market_id = ? AND key >= ? AND key < ? ORDER BY key LIMIT ?`,
    args: [marketId, start, `${start}\u{10FFFF}`, most],
  });
  return rawRows<{ id: number; key: string }>(answer);
}

/** All keywords of a market in the order of their keys, and how many words each has; at most 255 are told. */
export async function keywordsByKey(
  database: Database,
  marketId: number,
): Promise<{ ids: Int32Array; words: Uint8Array }> {
  // Both from one look at the file: a keyword may come between two. Words are counted here, where it is quicker.
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(id) AS ids, group_concat(key, char(10)) AS keys FROM
            (SELECT id, key FROM keyword WHERE market_id = ? ORDER BY key)`,
    args: [marketId],
  });
  const { ids, keys } = rawRows<{ ids: string; keys: string | null }>(answer)[0]!;
  const sorted = Int32Array.from(JSON.parse(ids) as number[]);
  return { ids: sorted, words: wordCounts(keys ?? '', sorted.length) };
}

/** Ids of all keywords of a market in the order of their keys: {@link keywordsByKey} without what takes the time. */
export function keywordIdsByKey(database: Database, marketId: number): Promise<Int32Array> {
  return idsOf(database, 'SELECT id FROM keyword WHERE market_id = ? ORDER BY key', [marketId]);
}

/** Words of each line: one more than it has spaces. */
function wordCounts(lines: string, count: number): Uint8Array {
  const counts = new Uint8Array(count);
  let line = 0;
  let words = 1;
  for (let at = 0; line < count; at++) {
    const code = at < lines.length ? lines.charCodeAt(at) : 10;
    if (code === 32) words++;
    else if (code === 10) {
      counts[line++] = Math.min(255, words);
      words = 1;
    }
  }
  return counts;
}

/** Ids of the keywords in a market that contain a piece of text anywhere. */
export function keywordIdsContaining(
  database: Database,
  marketId: number,
  piece: string,
): Promise<Int32Array> {
  const escaped = key(piece).replace(/[\\%_]/g, '\\$&');
  return idsOf(database, `SELECT id FROM keyword WHERE market_id = ? AND key LIKE ? ESCAPE '\\'`, [
    marketId,
    `%${escaped}%`,
  ]);
}

/** Ids of the keywords in a market that a pattern describes as a whole: `*` is any letters, `?` is one. */
export function keywordIdsLike(database: Database, marketId: number, pattern: string): Promise<Int32Array> {
  const glob = pattern.normalize('NFKC').toLowerCase().trim().replace(/\s+/g, ' ');
  return idsOf(database, 'SELECT id FROM keyword WHERE market_id = ? AND key GLOB ?', [marketId, glob]);
}

/** Ids of the keywords of a market that hold a word with one of these stems, ascending. */
export async function keywordIdsByStems(
  database: Database,
  market: { id: number; language: string },
  sought: ReadonlySet<string>,
): Promise<Int32Array> {
  if (sought.size === 0) return new Int32Array(0);
  const answer = await database.client.execute({
    sql: 'SELECT json_group_array(id) AS ids, json_group_array(key) AS keys FROM (SELECT id, key FROM keyword WHERE market_id = ? ORDER BY id)',
    args: [market.id],
  });
  const ids = JSON.parse(String(answer.rows[0]!.ids)) as number[];
  const keys = JSON.parse(String(answer.rows[0]!.keys)) as string[];
  return Int32Array.from(ids).filter((_, i) =>
    words(keys[i]!).some((word) => sought.has(stem(word, market.language))),
  );
}

/** Smallest and largest keyword id of a market; `null` while it has none. */
export async function keywordIdRange(
  database: Database,
  marketId: number,
): Promise<{ least: number; most: number } | null> {
  // By id from either end; the plus keeps the index by key out of it, which would walk through all of the market's.
  const ends = 'SELECT id FROM keyword WHERE +market_id = ? ORDER BY id';
  const answer = await database.client.execute({
    sql: `SELECT (${ends} LIMIT 1) AS least, (${ends} DESC LIMIT 1) AS most`,
    args: [marketId, marketId],
  });
  const row = answer.rows[0];
  return row?.least === null || row === undefined
    ? null
    : { least: Number(row.least), most: Number(row.most) };
}

/** Keywords of one market that another has too, by key: the ids there and here. */
export async function sharedKeywords(
  database: Database,
  marketId: number,
  otherId: number,
): Promise<{ here: number; there: number }[]> {
  const answer = await database.client.execute({
    sql: `SELECT a.id AS here, b.id AS there FROM keyword a JOIN keyword b ON b.market_id = ? AND b.key = a.key
          WHERE a.market_id = ?`,
    args: [otherId, marketId],
  });
  return answer.rows.map((row) => ({ here: Number(row.here), there: Number(row.there) }));
}

import { words } from '@opsimath/core/text/key';
import { matchWords } from '@opsimath/core/text/match';
import type { MatchMode } from '@opsimath/core/text/matchModes';
import { stems } from '@opsimath/core/text/stems';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';

const SORTING_BYTES = 16 * 1024 * 1024;

/** Takes keywords that came since the last time into the word index. Cheap when there are none. */
export async function indexNewKeywords(database: Database): Promise<void> {
  const answer = await database.client.execute(
    'SELECT (SELECT max(id) FROM keyword) AS most, upto FROM keyword_words_mark',
  );
  const { most, upto } = rawRows<{ most: number | null; upto: number }>(answer)[0]!;
  if (most === null || most <= upto) return;
  // The mark is read again inside: another thread may have been faster.
  await writeTogether(database, [
    // Room to sort in: less of it, and a million keywords take twice as long.
    `INSERT INTO keyword_words (keyword_words, rank) VALUES ('hashsize', ${SORTING_BYTES})`,
    `INSERT INTO keyword_words (rowid, key)
     SELECT id, key FROM keyword WHERE id > (SELECT upto FROM keyword_words_mark) ORDER BY id`,
    'UPDATE keyword_words_mark SET upto = coalesce((SELECT max(id) FROM keyword), 0)',
  ]);
}

/** Ids of the keywords of all markets that hold these words, ascending. Both are keys; no words match nothing. */
export async function keywordIdsHolding(
  database: Database,
  sought: string,
  mode: MatchMode,
): Promise<Int32Array> {
  const wanted = words(sought);
  if (wanted.length === 0) return new Int32Array(0);
  await indexNewKeywords(database);
  const quoted = wanted.map((word) => `"${word}"`);
  const match = mode === 'phrase' ? `"${sought}"` : quoted.join(mode === 'all words' ? ' AND ' : ' OR ');
  return idsOf(database, 'SELECT rowid AS id FROM keyword_words WHERE keyword_words MATCH ?', [match]);
}

/** Letters of a stem's end that another form of the word may lack. */
const END_LETTERS = 2;

/** Ids of the keywords of a market that hold these words in any form, ascending. */
export async function keywordIdsHoldingForms(
  database: Database,
  market: { id: number; language: string },
  sought: string,
  mode: MatchMode,
): Promise<Int32Array> {
  const wanted = stems(sought, market.language);
  if (wanted.length === 0) return new Int32Array(0);
  await indexNewKeywords(database);
  // Whatever has one of the stems begins like it: of those few each is looked at.
  const beginnings = wanted.map((form) => `"${form.slice(0, Math.max(2, form.length - END_LETTERS))}"*`);
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(id) AS ids, json_group_array(key) AS keys FROM (
            SELECT keyword.id AS id, keyword.key AS key FROM keyword_words
            CROSS JOIN keyword ON keyword.id = keyword_words.rowid
            WHERE keyword_words MATCH ? AND market_id = ? ORDER BY keyword.id)`,
    args: [beginnings.join(mode === 'any word' ? ' OR ' : ' AND '), market.id],
  });
  const { ids, keys } = rawRows<{ ids: string; keys: string }>(answer)[0]!;
  const texts = JSON.parse(keys) as string[];
  return Int32Array.from(JSON.parse(ids) as number[]).filter((_, at) =>
    matchWords(stems(texts[at]!, market.language), wanted, mode),
  );
}

/** One text with all ids is read many times faster than a row for each. `sql` gives a column named id. */
export async function idsOf(database: Database, sql: string, args: (string | number)[]): Promise<Int32Array> {
  const answer = await database.client.execute({
    sql: `SELECT json_group_array(id) AS ids FROM (${sql})`,
    args,
  });
  return Int32Array.from(JSON.parse(String(answer.rows[0]!.ids)) as number[]);
}

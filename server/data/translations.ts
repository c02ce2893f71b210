import type { Language } from '@opsimath/core/text/languages';
import { type Database, type InStatement, writeTogether } from './storage/connection';

/** What keywords say in a language, as far as it is held; an empty text where nobody knew. */
export async function heldTranslations(
  database: Database,
  ids: readonly number[],
  language: Language,
): Promise<Map<number, string>> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, coalesce(text, '') AS text FROM json_each(?)
          CROSS JOIN translation ON keyword_id = value AND language = ?`,
    args: [JSON.stringify(ids), language],
  });
  return new Map(answer.rows.map(({ keyword, text }) => [Number(keyword), String(text)]));
}

/** All that is held of a market in a language, and a name for it that changes when more comes. */
export async function marketTranslations(
  database: Database,
  marketId: number,
  language: string,
): Promise<Map<number, string>> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, translation.text AS text FROM translation
          JOIN keyword ON keyword.id = keyword_id
          WHERE market_id = ? AND language = ? AND translation.text IS NOT NULL`,
    args: [marketId, language],
  });
  return new Map(answer.rows.map(({ keyword, text }) => [Number(keyword), String(text)]));
}

/** Keyword ids of a market whose translation holds a piece of text, whatever the language. */
export async function idsTranslatedLike(
  database: Database,
  marketId: number,
  piece: string,
): Promise<number[]> {
  const answer = await database.client.execute({
    sql: `SELECT DISTINCT keyword_id AS keyword FROM translation JOIN keyword ON keyword.id = keyword_id
          WHERE market_id = ? AND instr(lower(translation.text), ?) > 0`,
    args: [marketId, piece.trim().toLowerCase()],
  });
  return answer.rows.map(({ keyword }) => Number(keyword));
}

export async function keepTranslations(
  database: Database,
  language: Language,
  source: string,
  translations: readonly { keyword: number; text: string | null }[],
  /** What is to stand with them. */
  also: readonly InStatement[] = [],
): Promise<void> {
  if (translations.length === 0) return;
  await writeTogether(database, [
    {
      sql: `INSERT INTO translation (keyword_id, language, text, source)
            SELECT value ->> 'keyword', ?, value ->> 'text', ? FROM json_each(?) WHERE true
            ON CONFLICT (keyword_id, language) DO UPDATE SET text = excluded.text, source = excluded.source`,
      args: [language, source, JSON.stringify(translations)],
    },
    ...also,
  ]);
}

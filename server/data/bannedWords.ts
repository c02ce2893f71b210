import type { BannedWord } from '@opsimath/contract/api/targets';
import { key } from '@opsimath/core/text/key';
import { and, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { bannedWord } from './schema';

export async function listBannedWords(database: Database, projectId: number): Promise<BannedWord[]> {
  const rows = await database.rows
    .select()
    .from(bannedWord)
    .where(eq(bannedWord.projectId, projectId))
    .orderBy(bannedWord.key);
  return rows.map(({ id, text, language, surface, level, reason }) => ({
    id,
    text,
    language,
    surface: surface as BannedWord['surface'],
    level,
    reason,
  }));
}

/** Adds a word or phrase, or says its level and reason anew. */
export async function addBannedWord(
  database: Database,
  projectId: number,
  entry: Omit<BannedWord, 'id'>,
): Promise<void> {
  const identity = key(entry.text);
  if (identity === '')
    throw new KnownProblem('no-word', 'A word needs a letter or number.', 'Type the word or phrase.');
  const { level, reason, text } = entry;
  await database.rows
    .insert(bannedWord)
    .values({ ...entry, projectId, key: identity })
    .onConflictDoUpdate({
      target: [bannedWord.projectId, bannedWord.key, bannedWord.language, bannedWord.surface],
      set: { level, reason, text },
    });
}

export async function removeBannedWord(database: Database, projectId: number, id: number): Promise<void> {
  await database.rows
    .delete(bannedWord)
    .where(and(eq(bannedWord.projectId, projectId), eq(bannedWord.id, id)));
}

/** The words that hold in a market, each with its key. */
export async function bannedIn(
  database: Database,
  projectId: number,
  market: { language: string; surface: string },
): Promise<(BannedWord & { key: string })[]> {
  return (await listBannedWords(database, projectId))
    .filter(
      ({ language, surface }) =>
        (language === '' || language === market.language) && (surface === '' || surface === market.surface),
    )
    .map((word) => ({ ...word, key: key(word.text) }));
}

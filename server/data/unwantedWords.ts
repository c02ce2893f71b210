import type { BannedWord } from '@opsimath/contract/api/targets';
import type { TargetKind } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import { and, eq } from 'drizzle-orm';
import { bannedIn } from './bannedWords';
import { target } from './schema';
import type { Database } from './storage/connection';
import { surfaceOf } from './targets';

/** A word that is better not aimed at: of the project's list, or a rival's name, which is doubtful until it is allowed. */
export type UnwantedWord = Pick<BannedWord, 'text' | 'level' | 'reason'> & { key: string };

export const RIVALS_NAME = 'a rival’s name';

/** The words that hold in a market, rivals' names among them; what the list says of a name goes before. */
export async function unwantedIn(
  database: Database,
  projectId: number,
  market: { language: string; surface: string },
): Promise<UnwantedWord[]> {
  const listed = await bannedIn(database, projectId, market);
  const said = new Set(listed.map((word) => word.key));
  const rivals = await database.rows
    .select({ name: target.name, kind: target.kind })
    .from(target)
    .where(and(eq(target.projectId, projectId), eq(target.side, 'rival')));
  const here = rivals.filter(({ kind }) => surfaceOf(kind as TargetKind) === market.surface);
  const names = new Map(here.map(({ name }) => [key(name), name]));
  return [
    ...listed.map(({ text, level, reason, key: phrase }) => ({ text, level, reason, key: phrase })),
    ...[...names]
      .filter(([phrase]) => phrase !== '' && !said.has(phrase))
      .map(([phrase, text]) => ({ text, level: 'doubtful' as const, reason: RIVALS_NAME, key: phrase })),
  ];
}

/** Those that a keyword holds, whole words only. @param keywordKey see core/text/key */
export function unwantedOf(words: readonly UnwantedWord[], keywordKey: string): UnwantedWord[] {
  const padded = ` ${keywordKey} `;
  return words.filter((word) => padded.includes(` ${word.key} `));
}

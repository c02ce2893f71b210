import { words } from '@opsimath/core/text/key';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordIdsContaining } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { unwantedIn } from '../../data/unwantedWords';
import type { Workspace } from '../kept/workspace';

/** Why a keyword that nobody judged weighs less: what of it is not to be used (method §8). */
export const WARY = ['nothing', 'doubtful', 'forbidden'] as const;

/** Keywords that hold a word not to be used, a doubtful one or a rival’s name, as indices into {@link WARY}. */
export async function waryKeywords(
  { database }: Workspace,
  projectId: number,
  market: MarketRow,
): Promise<Map<number, number>> {
  const phrases = (await unwantedIn(database, projectId, market))
    .filter(({ key }) => words(key).length > 0)
    .map(({ key: phrase, level }) => ({ phrase, level: level === 'forbidden' ? 2 : 1 }));
  const found = new Map<number, number>();
  for (const { phrase, level } of phrases) {
    const ids = [...(await keywordIdsContaining(database, market.id, phrase))];
    const keys = await keywordKeys(database, market.id, ids);
    ids.forEach((id, n) => {
      if (` ${keys[n]!} `.includes(` ${phrase} `)) found.set(id, Math.max(found.get(id) ?? 0, level));
    });
  }
  return found;
}

import { key, words } from '@opsimath/core/text/key';
import { bannedIn } from '../../data/bannedWords';
import { keywordKeys } from '../../data/keywordKeys';
import { keywordIdsContaining } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import type { Sides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';

/** Why a keyword that nobody judged weighs less: what of it is not to be used (method §8). */
export const WARY = ['nothing', 'doubtful', 'forbidden'] as const;

/** Keywords that hold a word not to be used, a doubtful one or a rival’s name, as indices into {@link WARY}. */
export async function waryKeywords(
  { database }: Workspace,
  projectId: number,
  market: MarketRow,
  sides: Sides,
): Promise<Map<number, number>> {
  const phrases = [
    ...sides.rivals.map(({ name }) => ({ phrase: key(name), level: 1 })),
    ...(await bannedIn(database, projectId, market)).map(({ key: phrase, level }) => ({
      phrase,
      level: level === 'forbidden' ? 2 : 1,
    })),
  ].filter(({ phrase }) => words(phrase).length > 0);
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

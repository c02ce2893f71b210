import type { Presence } from '@opsimath/contract/api/watch';
import { key } from '@opsimath/core/text/key';
import { keywordIds } from '../../data/keywords';
import { marketByCode } from '../../data/markets';
import { resultPage } from '../facts/history';
import { gatherSides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';

/** How often a title comes up word for word on the result page of its own words, and which of ours it is (N221). */
export async function presence(
  workspace: Workspace,
  projectId: number,
  { market: code, date, title }: { market: string; date: string; title: string },
): Promise<Omit<Presence, 'units' | 'title'>> {
  const { database } = workspace;
  const market = await marketByCode(database, code);
  const sides = await gatherSides(database, projectId, market.surface);
  const id = (await keywordIds(database, market.id, [title])).get(key(title));
  const page = id === undefined ? null : await resultPage(workspace, market.id, id, date, sides);
  const organic = (page?.slots ?? []).filter(({ kind }) => kind === 'organic');
  const exact = organic.filter((slot) => key(slot.title ?? '') === key(title));
  return {
    looked: organic.length,
    found: exact.length,
    own: exact.flatMap(({ side, address, position }) =>
      side === 'own' && address && position ? [{ address, position }] : [],
    ),
  };
}

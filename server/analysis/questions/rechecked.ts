import type { Rechecked } from '@opsimath/contract/api/watch';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import { key } from '@opsimath/core/text/key';
import { keywordsById } from '../../data/keywords';
import { marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { watchedSeries } from '../facts/watchedSeries';
import { resultPage } from '../facts/history';
import { positionOf } from '../facts/positionOf';
import { gatherSides } from '../facts/sides';
import type { Workspace } from '../kept/workspace';

/** What a fresh look says of keywords: whether search shows the new text, where ours stands, and whether it is too early to tell. */
export async function rechecked(
  workspace: Workspace,
  projectId: number,
  { market: code, date }: { market: string; date: string },
  ids: readonly number[],
): Promise<Rechecked['keywords']> {
  const { database } = workspace;
  const market = await marketByCode(database, code);
  const { settings } = await projectById(database, projectId);
  const sides = await gatherSides(database, projectId, market.surface);
  const revisions = await workspace.revisions({ project: projectId, market: market.id });
  const { series, changes, rowOf } = await watchedSeries(workspace, projectId, revisions, market, sides, ids);
  const texts = await keywordsById(database, ids);
  const { settle, after } = settings.effectWindows;
  const told: Rechecked['keywords'] = [];
  for (const id of ids) {
    const text = texts.get(id)?.text;
    if (text === undefined) continue;
    const row = rowOf.get(id)!;
    const before = series.days
      .flatMap((day, n) => (day < date ? [series.organic[0]![n]![row]!] : []))
      .filter((position) => position !== UNKNOWN)
      .at(-1);
    const page = await resultPage(workspace, market.id, id, date, sides);
    const ours = page?.slots.find(({ kind, side }) => kind === 'organic' && side === 'own') ?? null;
    const change = changes.find(
      ({ keywords, state }) => state !== 'asked' && keywords.some((one) => one.id === id),
    );
    const shownSlot = change && page?.slots.find(({ address }) => address === change.address);
    const ready = change ? dayOf(change.date) + settle + after : null;
    told.push({
      id,
      text,
      own: page === null ? 'unknown' : (ours?.position ?? 'absent'),
      before: positionOf(before ?? UNKNOWN),
      shown:
        change === undefined || !shownSlot || change.after.title === undefined
          ? null
          : key(shownSlot.title ?? '') === key(change.after.title),
      title: shownSlot?.title ?? ours?.title ?? null,
      tooEarlyUntil: ready !== null && dayOf(date) < ready ? isoDayOf(ready) : null,
    });
  }
  return told;
}

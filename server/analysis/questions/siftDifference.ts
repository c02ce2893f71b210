import type { SiftDifference, differenceQuery } from '@opsimath/contract/api/sift';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { poolOrder } from '../pool/poolOrder';
import { openSift } from '../sift/openSift';
import type { Workspace } from '../kept/workspace';

const SHOWN = 100;

/** What a recipe lets through now and did not before, and the other way round; the most searched first. */
export async function siftDifference(
  workspace: Workspace,
  lookUpId: number,
  { before, ...now }: z.output<typeof differenceQuery>,
): Promise<SiftDifference> {
  const opened = await openSift(workspace, lookUpId, now);
  const { pool, stack } = opened;
  const { stack: earlier } = await openSift(workspace, lookUpId, before);
  const order = await poolOrder(workspace, opened, [{ sort: 'volume', descending: true }]);
  const came: number[] = [];
  const went: number[] = [];
  for (const i of order) {
    if (stack.passes[i] === earlier.passes[i]) continue;
    (stack.passes[i] === 1 ? came : went).push(pool.ids[i]!);
  }
  const texts = await keywordsById(workspace.database, [...came.slice(0, SHOWN), ...went.slice(0, SHOWN)]);
  const told = (ids: readonly number[]): SiftDifference['came'] => ({
    total: ids.length,
    some: ids.slice(0, SHOWN).map((id) => {
      const volume = pool.metrics.volume[id - pool.base]!;
      return { id, text: texts.get(id)!.text, volume: Number.isNaN(volume) ? null : volume };
    }),
  });
  const through = ({ counts }: typeof stack): number => counts.at(-1)?.out ?? pool.ids.length;
  return { before: through(earlier), now: through(stack), came: told(came), went: told(went) };
}

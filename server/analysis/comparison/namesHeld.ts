import { key } from '@opsimath/core/text/key';
import { keywordIdsHolding } from '../../data/keywordWords';
import { listTargets } from '../../data/targets';
import type { Workspace } from '../kept/workspace';

/** Keywords that hold the whole name of a target: 1 for one of ours, plus 2 for one of a rival's. */
export async function namesHeld({ database }: Workspace, projectId: number): Promise<Map<number, number>> {
  const found = new Map<number, number>();
  for (const { name, side } of await listTargets(database, projectId))
    for (const id of await keywordIdsHolding(database, key(name), 'phrase'))
      found.set(id, (found.get(id) ?? 0) | (side === 'own' ? 1 : 2));
  return found;
}

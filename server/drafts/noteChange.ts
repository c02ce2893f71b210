import type { changeAddition } from '@opsimath/contract/api/drafts';
import { readAddress } from '@opsimath/core/text/address';
import type { z } from 'zod';
import { addressPlatforms, marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { doneByHand } from '../data/publishedChanges';
import type { Database } from '../data/storage/connection';
import { KnownProblem } from '../problems/problem';

/** Puts something that was done without a draft on the timeline. */
export async function noteChange(
  database: Database,
  projectId: number,
  { market: code, address: text, ...change }: z.output<typeof changeAddition>,
): Promise<number> {
  await projectById(database, projectId);
  const market = await marketByCode(database, code);
  const read = readAddress(text, await addressPlatforms(database));
  if ('reason' in read)
    throw new KnownProblem('no-address', `“${text}”: ${read.reason}.`, 'Give the address of the target.');
  return doneByHand(database, {
    ...change,
    projectId,
    marketId: market.id,
    address: read.address,
    before: {},
    after: {},
    draftId: null,
    taskId: null,
  });
}

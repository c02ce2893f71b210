import { PURPOSES } from '@opsimath/core/sift/purpose';
import { saidPurposes } from '../../data/saidPurposes';
import type { Workspace } from '../kept/workspace';
import type { NamedPool } from '../pool/pool';
import { poolPurposes } from '../pool/poolWords';
import { indicesOf } from './judged';

/** The purpose of each search of a pool, index into PURPOSES: by rule, and as somebody said where they did. */
export async function purposesWithSaid(workspace: Workspace, named: NamedPool): Promise<Uint8Array> {
  const { pool } = named;
  const said = await saidPurposes(workspace.database, pool.projectId, pool.market.id);
  const codes = (await poolPurposes(workspace, named)).slice();
  for (const [id, { purpose }] of said)
    for (const i of indicesOf(pool, [id])) codes[i] = PURPOSES.indexOf(purpose);
  return codes;
}

import type { PoolPage, PoolQueryRead } from '@opsimath/contract/api/pool';
import { keywordIds } from '../../data/keywords';
import { openPool } from '../pool/pool';
import { poolIndices } from '../pool/poolOrder';
import { poolRows, seedRows } from '../pool/poolRows';
import type { Workspace } from '../kept/workspace';

/** One page of a look-up's pool, sorted and filtered. */
export async function poolPage(
  workspace: Workspace,
  lookUpId: number,
  query: PoolQueryRead,
): Promise<PoolPage> {
  const named = await openPool(workspace, lookUpId);
  const { pool } = named;
  const { indices, total } = await poolIndices(workspace, named, query);
  const seedIds = await keywordIds(workspace.database, pool.market.id, pool.request.seeds);
  return {
    total,
    all: pool.ids.length,
    withVolume: pool.withVolume,
    targets: pool.targets,
    rows: await poolRows(workspace, named, indices),
    seeds: await seedRows(workspace, named, [...seedIds.values()]),
    sources: pool.sources,
    lookedUpOfTen: pool.lookedUpOfTen,
  };
}

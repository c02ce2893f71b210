import { FOUND_BY, type PoolPage, type PoolQueryRead } from '@opsimath/contract/api/lookUps';
import { sortRows } from '@opsimath/core/ranking/order';
import { key, words } from '@opsimath/core/text/key';
import { isStopWord, stem } from '@opsimath/core/text/stems';
import { keywordIds, keywordIdsByStems, keywordIdsContaining } from '../../data/keywords';
import { keywordIdsHolding } from '../../data/keywordWords';
import { lookUpById } from '../../data/lookUps';
import { Lately } from '../facts/columnStore';
import { type Pool, buildPool } from '../pool/pool';
import { poolFigures, prepareFigures } from '../pool/poolFigures';
import { poolRows, seedRows } from '../pool/poolRows';
import type { Workspace } from '../thread/workspace';

const KEPT_POOLS = 4;
const KEPT_ORDERS = 8;
const KEPT_FILTERS = 12;

interface Kept {
  pools: Lately<Pool>;
  orders: Lately<Int32Array>;
  /** Pool indices that pass, one byte each, and how many. */
  filters: Lately<{ passes: Uint8Array; total: number }>;
}
const keptBy = new WeakMap<Workspace, Kept>();

function keptOf(workspace: Workspace): Kept {
  let kept = keptBy.get(workspace);
  if (!kept) {
    kept = {
      pools: new Lately(KEPT_POOLS),
      orders: new Lately(KEPT_ORDERS),
      filters: new Lately(KEPT_FILTERS),
    };
    keptBy.set(workspace, kept);
  }
  return kept;
}

/** A look-up's pool as it is now, and a name for it that changes with its facts. */
export async function openPool(
  workspace: Workspace,
  lookUpId: number,
): Promise<{ pool: Pool; name: string }> {
  const lookUp = await lookUpById(workspace.database, lookUpId);
  const state = await workspace.factState(lookUp.marketId, lookUp.projectId);
  const name = `pool:${lookUpId}:${state}`;
  const pool = await keptOf(workspace).pools.get(name, async () => {
    const built = await buildPool(workspace, lookUpId, state);
    void prepareFigures(built);
    return built;
  });
  return { pool, name };
}

/** One page of a look-up's pool, sorted and filtered. */
export async function poolPage(
  workspace: Workspace,
  lookUpId: number,
  query: PoolQueryRead,
): Promise<PoolPage> {
  const { pool, name } = await openPool(workspace, lookUpId);
  const { indices, total } = await poolIndices(workspace, pool, name, query);
  const seedIds = await keywordIds(workspace.database, pool.market.id, pool.request.seeds);
  return {
    total,
    all: pool.ids.length,
    withVolume: pool.withVolume,
    targets: pool.targets,
    rows: await poolRows(workspace, pool, indices),
    seeds: await seedRows(workspace, pool, [...seedIds.values()]),
    sources: pool.sources,
    lookedUpOfTen: pool.lookedUpOfTen,
  };
}

/** Pool indices of a page, in order, and how many pass the filter. */
export async function poolIndices(
  workspace: Workspace,
  pool: Pool,
  name: string,
  query: PoolQueryRead,
): Promise<{ indices: number[]; total: number }> {
  const kept = keptOf(workspace);
  const order = await poolOrder(workspace, pool, name, query.sort);
  const { find, words: sought, mode, foundBy, leastVolume, without } = query;
  const chosen = JSON.stringify([name, find, sought, mode, foundBy, leastVolume, without]);
  const filter = await kept.filters.get(chosen, () => filterPool(workspace, pool, query));
  const indices: number[] = [];
  let passed = 0;
  for (let n = 0; n < order.length && indices.length < query.limit; n++) {
    const i = order[n]!;
    if (filter.passes[i] === 0) continue;
    if (passed++ >= query.offset) indices.push(i);
  }
  return { indices, total: filter.total };
}

/** Pool indices in some orders; those asked for lately are kept. */
export function poolOrder(
  workspace: Workspace,
  pool: Pool,
  name: string,
  sorts: PoolQueryRead['sort'],
): Promise<Int32Array> {
  return keptOf(workspace).orders.get(`${name}:${JSON.stringify(sorts)}`, () =>
    Promise.resolve(orderOf(pool, sorts)),
  );
}

/** Rows stand in the order of their keys, and no two are equal in it: what would be sorted by after it is idle. */
function orderOf(pool: Pool, sorts: PoolQueryRead['sort']): Int32Array {
  const byKey = sorts.findIndex(({ sort }) => sort === 'keyword');
  const rows = byKey >= 0 && sorts[byKey]!.descending ? pool.rows.slice().reverse() : pool.rows;
  const before = byKey < 0 ? sorts : sorts.slice(0, byKey);
  return sortRows(
    rows,
    before.map(({ sort, descending }) => ({ figures: poolFigures(pool, sort), descending })),
  );
}

async function filterPool(
  { database }: Workspace,
  pool: Pool,
  query: PoolQueryRead,
): Promise<{ passes: Uint8Array; total: number }> {
  const { market } = pool;
  const size = pool.ids.length;
  let passes = new Uint8Array(size).fill(1);
  /** Keeps the rows of these keywords, or drops them. Only the named ones are touched: few matches cost little. */
  const narrow = (ids: Int32Array, keep: boolean): void => {
    const next = keep ? new Uint8Array(size) : passes;
    for (let n = 0; n < ids.length; n++) {
      const i = pool.indexOf[ids[n]! - pool.base];
      if (i === undefined || i < 0) continue;
      next[i] = keep ? passes[i]! : 0;
    }
    passes = next;
  };
  if (query.find.trim() !== '') narrow(await keywordIdsContaining(database, market.id, query.find), true);
  if (query.words.trim() !== '')
    narrow(await keywordIdsHolding(database, key(query.words), query.mode), true);
  if (query.without.trim() !== '') {
    const stems = new Set(
      words(key(query.without))
        .filter((word) => !isStopWord(word, market.language))
        .map((word) => stem(word, market.language)),
    );
    narrow(await keywordIdsByStems(database, market, stems), false);
  }
  if (query.foundBy.length > 0) {
    const bits = query.foundBy.reduce((sum, by) => sum | (1 << FOUND_BY.indexOf(by)), 0);
    for (let i = 0; i < size; i++) if ((pool.found[i]! & bits) === 0) passes[i] = 0;
  }
  if (query.leastVolume !== undefined) {
    const { volume } = pool.metrics;
    for (let i = 0; i < size; i++)
      if (!(volume[pool.ids[i]! - pool.base]! >= query.leastVolume)) passes[i] = 0;
  }
  let total = 0;
  for (let i = 0; i < size; i++) total += passes[i]!;
  return { passes, total };
}

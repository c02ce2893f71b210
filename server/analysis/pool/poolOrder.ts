import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { type PoolQueryRead } from '@opsimath/contract/api/pool';
import { sortRowsExactly } from '@opsimath/core/ranking/order';
import { key, words } from '@opsimath/core/text/key';
import { isStopWord, stem } from '@opsimath/core/text/stems';
import { keywordIdsByStems, keywordIdsContaining } from '../../data/keywords';
import { keywordIdsHolding } from '../../data/keywordWords';
import type { Workspace } from '../kept/workspace';
import type { NamedPool, Pool } from './pool';
import { poolFigures } from './poolFigures';

/** Pool indices of a page, in order, and how many pass the filter. */
export async function poolIndices(
  workspace: Workspace,
  named: NamedPool,
  query: PoolQueryRead,
): Promise<{ indices: number[]; total: number }> {
  const { pool, name, revisions } = named;
  const order = await poolOrder(workspace, named, query.sort);
  const { find, words: sought, mode, foundBy, leastVolume, without } = query;
  const chosen = [name, find, sought, mode, foundBy, leastVolume, without];
  const filter = await workspace.keep('pool filter', revisions, chosen, () =>
    filterPool(workspace, pool, query),
  );
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
  { pool, name, revisions }: NamedPool,
  sorts: PoolQueryRead['sort'],
): Promise<Int32Array> {
  return workspace.keep('pool order', revisions, [name, sorts], () => orderOf(pool, sorts));
}

/** Rows stand in the order of their keys, and no two are equal in it: what would be sorted by after it is idle. */
function orderOf(pool: Pool, sorts: PoolQueryRead['sort']): Int32Array {
  const byKey = sorts.findIndex(({ sort }) => sort === 'keyword');
  const rows = byKey >= 0 && sorts[byKey]!.descending ? pool.rows.slice().reverse() : pool.rows;
  const before = byKey < 0 ? sorts : sorts.slice(0, byKey);
  return sortRowsExactly(
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

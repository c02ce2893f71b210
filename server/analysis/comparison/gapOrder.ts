import type { GapQueryRead } from '@opsimath/contract/api/gapQuery';
import { type SortKey, sortRowsExactly } from '@opsimath/core/ranking/order';
import type { Comparison } from './comparison';
import { gapFigures } from './gapFigures';

const basics = new WeakMap<Comparison, { byKey: Int32Array; byVolume: Int32Array }>();

/**
 * The rows of a comparison in some orders. Unknown comes last both ways; ties: larger volume, then key (method §8).
 * @param ranks rank of each keyword of the market by key
 */
export function orderBy(comparison: Comparison, orders: GapQueryRead['sort'], ranks: Int32Array): Int32Array {
  let basic = basics.get(comparison);
  if (!basic) basics.set(comparison, (basic = basicOrders(comparison, ranks)));
  const byKey = orders.findIndex(({ sort }) => sort === 'keyword');
  // No two keywords are equal: what would be sorted by after them is idle.
  const before = byKey < 0 ? orders : orders.slice(0, byKey);
  const ties =
    byKey < 0 ? basic.byVolume : orders[byKey]!.descending ? basic.byKey.slice().reverse() : basic.byKey;
  const keys = before.map(({ sort, descending }): SortKey => ({
    figures: gapFigures(comparison, sort as Exclude<typeof sort, 'keyword'>),
    descending,
  }));
  return sortRowsExactly(ties, keys);
}

function basicOrders(comparison: Comparison, ranks: Int32Array): { byKey: Int32Array; byVolume: Int32Array } {
  const byKey = sortedByRank(comparison.rows, ranks);
  const volume = comparison.volume.map((count) => count || 0);
  return { byKey, byVolume: sortRowsExactly(byKey, [{ figures: volume, descending: true }]) };
}

/** Ranks are whole numbers, each held once: every row is put where it belongs. */
function sortedByRank(rows: Int32Array, ranks: Int32Array): Int32Array {
  const at = new Int32Array(ranks.length).fill(-1);
  for (let i = 0; i < rows.length; i++) at[ranks[rows[i]!]!] = i;
  const order = new Int32Array(rows.length);
  let filled = 0;
  for (let rank = 0; rank < at.length; rank++) if (at[rank]! >= 0) order[filled++] = at[rank]!;
  return order;
}

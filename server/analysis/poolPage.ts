import type { PoolPage, poolQuery } from '@opsimath/contract/api/lookUps';
import type { z } from 'zod';
import { keywordIdRange, keywordIdsContaining, keywordsById } from '../data/keywords';
import { lookUpById, lookUpTargets } from '../data/lookUps';
import { marketById } from '../data/markets';
import { findSegments } from '../data/segments/segments';
import { Lately } from './columnStore';
import { gatherMetrics, type Metrics } from './metrics';
import type { Workspace } from './workspace';

interface Pool {
  ids: Int32Array;
  /** One column a target: best position found by the look-up, 0 where it found none. */
  organic: Uint8Array[];
  paid: Uint8Array[];
  targets: string[];
  metrics: Metrics;
  base: number;
}

const pools = new WeakMap<Workspace, Lately<Pool>>();

/** One page of a look-up's pool, sorted and filtered. */
export async function poolPage(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof poolQuery>,
): Promise<PoolPage> {
  const lookUp = await lookUpById(workspace.database, lookUpId);
  const state = await workspace.factState(lookUp.marketId, lookUp.projectId);
  const kept = pools.get(workspace) ?? new Lately<Pool>(4);
  pools.set(workspace, kept);
  const name = `pool:${lookUpId}:${state}`;
  const pool = await kept.get(name, () => buildPool(workspace, lookUpId));
  const order = await workspace.orders.get(`${name}:${query.sort}:${query.descending}`, async () => {
    const market = await marketById(workspace.database, lookUp.marketId);
    return orderPool(pool, query.sort, query.descending, await workspace.alphabet(market, state));
  });
  const found = query.find.trim()
    ? new Set(await keywordIdsContaining(workspace.database, lookUp.marketId, query.find))
    : null;
  const passing = found === null ? order : order.filter((i) => found.has(pool.ids[i]!));
  const page = Array.from(passing.subarray(query.offset, query.offset + query.limit));
  const texts = await keywordsById(
    workspace.database,
    page.map((i) => pool.ids[i]!),
  );
  const known = (value: number): number | null => (Number.isNaN(value) ? null : value);
  return {
    total: passing.length,
    targets: pool.targets,
    rows: page.map((i) => {
      const id = pool.ids[i]!;
      const at = id - pool.base;
      return {
        id,
        text: texts.get(id)!.text,
        volume: known(pool.metrics.volume[at]!),
        cpcLow: known(pool.metrics.cpcLow[at]!),
        cpcHigh: known(pool.metrics.cpcHigh[at]!),
        adCompetition: known(pool.metrics.adCompetition[at]!),
        organic: pool.organic.map((column) => column[i]! || null),
        paid: pool.paid.map((column) => column[i]! || null),
      };
    }),
  };
}

async function buildPool(workspace: Workspace, lookUpId: number): Promise<Pool> {
  const { database, store } = workspace;
  const { marketId, date } = await lookUpById(database, lookUpId);
  const range = (await keywordIdRange(database, marketId)) ?? { least: 0, most: 0 };
  const size = range.most - range.least + 1;
  const targets = await lookUpTargets(database, lookUpId);
  const member = new Uint8Array(size);
  const organic = targets.map(() => new Uint8Array(size));
  const paid = targets.map(() => new Uint8Array(size));
  for (const [t, target] of targets.entries()) {
    const filter = { marketId, kind: 'rankings' as const, lookUpId: target.heldBy, subject: target.address };
    for (const segment of await findSegments(database, filter)) {
      const keyword = await store.column<Int32Array>(segment.id, 'keyword');
      const segmentOrganic = await store.column<Uint8Array>(segment.id, 'organic');
      const segmentPaid = await store.column<Uint8Array>(segment.id, 'paid');
      for (let row = 0; row < keyword.length; row++) {
        const i = keyword[row]! - range.least;
        member[i] = 1;
        organic[t]![i] = lower(organic[t]![i]!, segmentOrganic[row]!);
        paid[t]![i] = lower(paid[t]![i]!, segmentPaid[row]!);
      }
    }
  }
  const rows = Int32Array.from(member.keys()).filter((i) => member[i] === 1);
  const metrics = await gatherMetrics(
    store,
    await findSegments(database, { marketId, kind: 'metrics' }),
    date,
    range,
  );
  const pick = (column: Uint8Array): Uint8Array => Uint8Array.from(rows, (i) => column[i]!);
  return {
    ids: rows.map((i) => i + range.least),
    organic: organic.map(pick),
    paid: paid.map(pick),
    targets: targets.map((target) => target.address),
    metrics,
    base: range.least,
  };
}

function lower(a: number, b: number): number {
  if (a === 0 || b === 0) return a || b;
  return Math.min(a, b);
}

function orderPool(
  pool: Pool,
  sort: z.output<typeof poolQuery>['sort'],
  descending: boolean,
  ranks: Int32Array,
): Int32Array {
  const at = (i: number): number => pool.ids[i]! - pool.base;
  const best = (columns: Uint8Array[], i: number): number => {
    let least = NaN;
    for (const column of columns) if (column[i]! > 0 && !(column[i]! >= least)) least = column[i]!;
    return least;
  };
  const figureOf: Record<typeof sort, (i: number) => number> = {
    keyword: (i) => ranks[at(i)]!,
    volume: (i) => pool.metrics.volume[at(i)]!,
    targets: (i) => pool.organic.reduce((count, column) => count + (column[i]! > 0 ? 1 : 0), 0),
    best: (i) => best(pool.organic, i),
    paid: (i) => best(pool.paid, i),
    cpc: (i) => (pool.metrics.cpcLow[at(i)]! + pool.metrics.cpcHigh[at(i)]!) / 2,
    adCompetition: (i) => pool.metrics.adCompetition[at(i)]!,
  };
  const figures = Float64Array.from(pool.ids.keys(), figureOf[sort]);
  const sign = descending ? -1 : 1;
  return Int32Array.from(pool.ids.keys()).sort((a, b) => {
    const left = figures[a]!;
    const right = figures[b]!;
    if (left !== right) {
      // Unknown comes last both ways.
      if (left !== left || right !== right) {
        if (left === left) return -1;
        if (right === right) return 1;
      } else return left < right ? -sign : sign;
    }
    return ranks[at(a)]! - ranks[at(b)]!;
  });
}

import {
  FOUND_BY,
  type PoolChange,
  type PoolPage,
  type PoolQueryRead,
  type PoolRow,
} from '@opsimath/contract/api/lookUps';
import { ABSENT } from '@opsimath/core/ranking/position';
import { sortRows } from '@opsimath/core/ranking/order';
import { key, words } from '@opsimath/core/text/key';
import { isStopWord, stem } from '@opsimath/core/text/stems';
import { isSpellingVariant } from '@opsimath/core/text/variants';
import { bannedIn } from '../data/bannedWords';
import { keywordIds, keywordIdsContaining, keywordsById, keywordIdsByStems } from '../data/keywords';
import { keywordIdsHolding } from '../data/keywordWords';
import { lookUpById } from '../data/lookUps';
import { TREND_WORDS } from '../data/segments/metricsColumns';
import { KnownProblem } from '../problem';
import { Lately } from './columnStore';
import { type Pool, buildPool } from './pool';
import { poolFigures } from './poolFigures';
import type { Workspace } from './workspace';

const KEPT_POOLS = 4;
const KEPT_ORDERS = 12;
const KEPT_FILTERS = 12;
const MONTHS_SHOWN = 12;
const SERIES_MONTHS = 36;
const NO_PEAK = 255;

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
  const pool = await keptOf(workspace).pools.get(name, () => buildPool(workspace, lookUpId, state));
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
  const order = await kept.orders.get(`${name}:${JSON.stringify(query.sort)}`, async () => {
    const keys = [];
    for (const { sort, descending } of query.sort)
      keys.push({ figures: await poolFigures(workspace, pool, sort), descending });
    return sortRows(pool.rows, keys);
  });
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

/** Rows of pool indices with their texts. */
export function poolRows(workspace: Workspace, pool: Pool, indices: readonly number[]): Promise<PoolRow[]> {
  return rowsOf(
    workspace,
    pool,
    indices.map((i) => ({ id: pool.ids[i]!, i })),
  );
}

/** Rows of seed keywords, whether they are in the pool or not, each with a spelling that is typed far more often. */
async function seedRows(
  workspace: Workspace,
  pool: Pool,
  ids: readonly number[],
): Promise<PoolPage['seeds']> {
  const rows = await rowsOf(
    workspace,
    pool,
    ids.map((id) => ({ id, i: pool.indexOf[id - pool.base] ?? -1 })),
  );
  const texts = await keywordsById(workspace.database, pool.spellings);
  const known = [...texts.values()].map((entry) => ({
    ...entry,
    volume: pool.metrics.volume[entry.id - pool.base]!,
  }));
  return rows.map((row) => {
    const oftener = known
      .filter(({ key: other, volume }) => isSpellingVariant(key(row.text), other, row.volume ?? 0, volume))
      .sort((a, b) => b.volume - a.volume)[0];
    return { ...row, oftener: oftener ? { text: oftener.text, volume: oftener.volume } : null };
  });
}

async function rowsOf(
  workspace: Workspace,
  pool: Pool,
  entries: readonly { id: number; i: number }[],
): Promise<PoolRow[]> {
  const { database } = workspace;
  const texts = await keywordsById(
    database,
    entries.map(({ id }) => id),
  );
  const banned = await bannedIn(database, pool.projectId, pool.market);
  const clicks = await poolFigures(workspace, pool, 'clicks');
  const series = await seriesOf(workspace, pool);
  const known = (value: number | undefined): number | null =>
    value === undefined || Number.isNaN(value) ? null : value;
  return entries.map(({ id, i }) => {
    const at = id - pool.base;
    const { metrics } = pool;
    const { text, key: identity } = texts.get(id)!;
    const number = metrics.segment[at] ?? 0;
    const row = metrics.row[at] ?? 0;
    const months = number === 0 ? null : series[number - 1]!;
    const bits = i < 0 ? 0 : pool.found[i]!;
    const padded = ` ${identity} `;
    const source = metrics.source[at] ?? 0;
    const peak = months?.peak?.[row] ?? NO_PEAK;
    const trend = TREND_WORDS[months?.trendWord?.[row] ?? 0]!;
    return {
      id,
      text,
      volume: known(metrics.volume[at]),
      volumeMonths: months?.volumeMonths[row] ?? 0,
      months:
        months === null
          ? []
          : Array.from(
              months.series.subarray((row + 1) * SERIES_MONTHS - MONTHS_SHOWN, (row + 1) * SERIES_MONTHS),
              (count) => (count < 0 ? null : count),
            ),
      peak: peak === NO_PEAK ? null : peak,
      trend: trend === '' ? null : trend,
      trendSlope: known(months?.trend?.[row]),
      cpcLow: known(metrics.cpcLow[at]),
      cpcHigh: known(metrics.cpcHigh[at]),
      adCompetition: known(metrics.adCompetition[at]),
      difficulty: i < 0 || pool.difficulty[i]! < 0 ? null : pool.difficulty[i]!,
      results: known(metrics.results[at]),
      words: words(identity).length,
      metricsDate: source === 0 ? null : metrics.heads[source - 1]!.date,
      organic: pool.organic.map((column) => (i < 0 ? null : column[i]! || null)),
      paid: pool.paid.map((column) => (i < 0 ? null : column[i]! || null)),
      captured: pool.captured.map((column) =>
        i < 0 || column[i] === 0 ? null : column[i] === ABSENT ? ('absent' as const) : column[i]!,
      ),
      found: FOUND_BY.filter((_, by) => (bits & (1 << by)) !== 0),
      from: i < 0 ? [] : pool.origins.filter((_, at) => (pool.from[i]! & (1 << at)) !== 0),
      appearances: i < 0 ? null : pool.appearances[i]! || null,
      uses: i < 0 ? null : pool.uses[i]! || null,
      clicks: i < 0 ? null : known(clicks[i]),
      banned: banned
        .filter((word) => padded.includes(` ${word.key} `))
        .map(({ text: word, level, reason }) => ({ text: word, level, reason })),
    };
  });
}

/** Series and what was worked out of them, by metrics segment. */
async function seriesOf({ store }: Workspace, { metrics }: Pool) {
  return Promise.all(
    metrics.segments.map(async ({ head, trend, peak }) => ({
      series: await store.column<Int32Array>(head.id, 'series'),
      volumeMonths: await store.column<Uint8Array>(head.id, 'volumeMonths'),
      trend,
      peak,
      trendWord: await store.columnIfAny<Uint8Array>(head.id, 'trendWord'),
    })),
  );
}

/** What came, went and moved between two look-ups of one market, most searched first. */
export async function poolChange(
  workspace: Workspace,
  lookUpId: number,
  otherId: number,
  most: number,
): Promise<PoolChange> {
  const { pool: later } = await openPool(workspace, lookUpId);
  const { pool: earlier } = await openPool(workspace, otherId);
  if (later.market.id !== earlier.market.id) {
    throw new KnownProblem(
      400,
      'another-market',
      'These look-ups are of two markets.',
      'Choose one of the same market.',
    );
  }
  const best = (columns: readonly Uint8Array[], i: number): number | null => {
    let least = 0;
    for (const column of columns)
      if (column[i]! > 0 && (least === 0 || column[i]! < least)) least = column[i]!;
    return least || null;
  };
  const before = new Map(Array.from(earlier.ids, (id, i) => [id, i] as const));
  const rows: PoolChange['rows'] = [];
  const counts = { came: 0, went: 0, stayed: 0 };
  const volume = (id: number): number | null => {
    const value = later.metrics.volume[id - later.base];
    return value === undefined || Number.isNaN(value) ? null : value;
  };
  const note = (id: number, change: 'came' | 'went' | 'moved', was: number | null, is: number | null): void =>
    void rows.push({ id, text: '', volume: volume(id), change, before: was, after: is });
  later.ids.forEach((id, i) => {
    const was = before.get(id);
    if (was === undefined) {
      counts.came++;
      note(id, 'came', null, best(later.organic, i));
      return;
    }
    counts.stayed++;
    before.delete(id);
    const [old, now] = [best(earlier.organic, was), best(later.organic, i)];
    if (old !== now) note(id, 'moved', old, now);
  });
  for (const [id, i] of before) {
    counts.went++;
    note(id, 'went', best(earlier.organic, i), null);
  }
  const order = { came: 0, went: 1, moved: 2 };
  rows.sort(
    (a, b) => order[a.change] - order[b.change] || (b.volume ?? -1) - (a.volume ?? -1) || a.id - b.id,
  );
  const shown = (['came', 'went', 'moved'] as const).flatMap((change) =>
    rows.filter((row) => row.change === change).slice(0, most),
  );
  const texts = await keywordsById(
    workspace.database,
    shown.map(({ id }) => id),
  );
  return {
    from: earlier.date,
    to: later.date,
    ...counts,
    rows: shown.map((row) => ({ ...row, text: texts.get(row.id)!.text })),
  };
}

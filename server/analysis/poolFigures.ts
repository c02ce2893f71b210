import type { PoolSort } from '@opsimath/contract/api/lookUps';
import { priorCurve } from '@opsimath/core/ranking/clickThrough';
import type { Pool } from './pool';
import type { Workspace } from './workspace';

/** The figures a pool can be sorted by, one a keyword; NaN where unknown. Worked out once for each pool. */
export async function poolFigures(workspace: Workspace, pool: Pool, sort: PoolSort): Promise<Float32Array> {
  let figures = pool.figures.get(sort);
  if (!figures) {
    figures = sort === 'words' ? await wordCounts(workspace, pool) : makeFigures(pool, sort);
    pool.figures.set(sort, figures);
  }
  return figures;
}

function makeFigures(pool: Pool, sort: Exclude<PoolSort, 'words'>): Float32Array {
  const { ids, base, metrics } = pool;
  const size = ids.length;
  const figures = new Float32Array(size);
  const ofMetric = (column: Float64Array): Float32Array => {
    for (let i = 0; i < size; i++) figures[i] = column[ids[i]! - base]!;
    return figures;
  };
  switch (sort) {
    case 'keyword':
      for (let i = 0; i < size; i++) figures[i] = i;
      return figures;
    case 'volume':
      return ofMetric(metrics.volume);
    case 'adCompetition':
      return ofMetric(metrics.adCompetition);
    case 'results':
      return ofMetric(metrics.results);
    case 'cpc':
      for (let i = 0; i < size; i++) {
        const at = ids[i]! - base;
        figures[i] = (metrics.cpcLow[at]! + metrics.cpcHigh[at]!) / 2;
      }
      return figures;
    case 'targets':
      for (const column of pool.organic) for (let i = 0; i < size; i++) if (column[i]! > 0) figures[i]!++;
      return figures;
    case 'best':
      return bestOf(pool.organic, figures);
    case 'paid':
      return bestOf(pool.paid, figures);
    case 'difficulty':
      for (let i = 0; i < size; i++) figures[i] = pool.difficulty[i]! < 0 ? NaN : pool.difficulty[i]!;
      return figures;
    case 'trend':
      return fromSegments(pool, figures, 'trend');
    case 'peak':
      return fromSegments(pool, figures, 'peak');
    case 'sources':
      for (let i = 0; i < size; i++) {
        let bits = pool.found[i]!;
        for (; bits !== 0; bits &= bits - 1) figures[i]!++;
      }
      return figures;
    case 'appearances':
      for (let i = 0; i < size; i++) figures[i] = pool.appearances[i]! || pool.uses[i]! || NaN;
      return figures;
    case 'given':
      for (let i = 0; i < size; i++) figures[i] = pool.given[i]! || NaN;
      return figures;
    case 'clicks':
      return clicksOf(pool, figures);
  }
}

function bestOf(columns: readonly Uint8Array[], figures: Float32Array): Float32Array {
  figures.fill(NaN);
  for (const column of columns) {
    for (let i = 0; i < figures.length; i++)
      if (column[i]! > 0 && !(figures[i]! <= column[i]!)) figures[i] = column[i]!;
  }
  return figures;
}

/** Estimated clicks a month of all looked-up targets together (method §3). */
function clicksOf(pool: Pool, figures: Float32Array): Float32Array {
  const curve = priorCurve(pool.market.surface);
  for (let i = 0; i < figures.length; i++) {
    let share = 0;
    for (const column of pool.organic) share += curve[column[i]!]!;
    figures[i] = pool.metrics.volume[pool.ids[i]! - pool.base]! * share * pool.featureFactor[i]!;
  }
  return figures;
}

function fromSegments(pool: Pool, figures: Float32Array, name: 'trend' | 'peak'): Float32Array {
  const { metrics, ids, base } = pool;
  for (let i = 0; i < figures.length; i++) {
    const at = ids[i]! - base;
    const number = metrics.segment[at]!;
    const column = number === 0 ? null : metrics.segments[number - 1]![name];
    const value = column === null ? NaN : column[metrics.row[at]!]!;
    figures[i] = name === 'peak' && value === 255 ? NaN : value;
  }
  return figures;
}

async function wordCounts(workspace: Workspace, pool: Pool): Promise<Float32Array> {
  const counts = await workspace.wordCounts(pool.market.id, pool.base);
  return Float32Array.from(pool.ids, (id) => counts[id - pool.base]!);
}

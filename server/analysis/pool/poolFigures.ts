import { middleCpc } from '@opsimath/core/gap/worth';
import type { PoolSort } from '@opsimath/contract/api/pool';
import type { ClickCurve } from '@opsimath/core/ranking/clickThrough';
import type { Pool } from './pool';

type PoolColumn = Float32Array | Float64Array;

/** The figures a pool can be sorted by, one a keyword; NaN where unknown. Worked out once for each pool. */
export function poolFigures(pool: Pool, sort: PoolSort): PoolColumn {
  let figures = pool.figures.get(sort);
  if (!figures) pool.figures.set(sort, (figures = makeFigures(pool, sort)));
  return figures;
}

/** Those that take longest and are asked for most. */
const READY: readonly PoolSort[] = ['volume', 'best', 'paid', 'targets', 'clicks', 'words', 'sources'];

/** Works out, one after another and with pauses for questions, what the next sort is likely to need. */
export async function prepareFigures(pool: Pool): Promise<void> {
  for (const sort of READY) {
    await new Promise((resolve) => setImmediate(resolve));
    poolFigures(pool, sort);
  }
}

// Each walk over all rows is a function of its own: within a larger one the engine would compile it anew at every call.

function makeFigures(pool: Pool, sort: PoolSort): PoolColumn {
  const { metrics } = pool;
  const figures = new Float32Array(pool.ids.length);
  switch (sort) {
    case 'keyword':
      return figures.map((_, i) => i);
    case 'words':
      return figures.map((_, i) => pool.words[i]!);
    case 'volume':
      return ofMetric(pool, metrics.volume, figures);
    case 'adCompetition':
      return ofMetric(pool, metrics.adCompetition, figures);
    case 'results':
      return ofMetric(pool, metrics.results, figures);
    case 'cpc': {
      const low = ofMetric(pool, metrics.cpcLow, figures);
      const high = ofMetric(pool, metrics.cpcHigh, new Float32Array(figures.length));
      return low.map((value, i) => middleCpc(value, high[i]!));
    }
    case 'targets':
      for (const column of pool.organic) countHeld(column, figures);
      return figures;
    case 'best':
      return bestOf(pool.organic, figures);
    case 'paid':
      return bestOf(pool.paid, figures);
    case 'difficulty':
      return figures.map((_, i) => (pool.difficulty[i]! < 0 ? NaN : pool.difficulty[i]!));
    case 'trend':
      return fromSegments(pool, figures, 'trend');
    case 'peak':
      return fromSegments(pool, figures, 'peak');
    case 'sources':
      countBits(pool.found, figures);
      return figures;
    case 'appearances':
      return figures.map((_, i) => pool.appearances[i]! || pool.uses[i]! || NaN);
    case 'given':
      return figures.map((_, i) => pool.given[i]! || NaN);
    case 'clicks':
      return clicksOf(pool);
  }
}

function ofMetric({ ids, base }: Pool, column: Float64Array, figures: Float32Array): Float32Array {
  for (let i = 0; i < ids.length; i++) figures[i] = column[ids[i]! - base]!;
  return figures;
}

function countHeld(column: Uint8Array, figures: Float32Array): void {
  for (let i = 0; i < column.length; i++) if (column[i]! > 0) figures[i]!++;
}

function countBits(sets: Uint32Array, figures: Float32Array): void {
  for (let i = 0; i < sets.length; i++) {
    let count = 0;
    for (let bits = sets[i]!; bits !== 0; bits &= bits - 1) count++;
    figures[i] = count;
  }
}

/** The best position of any target; NaN where none has one. */
function bestOf(columns: readonly Uint8Array[], figures: Float32Array): Float32Array {
  const best = new Uint8Array(figures.length).fill(NONE);
  for (const column of columns) takeBetter(column, best);
  for (let i = 0; i < best.length; i++) figures[i] = best[i] === NONE ? NaN : best[i]!;
  return figures;
}

/** Above all positions. */
const NONE = 255;

function takeBetter(column: Uint8Array, best: Uint8Array): void {
  for (let i = 0; i < column.length; i++) {
    const position = column[i]!;
    if (position !== 0 && position < best[i]!) best[i] = position;
  }
}

/** Estimated clicks a month of all looked-up targets together (method §3). */
function clicksOf({ organic, curve, featureFactor, ids, base, metrics }: Pool): Float64Array {
  const figures = new Float64Array(ids.length);
  for (const column of organic) addClicks(column, curve, figures);
  for (let i = 0; i < figures.length; i++) figures[i]! *= metrics.volume[ids[i]! - base]! * featureFactor[i]!;
  return figures;
}

function addClicks(column: Uint8Array, curve: ClickCurve, figures: Float64Array): void {
  for (let i = 0; i < column.length; i++) figures[i]! += curve[column[i]!]!;
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

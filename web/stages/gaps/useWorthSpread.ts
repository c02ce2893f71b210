import type { GapRow } from '@opsimath/contract/api/gaps';
import type { WorthParts, WorthSpread } from '@opsimath/core/gap/spreadOfWorth';
import { useEffect, useMemo, useState } from 'react';
import type { WorthSpreadAnswer, WorthSpreadTask } from '../../workers/worthSpread.worker';

/** Spread of what the best action of a keyword adds, by its id; undefined where it was not worked out. */
export type SpreadOf = (keyword: number) => WorthSpread | undefined;

const SEED = 20_260_314;
const MOST = 50;
const NOTHING: ReadonlyMap<number, WorthSpread> = new Map();

/** Spread of the first 50 rows, drawn in a thread of its own; `on` only where somebody sees it. */
export function useWorthSpread(rows: readonly GapRow[], on: boolean): SpreadOf {
  const task = useMemo(() => {
    const known = rows.slice(0, MOST).filter(({ parts }) => parts !== null);
    return { ids: known.map(({ id }) => id), keywords: known.map(({ parts }) => parts as WorthParts) };
  }, [rows]);
  const [spreads, setSpreads] = useState(NOTHING);
  useEffect(() => {
    if (!on || task.ids.length === 0) return;
    const worker = new Worker(new URL('../../workers/worthSpread.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.addEventListener('message', ({ data }: MessageEvent<WorthSpreadAnswer>) => {
      setSpreads(new Map(task.ids.map((id, n) => [id, data[n]!])));
      worker.terminate();
    });
    worker.postMessage({ keywords: task.keywords, seed: SEED } satisfies WorthSpreadTask);
    return () => worker.terminate();
  }, [task, on]);
  return useMemo(() => (keyword) => spreads.get(keyword), [spreads]);
}

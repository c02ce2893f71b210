import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { SiftPage, SiftRow } from '@opsimath/contract/api/sift';
import { key } from '@opsimath/core/text/key';
import { useEffect, useMemo, useState } from 'react';
import { useMarketsQuery } from '../../state/projectApi';
import { useSiftQuery } from '../../state/siftApi';
import type { LikelyFitAnswer, LikelyFitTask } from '../../workers/likelyFit.worker';

const MOST_LEARNT = 500;
const NO_ROWS: SiftRow[] = [];

export interface LikelyFits extends Omit<LikelyFitAnswer, 'likely'> {
  /** By keyword id, 0–1. */
  of: ReadonlyMap<number, number>;
}

/** What the verdicts so far say of those to come; learnt in a thread of its own. `null` before anything is learnt. */
export function useLikelyFit(lookUp: LookUp, page: SiftPage, waiting: readonly SiftRow[]): LikelyFits | null {
  const { data: markets } = useMarketsQuery();
  const language = markets?.find(({ code }) => code === lookUp.market)?.language ?? 'en';
  const { data } = useSiftQuery({
    lookUp: lookUp.id,
    query: {
      steps: [{ id: 'judged', on: true, sieve: { kind: 'verdict', verdicts: ['fit', 'adjacent', 'off'] } }],
      sort: 'keyword',
      limit: MOST_LEARNT,
    },
  });
  const judged = data?.rows ?? NO_ROWS;
  const { targets } = page;
  const task = useMemo((): LikelyFitTask => {
    const seen = (row: SiftRow) => ({
      key: key(row.text),
      ranking: targets.filter((_, t) => row.organic[t] !== null),
    });
    return {
      language,
      judged: judged.map((row) => ({ ...seen(row), fit: row.verdict === 'fit' })),
      waiting: waiting.map(seen),
    };
  }, [language, judged, waiting, targets]);
  const [fits, setFits] = useState<LikelyFits | null>(null);
  useEffect(() => {
    if (task.judged.length === 0 || task.waiting.length === 0) return;
    const worker = new Worker(new URL('../../workers/likelyFit.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.addEventListener('message', ({ data: answer }: MessageEvent<LikelyFitAnswer>) => {
      const { likely, ...rest } = answer;
      setFits({ ...rest, of: new Map(waiting.map(({ id }, n) => [id, likely[n]!])) });
      worker.terminate();
    });
    worker.postMessage(task);
    return () => worker.terminate();
  }, [task, waiting]);
  return fits;
}

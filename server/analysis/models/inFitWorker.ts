import { ThreadPool } from '../kept/threadPool';
import type { FitTasks } from './fitWorker';

/** A fit takes seconds of one core: one at a time. */
const pool = new ThreadPool<FitTasks>('fitWorker', 1);

/** Fits a model on a thread of its own: other questions are answered meanwhile. */
export function inFitWorker<K extends keyof FitTasks>(
  what: K,
  given: FitTasks[K]['given'],
): Promise<FitTasks[K]['gives']> {
  return pool.run(what, given);
}

/** Ends the threads. */
export const closeFitWorkers = (): Promise<void> => pool.close();

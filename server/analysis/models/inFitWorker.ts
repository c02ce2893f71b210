import { ThreadPool } from '../kept/threadPool';
import type { FitTasks } from './fitWorker';
import { KeptFits } from './keptFits';

/** A fit takes seconds of one core: one at a time. */
const pool = new ThreadPool<FitTasks>('fitWorker', 1);
let kept: KeptFits | null = null;

/** From here on fits are kept in this folder, and read from it after a restart. */
export function keepFitsIn(folder: string): void {
  kept = new KeptFits(folder);
}

/** Fits a model on a thread of its own: other questions are answered meanwhile. */
export function inFitWorker<K extends keyof FitTasks>(
  what: K,
  given: FitTasks[K]['given'],
): Promise<FitTasks[K]['gives']> {
  const make = () => pool.run(what, given);
  return kept === null ? make() : kept.get(pool.file, { what, given }, make);
}

/** Ends the threads. */
export const closeFitWorkers = (): Promise<void> => pool.close();

import { ThreadPool } from '../kept/threadPool';
import type { SolveTasks } from './solveWorker';

const pool = new ThreadPool<SolveTasks>('solveWorker', 1);

/** Solves something on a thread of its own: other questions are answered meanwhile. */
export function inSolveWorker<K extends keyof SolveTasks>(
  what: K,
  given: SolveTasks[K]['given'],
): Promise<SolveTasks[K]['gives']> {
  return pool.run(what, given);
}

/** Ends the threads. */
export const closeSolveWorkers = (): Promise<void> => pool.close();

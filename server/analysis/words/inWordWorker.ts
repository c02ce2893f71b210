import { ThreadPool } from '../kept/threadPool';
import type { WordTasks } from './wordWorker';

/** Words take long: two questions of them at a time, the others wait for their turn. */
const pool = new ThreadPool<WordTasks>('wordWorker', 2);

/** Works something out on a thread of its own: other questions are answered meanwhile. */
export function inWordWorker<K extends keyof WordTasks>(
  what: K,
  given: WordTasks[K]['given'],
  onProgress?: (done: number) => void,
): Promise<WordTasks[K]['gives']> {
  return pool.run(what, given, onProgress);
}

/** Ends the threads. */
export const closeWordWorkers = (): Promise<void> => pool.close();

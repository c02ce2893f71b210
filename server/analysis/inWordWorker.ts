import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { WordTasks } from './wordWorker';

/** Works something out on a thread of its own: other questions are answered meanwhile. */
export function inWordWorker<K extends keyof WordTasks>(
  what: K,
  given: WordTasks[K]['given'],
): Promise<WordTasks[K]['gives']> {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const worker = new Worker(path.join(folder, 'wordWorker.js'), { workerData: { what, given } });
  return new Promise<WordTasks[K]['gives']>((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
  }).finally(() => void worker.terminate());
}

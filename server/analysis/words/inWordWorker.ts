import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { WordReply, WordTasks } from './wordWorker';

/** Works something out on a thread of its own: other questions are answered meanwhile. */
export function inWordWorker<K extends keyof WordTasks>(
  what: K,
  given: WordTasks[K]['given'],
  onProgress: (done: number) => void = () => undefined,
): Promise<WordTasks[K]['gives']> {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const worker = new Worker(path.join(folder, 'wordWorker.js'), {
    workerData: { what, given },
    // What is thrown away at once shall not pile up first.
    resourceLimits: { maxYoungGenerationSizeMb: 24 },
  });
  return new Promise<WordTasks[K]['gives']>((resolve, reject) => {
    worker.on('message', (reply: WordReply) =>
      'done' in reply ? onProgress(reply.done) : resolve(reply.answer as WordTasks[K]['gives']),
    );
    worker.once('error', reject);
  }).finally(() => void worker.terminate());
}

import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { WordTasks } from './wordWorker';

/** Words take long: two questions of them at a time, the others wait for their turn. */
const AT_ONCE = 2;
/** A thread that has nothing to do is ended, and its dictionaries go with it. */
const IDLE_MS = 20_000;

let pool: Piscina | null = null;

function openPool(): Piscina {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const beside = path.join(folder, 'wordWorker.js');
  return new Piscina({
    // Tests run this file from its source: the thread's program stands where it was bundled to.
    filename: existsSync(beside) ? beside : path.join(folder, '../../dist/wordWorker.js'),
    minThreads: 0,
    maxThreads: AT_ONCE,
    idleTimeout: IDLE_MS,
    // What is thrown away at once shall not pile up first.
    resourceLimits: { maxYoungGenerationSizeMb: 24 },
  });
}

/** Works something out on a thread of its own: other questions are answered meanwhile. */
export async function inWordWorker<K extends keyof WordTasks>(
  what: K,
  given: WordTasks[K]['given'],
  onProgress: (done: number) => void = () => undefined,
): Promise<WordTasks[K]['gives']> {
  pool ??= openPool();
  const { port1: ours, port2: theirs } = new MessageChannel();
  ours.on('message', onProgress);
  ours.unref();
  try {
    return (await pool.run(
      { what, given, port: theirs },
      { transferList: [theirs] },
    )) as WordTasks[K]['gives'];
  } finally {
    ours.close();
  }
}

/** Ends the threads. */
export async function closeWordWorkers(): Promise<void> {
  const closing = pool;
  pool = null;
  await closing?.destroy();
}

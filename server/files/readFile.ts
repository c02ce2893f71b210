import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Problem } from '@opsimath/contract/api/problem';
import PQueue from 'p-queue';
import { KnownProblem, UnforeseenProblem, problemFrom } from '../problems/problem';
import type { FileTasks } from './fileTasks';

/** Whoever brought a file is waiting for it: what takes longer than this is refused. */
const LONGEST_MS = 60_000;
const MOST_MEMORY_MB = 1024;
/** Files at once: each may take a core and much memory. */
const queue = new PQueue({ concurrency: 2 });

type Reply = { answer: unknown } | { problem: Problem; stack: string | null };

/**
 * Reads a file that somebody brought on a thread of its own, within limits of time and memory: whatever is in it,
 * nobody else waits for it. Throws a KnownProblem for what cannot be read.
 */
export function readFile<Name extends keyof FileTasks>(
  name: Name,
  ...args: Parameters<FileTasks[Name]>
): Promise<Awaited<ReturnType<FileTasks[Name]>>> {
  return queue.add(() => inThread(name, args)) as Promise<Awaited<ReturnType<FileTasks[Name]>>>;
}

function inThread(name: string, args: unknown[]): Promise<unknown> {
  const folder = path.dirname(fileURLToPath(import.meta.url));
  const worker = new Worker(path.join(folder, 'fileWorker.js'), {
    workerData: { name, args },
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB, maxYoungGenerationSizeMb: 32 },
  });
  return new Promise<unknown>((resolve, reject) => {
    const late = setTimeout(
      () =>
        reject(
          new KnownProblem(
            'takes-too-long',
            `This file could not be read within ${LONGEST_MS / 1000} seconds.`,
            'Split it, or save it in a plainer form, as CSV for example.',
          ),
        ),
      LONGEST_MS,
    );
    worker.once('message', (reply: Reply) => {
      clearTimeout(late);
      if ('answer' in reply) resolve(reply.answer);
      else if (reply.stack === null) reject(problemFrom(reply.problem));
      else {
        const unforeseen = new UnforeseenProblem(new Error(reply.problem.message));
        unforeseen.stack = reply.stack;
        reject(unforeseen);
      }
    });
    worker.once('error', (error: Error & { code?: string }) => {
      clearTimeout(late);
      reject(
        error.code === 'ERR_WORKER_OUT_OF_MEMORY'
          ? new KnownProblem(
              'too-large',
              'Reading this file takes more memory than one file may have.',
              'Split it, or save it in a plainer form, as CSV for example.',
            )
          : error,
      );
    });
  }).finally(() => void worker.terminate());
}

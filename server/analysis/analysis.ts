import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { KnownProblem } from '../problem';
import type { AnalysisAnswers } from './analysisWorker';
import { LOADED } from './loaded';

/** The analysis thread as seen from the others: every answer of it as a promise. */
export type Analysis = AnalysisAnswers & {
  /** When the thread has loaded: the first question need not wait for that. */
  ready(): Promise<void>;
  close(): Promise<void>;
};

interface Reply {
  id: number;
  value?: unknown;
  problem?: { status: number; code: string; message: string; todo?: string };
}

/** Memory for segment columns. */
const BUDGET_BYTES = 400 * 1024 * 1024;

/** Starts the analysis thread. Should it ever die, who waits is told, and the next question starts a new one. */
export function startAnalysis(folder: string, databaseFile: string): Analysis {
  const waiting = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>();
  let asked = 0;
  let worker: Worker | null = null;
  let closed = false;
  let loaded: () => void;
  const ready = new Promise<void>((resolve) => (loaded = resolve));

  function start(): Worker {
    const started = new Worker(path.join(folder, 'analysisWorker.js'), {
      workerData: { file: databaseFile, budgetBytes: BUDGET_BYTES },
    });
    started.on('message', ({ id, value, problem }: Reply) => {
      if (id === LOADED) return loaded();
      const caller = waiting.get(id);
      waiting.delete(id);
      if (problem)
        caller?.reject(new KnownProblem(problem.status, problem.code, problem.message, problem.todo));
      else caller?.resolve(value);
    });
    started.on('error', () => undefined);
    started.on('exit', () => {
      loaded();
      if (worker === started) worker = null;
      const problem = new KnownProblem(
        503,
        'analysis-stopped',
        'The analysis stopped in the middle of this answer.',
        'Ask again.',
      );
      for (const caller of waiting.values()) caller.reject(problem);
      waiting.clear();
    });
    return started;
  }
  const ask = (name: string, args: unknown[]): Promise<unknown> =>
    new Promise((resolve, reject) => {
      if (closed) return reject(new KnownProblem(503, 'closing', 'The application is being stopped.'));
      worker ??= start();
      waiting.set(++asked, { resolve, reject });
      worker.postMessage({ id: asked, name, args });
    });
  const close = async (): Promise<void> => {
    closed = true;
    await worker?.terminate();
  };
  worker = start();
  return new Proxy({} as Analysis, {
    get: (_, name: string) =>
      name === 'close' ? close : name === 'ready' ? () => ready : (...args: unknown[]) => ask(name, args),
  });
}

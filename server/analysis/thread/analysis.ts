import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Problem } from '@opsimath/contract/api/problem';
import { KnownProblem, problemFrom } from '../../problems/problem';
import type { AnalysisAnswers } from './analysisWorker';
import type { WriteTurn } from '../../data/storage/writeTurn';
import { CLOSE, LOADED } from './loaded';

/** The analysis thread as seen from the others: every answer of it as a promise. */
export type Analysis = AnalysisAnswers & {
  /** When the thread has loaded: the first question need not wait for that. */
  ready(): Promise<void>;
  close(): Promise<void>;
};

interface Reply {
  id: number;
  value?: unknown;
  problem?: Problem;
  /** Of a failure that nobody foresaw: what the log is to keep. */
  trouble?: Trouble;
}

/** What a thread tells of a failure that nobody foresaw. */
export interface Trouble {
  number: string;
  where: string;
  stack: string;
}

/** A thread in the middle of something long is not waited for longer than this. */
const CLOSING_MS = 2000;
/** Memory for segment columns. */
const BUDGET_BYTES = 400 * 1024 * 1024;

/** Starts the analysis thread. Should it ever die, who waits is told, and the next question starts a new one. */
export function startAnalysis(
  folder: string,
  databaseFile: string,
  turn: WriteTurn,
  onTrouble: (trouble: Trouble) => void,
): Analysis {
  const waiting = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>();
  let asked = 0;
  let worker: Worker | null = null;
  let closed = false;
  let loaded: () => void;
  const ready = new Promise<void>((resolve) => (loaded = resolve));

  function start(): Worker {
    const started = new Worker(path.join(folder, 'analysisWorker.js'), {
      workerData: { file: databaseFile, budgetBytes: BUDGET_BYTES, turn: turn.shared },
    });
    started.on('message', ({ id, value, problem, trouble }: Reply) => {
      if (trouble) onTrouble(trouble);
      if (id === LOADED) return loaded();
      const caller = waiting.get(id);
      waiting.delete(id);
      if (problem) caller?.reject(problemFrom(problem));
      else caller?.resolve(value);
    });
    started.on('error', (error) =>
      onTrouble({ number: '', where: 'analysis thread', stack: String((error as Error).stack ?? error) }),
    );
    const { threadId } = started;
    started.on('exit', () => {
      turn.release(threadId);
      loaded();
      if (worker === started) worker = null;
      const problem = new KnownProblem(
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
      if (closed) return reject(new KnownProblem('closing', 'The application is being stopped.'));
      worker ??= start();
      waiting.set(++asked, { resolve, reject });
      worker.postMessage({ id: asked, name, args });
    });
  const close = async (): Promise<void> => {
    closed = true;
    if (worker === null) return;
    // It closes its connection itself: only then can the log be written into the file.
    const gone = new Promise((resolve) => worker!.once('exit', resolve));
    worker.postMessage({ id: 0, name: CLOSE, args: [] });
    const late = setTimeout(() => void worker?.terminate(), CLOSING_MS);
    await gone;
    clearTimeout(late);
  };
  worker = start();
  return new Proxy({} as Analysis, {
    get: (_, name: string) =>
      name === 'close' ? close : name === 'ready' ? () => ready : (...args: unknown[]) => ask(name, args),
  });
}

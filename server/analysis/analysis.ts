import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { KnownProblem } from '../problem';
import type { AnalysisAnswers } from './analysisWorker';

/** The analysis thread as seen from the others: every answer of it as a promise. */
export type Analysis = AnalysisAnswers & { close(): Promise<void> };

interface Reply {
  id: number;
  value?: unknown;
  problem?: { status: number; code: string; message: string; todo?: string };
}

/** Memory for segment columns. */
const BUDGET_BYTES = 400 * 1024 * 1024;

export function startAnalysis(folder: string, databaseFile: string): Analysis {
  const worker = new Worker(path.join(folder, 'analysisWorker.js'), {
    workerData: { file: databaseFile, budgetBytes: BUDGET_BYTES },
  });
  const waiting = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>();
  let asked = 0;
  worker.on('message', ({ id, value, problem }: Reply) => {
    const caller = waiting.get(id);
    waiting.delete(id);
    if (problem)
      caller?.reject(new KnownProblem(problem.status, problem.code, problem.message, problem.todo));
    else caller?.resolve(value);
  });
  worker.on('error', (error) => {
    for (const caller of waiting.values()) caller.reject(error);
    waiting.clear();
  });
  const ask = (name: string, args: unknown[]): Promise<unknown> =>
    new Promise((resolve, reject) => {
      waiting.set(++asked, { resolve, reject });
      worker.postMessage({ id: asked, name, args });
    });
  return new Proxy({} as Analysis, {
    get: (_, name: string) =>
      name === 'close'
        ? async () => void (await worker.terminate())
        : (...args: unknown[]) => ask(name, args),
  });
}

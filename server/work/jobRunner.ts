import { EventEmitter } from 'node:events';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Job } from '@opsimath/contract/api/jobs';
import type { Database } from '../data/connection';
import { jobById, readJob, setJobState, unfinishedJobs } from '../data/jobs';
import { retryFailedParts } from '../data/lookUpSteps';
import { KnownProblem } from '../problem';
import type { HttpSourceOptions } from '../sources/httpSource';

const RESTART_MS = 1000;

/** Starts, stops and listens to long work, which runs on a thread of its own. */
export class JobRunner {
  private worker: Worker;
  private closed = false;
  private readonly events = new EventEmitter().setMaxListeners(0);

  constructor(
    private readonly database: Database,
    private readonly options: {
      folder: string;
      databaseFile: string;
      filesFolder: string;
      source: HttpSourceOptions;
    },
  ) {
    this.worker = this.startThread();
  }

  /** The thread that works. Should it ever die, another one goes on with what was unfinished. */
  private startThread(): Worker {
    const { folder, databaseFile, filesFolder, source } = this.options;
    const worker = new Worker(path.join(folder, 'jobWorker.js'), {
      workerData: { file: databaseFile, filesFolder, source },
    });
    worker.on('message', (job: Job) => this.events.emit(String(job.id), job));
    worker.on('error', () => undefined);
    worker.on('exit', (code) => {
      // Not at once where it failed: a thread that cannot start must not spin.
      setTimeout(
        () => {
          if (this.closed) return;
          this.worker = this.startThread();
          void this.resumeAll();
        },
        code === 0 ? 0 : RESTART_MS,
      ).unref();
    });
    return worker;
  }

  /** Takes up what a stopped server left unfinished. */
  async resumeAll(): Promise<void> {
    for (const id of await unfinishedJobs(this.database)) this.start(id);
  }

  start(id: number): void {
    this.worker.postMessage({ type: 'run', id });
  }

  /** Goes on with a failed or cancelled job from where it stood. */
  async resume(id: number): Promise<Job> {
    const row = await jobById(this.database, id);
    if (row.state !== 'failed' && row.state !== 'cancelled') {
      throw new KnownProblem(
        409,
        'not-stopped',
        `Job ${id} is ${row.state}; only a failed or cancelled one can go on.`,
      );
    }
    if (row.kind === 'look-up') await retryFailedParts(this.database, Number(row.request.lookUpId));
    await setJobState(this.database, id, 'queued', null);
    this.start(id);
    return readJob(await jobById(this.database, id));
  }

  async cancel(id: number): Promise<Job> {
    const row = await jobById(this.database, id);
    if (row.state === 'queued' || row.state === 'running') this.worker.postMessage({ type: 'cancel', id });
    return readJob(row);
  }

  /** Calls back with every change of a job until the returned function is called. */
  listen(id: number, listener: (job: Job) => void): () => void {
    this.events.on(String(id), listener);
    return () => this.events.off(String(id), listener);
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.worker.terminate();
  }
}

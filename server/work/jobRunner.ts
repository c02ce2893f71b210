import { EventEmitter } from 'node:events';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Job } from '@opsimath/contract/api/jobs';
import type { Database } from '../data/connection';
import { jobById, readJob, setJobState, unfinishedJobs } from '../data/jobs';
import { KnownProblem } from '../problem';
import type { HttpSourceOptions } from '../sources/httpSource';

/** Starts, stops and listens to long work, which runs on a thread of its own. */
export class JobRunner {
  private readonly worker: Worker;
  private readonly events = new EventEmitter().setMaxListeners(0);

  constructor(
    private readonly database: Database,
    options: { folder: string; databaseFile: string; filesFolder: string; source: HttpSourceOptions },
  ) {
    this.worker = new Worker(path.join(options.folder, 'jobWorker.js'), {
      workerData: { file: options.databaseFile, filesFolder: options.filesFolder, source: options.source },
    });
    this.worker.on('message', (job: Job) => this.events.emit(String(job.id), job));
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
    await this.worker.terminate();
  }
}

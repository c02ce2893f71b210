import { EventEmitter } from 'node:events';
import path from 'node:path';
import { setImmediate as turn } from 'node:timers/promises';
import { Worker } from 'node:worker_threads';
import type { Job } from '@opsimath/contract/api/jobs';
import { LRUCache } from 'lru-cache';
import type { Trouble } from '../analysis/thread/analysis';
import type { Database } from '../data/storage/connection';
import { jobById, readJob, setJobState, unfinishedJobs } from '../data/jobs';
import { retryFailedParts } from '../data/lookUpSteps';
import type { WriteTurn } from '../data/storage/writeTurn';
import { KnownProblem } from '../problems/problem';
import type { HttpSourceOptions } from '../sources/httpSource';
import type { People } from './people';

const FIRST_RESTART_MS = 1000;
const LONGEST_RESTART_MS = 60_000;
/** A thread in the middle of something is not waited for longer than this. */
const CLOSING_MS = 3000;

/** What the thread says: how a job stands, how one ends that is about to go with its project, or what the log is to keep. */
export type Report = { job: Job } | { going: Job } | { trouble: Trouble };
export type Order = { type: 'run' | 'cancel'; id: number } | { type: 'close' };

interface RunnerOptions {
  folder: string;
  databaseFile: string;
  filesFolder: string;
  source: HttpSourceOptions;
  turn: WriteTurn;
  onTrouble: (trouble: Trouble) => void;
  people: People;
  /** A job has come to its end, whatever that is. */
  onEnd: (job: Job) => void;
}

/** Starts, stops and listens to long work, which runs on a thread of its own. */
export class JobRunner {
  private worker: Worker;
  private closed = false;
  /** Deaths of the thread since a job last came to an end: each makes the next start wait longer. */
  private deaths = 0;
  /** Jobs that have ended, though the disk would not take it: how they stand in truth. */
  private readonly unwritten = new Map<number, Job>();
  /** How jobs ended that went with their project: whoever asks later is told all the same. */
  private readonly gone = new LRUCache<number, Job>({ max: 200 });
  private readonly events = new EventEmitter().setMaxListeners(0);

  constructor(
    private readonly database: Database,
    private readonly options: RunnerOptions,
  ) {
    this.worker = this.startThread();
  }

  /** The thread that works. Should it ever die, another one goes on with what was unfinished, later each time. */
  private startThread(): Worker {
    const { folder, databaseFile, filesFolder, source, turn, people, onTrouble } = this.options;
    const worker = new Worker(path.join(folder, 'jobWorker.js'), {
      // Its garbage is short-lived; left alone it would grow to hundreds of megabytes.
      resourceLimits: { maxYoungGenerationSizeMb: 24 },
      workerData: { file: databaseFile, filesFolder, source, turn: turn.shared, people: people.shared },
    });
    const { threadId } = worker;
    worker.on('message', (report: Report) => {
      if ('trouble' in report) onTrouble(report.trouble);
      else if ('going' in report) this.gone.set(report.going.id, report.going);
      else this.hear(report.job);
    });
    worker.on('error', (error) =>
      onTrouble({ number: '', where: 'job thread', stack: String((error as Error).stack ?? error) }),
    );
    worker.on('exit', (code) => {
      turn.release(threadId);
      if (this.closed) return;
      const wait = code === 0 ? 0 : Math.min(LONGEST_RESTART_MS, FIRST_RESTART_MS * 2 ** this.deaths++);
      setTimeout(() => {
        if (this.closed) return;
        this.worker = this.startThread();
        this.resumeAll().catch((error: unknown) =>
          onTrouble({ number: '', where: 'going on with jobs', stack: String((error as Error).stack) }),
        );
      }, wait).unref();
    });
    return worker;
  }

  private hear(job: Job & { unwritten?: boolean }): void {
    const { unwritten, ...told } = job;
    if (unwritten) this.unwritten.set(job.id, told);
    else if (job.state !== 'running') this.unwritten.delete(job.id);
    if (job.state === 'done') this.deaths = 0;
    this.events.emit(String(job.id), told);
    if (job.state !== 'running' && job.state !== 'queued') this.options.onEnd(told);
  }

  /** A job as it stands. Throws when there is none, and never was one that ended in this process. */
  async job(id: number): Promise<Job> {
    try {
      return this.asItStands(readJob(await jobById(this.database, id)));
    } catch (error) {
      // Its thread said how it ends before it took it away: what it said may still be on its way here.
      await turn();
      const gone = this.gone.get(id);
      if (gone) return gone;
      throw error;
    }
  }

  /** A job as it stands, also where that could not be written down. */
  asItStands(job: Job): Job {
    return this.unwritten.get(job.id) ?? job;
  }

  /** Takes up what a stopped server left unfinished. */
  async resumeAll(): Promise<void> {
    for (const id of await unfinishedJobs(this.database)) if (!this.unwritten.has(id)) this.start(id);
  }

  start(id: number): void {
    this.worker.postMessage({ type: 'run', id } satisfies Order);
  }

  /** Goes on with a failed or cancelled job from where it stood. */
  async resume(id: number): Promise<Job> {
    const row = await jobById(this.database, id);
    if (row.state !== 'failed' && row.state !== 'cancelled' && !this.unwritten.has(id)) {
      throw new KnownProblem(
        'not-stopped',
        `Job ${id} is ${row.state}; only a failed or cancelled one can go on.`,
      );
    }
    if (row.kind === 'look-up') await retryFailedParts(this.database, Number(row.request.lookUpId));
    await setJobState(this.database, id, 'queued', null);
    this.unwritten.delete(id);
    this.start(id);
    return readJob(await jobById(this.database, id));
  }

  async cancel(id: number): Promise<Job> {
    const row = await jobById(this.database, id);
    if (row.state === 'queued' || row.state === 'running')
      this.worker.postMessage({ type: 'cancel', id } satisfies Order);
    return this.asItStands(readJob(row));
  }

  /** Calls back with every change of a job until the returned function is called. */
  listen(id: number, listener: (job: Job) => void): () => void {
    this.events.on(String(id), listener);
    return () => this.events.off(String(id), listener);
  }

  /** Ends the thread after it has closed its connection, so that the log can be written into the file. */
  async close(): Promise<void> {
    this.closed = true;
    const gone = new Promise((resolve) => this.worker.once('exit', resolve));
    this.worker.postMessage({ type: 'close' } satisfies Order);
    const late = setTimeout(() => void this.worker.terminate(), CLOSING_MS);
    await gone;
    clearTimeout(late);
  }
}

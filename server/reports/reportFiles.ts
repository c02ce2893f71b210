import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Problem } from '@opsimath/contract/api/problem';
import type { FileFormat, ReportFile } from '@opsimath/contract/api/reports';
import { LRUCache } from 'lru-cache';
import PQueue from 'p-queue';
import type { FileOrder } from '../files/report/makeFile';
import { KnownProblem } from '../problems/problem';

type Told = { progress: number } | { made: Uint8Array } | { problem: Problem; stack: string | null };

interface Work extends ReportFile {
  project: number;
  format: FileFormat;
  made: Uint8Array | null;
  worker: Worker | null;
}

const LONGEST_MS = 120_000;
const MOST_MEMORY_MB = 1024;

/** Files that were asked for lately: each is written on a thread of its own, and stays a while to be taken away. */
export class ReportFiles {
  private readonly works = new LRUCache<number, Work>({ max: 40, ttl: 3_600_000 });
  private readonly queue = new PQueue({ concurrency: 2 });
  private last = 0;

  /** @param onTrouble told of what nobody foresaw */
  constructor(private readonly onTrouble: (stack: string) => void) {}

  /** Begins to write a file. */
  start(project: number, name: string, order: FileOrder): ReportFile {
    const id = ++this.last;
    const work: Work = {
      ...{ id, project, name, format: order.format },
      ...{ state: 'working', progress: 0, bytes: 0, message: null, made: null, worker: null },
    };
    this.works.set(id, work);
    void this.queue.add(() => this.write(work, order));
    return told(work);
  }

  state(project: number, id: number): ReportFile {
    return told(this.work(project, id));
  }

  /** The file itself. Throws while it is being written. */
  taken(project: number, id: number): { bytes: Uint8Array; name: string; format: FileFormat } {
    const { made, name, format, message } = this.work(project, id);
    if (made === null)
      throw new KnownProblem('no-such-file', message ?? 'This file is not written yet.', 'Wait until it is.');
    return { bytes: made, name, format };
  }

  /** Stops writing a file, and forgets it. */
  async cancel(project: number, id: number): Promise<void> {
    const work = this.work(project, id);
    this.works.delete(id);
    await work.worker?.terminate();
  }

  private work(project: number, id: number): Work {
    const work = this.works.get(id);
    if (work?.project !== project)
      throw new KnownProblem('no-such-file', 'This file is gone.', 'Ask for it again.');
    return work;
  }

  private async write(work: Work, order: FileOrder): Promise<void> {
    if (!this.works.has(work.id)) return;
    const folder = path.dirname(fileURLToPath(import.meta.url));
    const worker = new Worker(path.join(folder, 'reportWorker.js'), {
      workerData: order,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
    work.worker = worker;
    const failed = (message: string): void => {
      if (work.state !== 'working') return;
      work.state = 'failed';
      work.message = message;
    };
    await new Promise<void>((resolve) => {
      const late = setTimeout(() => {
        failed('Writing this file took too long. Make the report shorter.');
        resolve();
      }, LONGEST_MS);
      worker.on('message', (news: Told) => {
        if ('progress' in news) work.progress = news.progress;
        else {
          clearTimeout(late);
          if ('made' in news) {
            const bytes = news.made;
            Object.assign(work, { made: bytes, bytes: bytes.byteLength, progress: 1, state: 'done' });
          } else {
            failed([news.problem.message, news.problem.todo].filter(Boolean).join(' '));
            if (news.stack !== null) this.onTrouble(news.stack);
          }
          resolve();
        }
      });
      worker.once('error', (error) => {
        failed('Writing this file takes more memory than one may have. Make the report shorter.');
        this.onTrouble(String(error instanceof Error ? error.stack : error));
      });
      worker.once('exit', () => {
        clearTimeout(late);
        failed('Writing this file was stopped.');
        resolve();
      });
    });
    await worker.terminate();
    work.worker = null;
  }
}

const told = ({ id, state, progress, name, bytes, message }: Work): ReportFile => ({
  ...{ id, state, progress, name, bytes, message },
});

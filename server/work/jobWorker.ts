import { parentPort, workerData } from 'node:worker_threads';
import type { Job } from '@opsimath/contract/api/jobs';
import PQueue from 'p-queue';
import { openDatabase, writeTogether } from '../data/connection';
import { jobById, progressStatement, readJob, setJobState } from '../data/jobs';
import { PlaceBook } from '../data/places';
import { removeProject } from '../data/projects';
import { KnownProblem } from '../problem';
import { type HttpSourceOptions, httpSource } from '../sources/httpSource';
import { runCaptures } from './captureJob';
import { type JobContext, ProgressMeter } from './context';
import { runImport } from './importJob';
import { Locks } from './locks';
import { runLookUp } from './lookUpJob';
import { runArchive } from './archiveJob';
import { runAuctions } from './auctionJob';

interface WorkerData {
  file: string;
  filesFolder: string;
  source: HttpSourceOptions;
}
type Order = { type: 'run' | 'cancel'; id: number };

const AT_ONCE = 2;
const TELL_EVERY_MS = 120;

const { file, filesFolder, source: sourceOptions } = workerData as WorkerData;
const database = await openDatabase(file);
const source = httpSource(sourceOptions);
const queue = new PQueue({ concurrency: AT_ONCE });
const running = new Map<number, AbortController>();
const locks = new Locks();
let hasImported = false;
const runners: Record<Job['kind'], (context: JobContext) => Promise<string | null>> = {
  'look-up': runLookUp,
  captures: runCaptures,
  import: runImport,
  archive: runArchive,
  auctions: runAuctions,
};

parentPort!.on('message', ({ type, id }: Order) => {
  if (type === 'cancel') {
    running.get(id)?.abort(new Error('cancelled'));
    return;
  }
  if (running.has(id)) return;
  const controller = new AbortController();
  running.set(id, controller);
  void queue.add(() => run(id, controller)).finally(() => running.delete(id));
});

/** A thread that has read a large file keeps room for it. When nothing is left to do it makes way for a fresh one. */
queue.on('idle', () => {
  if (!hasImported) return;
  database.client.close();
  process.exit(0);
});

async function run(id: number, controller: AbortController): Promise<void> {
  let told = 0;
  const row = await jobById(database, id);
  hasImported ||= row.kind === 'import';
  const progress = new ProgressMeter(
    () => performance.now(),
    (state) => {
      const now = performance.now();
      if (now - told < TELL_EVERY_MS && state.done !== state.total) return;
      told = now;
      parentPort!.postMessage({
        ...readJob(row),
        state: 'running',
        message: null,
        finishedAt: null,
        progress: state,
      });
    },
  );
  try {
    controller.signal.throwIfAborted();
    await setJobState(database, id, 'running', null);
    const message = await runners[row.kind]({
      jobId: id,
      projectId: row.projectId,
      request: row.request,
      database,
      source,
      locks,
      places: new PlaceBook(database),
      filesFolder,
      signal: controller.signal,
      progress,
    });
    await finish(id, 'done', message, progress);
  } catch (error) {
    // A project that was to come from an archive is nothing without it; whoever is told finds it gone.
    if (row.kind === 'archive') {
      const message = controller.signal.aborted ? 'Cancelled. Nothing of it is kept.' : describe(error);
      await removeProject(database, row.projectId);
      parentPort!.postMessage({
        ...readJob(row),
        state: 'failed',
        message,
        finishedAt: new Date().toISOString(),
      });
    } else if (controller.signal.aborted)
      await finish(id, 'cancelled', 'Cancelled. What had come is kept.', progress);
    else await finish(id, 'failed', describe(error), progress);
  }
}

async function finish(
  id: number,
  state: Job['state'],
  message: string | null,
  progress: ProgressMeter,
): Promise<void> {
  await writeTogether(database, [progressStatement(id, { ...progress.current(), secondsLeft: null })]);
  await setJobState(database, id, state, message);
  parentPort!.postMessage(readJob(await jobById(database, id)));
}

function describe(error: unknown): string {
  if (error instanceof KnownProblem) return [error.message, error.todo].filter(Boolean).join(' ');
  return `Something unforeseen: ${error instanceof Error ? error.message : String(error)}. What had come is kept.`;
}

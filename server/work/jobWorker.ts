import { parentPort, workerData } from 'node:worker_threads';
import type { Job } from '@opsimath/contract/api/jobs';
import PQueue from 'p-queue';
import { openDatabase, writeTogether } from '../data/storage/connection';
import { emptyLogWhenLarge } from '../data/storage/log';
import { endStatement, jobById, noteStart, progressStatement, readJob } from '../data/jobs';
import { PlaceBook } from '../data/places';
import { removeProject } from '../data/projects';
import { storageProblem } from '../data/storage/storageProblems';
import { WriteTurn } from '../data/storage/writeTurn';
import { KnownProblem, UNFORESEEN_TODO, UnforeseenProblem, toProblem } from '../problems/problem';
import { type HttpSourceOptions, httpSource } from '../sources/httpSource';
import { runCaptures } from './captureJob';
import { type JobContext, ProgressMeter } from './steps/context';
import { runImport } from './importJob';
import type { Order, Report } from './jobRunner';
import { People } from './people';
import { Locks } from './steps/locks';
import { runLookUp } from './lookUpJob';
import { runArchive } from './archiveJob';
import { runAuctions } from './auctionJob';
import { runAudit } from './auditJob';

interface WorkerData {
  file: string;
  filesFolder: string;
  source: HttpSourceOptions;
  turn: SharedArrayBuffer;
  people: SharedArrayBuffer;
}

const AT_ONCE = 2;
const TELL_EVERY_MS = 120;
/** Starts in a row without any progress after which a job is left alone. */
const MOST_RESTARTS = 8;
/** How often an end is tried to be written down that the disk would not take. */
const WRITE_AGAIN_MS = 5000;
const LOOK_AT_LOG_MS = 10_000;

const { file, filesFolder, source: sourceOptions, turn, people: shared } = workerData as WorkerData;
const people = new People(shared);
const database = await openDatabase(file, new WriteTurn(turn));
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
  audit: runAudit,
};
const tell = (report: Report): void => parentPort!.postMessage(report);

parentPort!.on('message', (order: Order) => {
  if (order.type === 'close') return leave();
  const { id } = order;
  if (order.type === 'cancel') {
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
  if (hasImported) leave();
});

setInterval(() => void emptyLogWhenLarge(database, file), LOOK_AT_LOG_MS).unref();

function leave(): void {
  database.client.close();
  process.exit(0);
}

/** Runs a job to its end, whatever that is. Never throws: a thread that dies takes all other jobs with it. */
async function run(id: number, controller: AbortController): Promise<void> {
  try {
    const ended = await runToEnd(id, controller);
    if (ended) await end(ended.job, ended.state, ended.message, ended.progress);
  } catch (error) {
    report(toProblem(error), `job ${id}`);
  }
  await database.checkpoint().catch((error: unknown) => report(toProblem(error), 'emptying the log'));
}

interface Ended {
  job: Job;
  state: 'done' | 'failed' | 'cancelled';
  message: string | null;
  progress: ProgressMeter;
}

/** `null` when there is nothing more to say: what it was about is gone, or its end is written already. */
async function runToEnd(id: number, controller: AbortController): Promise<Ended | null> {
  const row = await jobById(database, id).catch(() => null);
  if (row === null || row.state === 'done') return null;
  hasImported ||= row.kind === 'import';
  const job = readJob(row);
  let told = 0;
  const progress = new ProgressMeter(
    () => performance.now(),
    (state) => {
      const now = performance.now();
      if (now - told < TELL_EVERY_MS && state.done !== state.total) return;
      told = now;
      tell({ job: { ...job, state: 'running', message: null, finishedAt: null, progress: state } });
    },
    job.progress.units,
  );
  try {
    controller.signal.throwIfAborted();
    if ((await noteStart(database, id)) > MOST_RESTARTS)
      return {
        job,
        progress,
        state: 'failed',
        message: `It was started ${MOST_RESTARTS} times without getting any further. What had come is kept. Go on with it to try again.`,
      };
    const message = await runners[row.kind]({
      jobId: id,
      projectId: row.projectId,
      request: row.request,
      database,
      source,
      people,
      locks,
      places: new PlaceBook(database),
      filesFolder,
      signal: controller.signal,
      progress,
    });
    return { job, progress, state: 'done', message };
  } catch (error) {
    const cancelled = controller.signal.aborted;
    if (row.kind === 'archive') return withoutArchive(job, row.projectId, progress, cancelled, error);
    if (cancelled) return { job, progress, state: 'cancelled', message: 'Cancelled. What had come is kept.' };
    return { job, progress, state: 'failed', message: describe(error, `job ${id} (${row.kind})`) };
  }
}

/** A project that was to come from an archive is nothing without it; whoever is told finds it gone. */
async function withoutArchive(
  job: Job,
  projectId: number,
  progress: ProgressMeter,
  cancelled: boolean,
  error: unknown,
): Promise<Ended | null> {
  const message = cancelled
    ? 'Cancelled. Nothing of it is kept.'
    : describe(error, `job ${job.id} (archive)`);
  // On a full disk or a held file the project stays as it is, and the job goes on once there is room.
  if (!cancelled && storageProblem(error) !== null) return { job, progress, state: 'failed', message };
  if ((await jobById(database, job.id)).state === 'done') return null;
  const ended: Job = { ...job, state: 'failed', message, finishedAt: new Date().toISOString() };
  // Said before it goes: whoever asks in between is told how it ended, not that there never was such a job.
  tell({ going: ended });
  await removeProject(database, projectId);
  tell({ job: ended });
  return null;
}

/** Writes the end down; where the disk will not take it, it is told all the same and written as soon as it can be. */
async function end(
  job: Job,
  state: Ended['state'],
  message: string | null,
  progress: ProgressMeter,
): Promise<void> {
  const reached = { ...progress.current(), secondsLeft: null };
  try {
    await writeTogether(database, [progressStatement(job.id, reached), endStatement(job.id, state, message)]);
    tell({ job: readJob(await jobById(database, job.id)) });
  } catch (error) {
    report(toProblem(error), `the end of job ${job.id}`);
    const said = message ?? storageProblem(error)?.message ?? null;
    const told = { ...job, state, message: said, finishedAt: new Date().toISOString(), progress: reached };
    tell({ job: { ...told, unwritten: true } as Job });
    setTimeout(() => {
      // Somebody may have gone on with it meanwhile.
      if (!running.has(job.id)) void end(job, state, said, progress);
    }, WRITE_AGAIN_MS).unref();
  }
}

function report(problem: KnownProblem | UnforeseenProblem, where: string): void {
  const number = problem instanceof UnforeseenProblem ? problem.number : '';
  tell({ trouble: { number, where, stack: problem.stack ?? problem.message } });
}

function describe(error: unknown, where: string): string {
  const problem = storageProblem(error) ?? toProblem(error);
  if (problem instanceof KnownProblem) return [problem.message, problem.todo].filter(Boolean).join(' ');
  report(problem, where);
  return `${problem.told} What had come is kept. ${UNFORESEEN_TODO}`;
}

import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { type Trouble, startAnalysis } from './analysis/thread/analysis';
import { type Database, migrateDatabase, openDatabase } from './data/storage/connection';
import { type HeldFolder, holdFolder } from './data/storage/folderHolder';
import { removeSuperseded } from './data/segments/merge';
import { releaseAllImports } from './data/wholeImports';
import { checkFolder, checkSegments } from './data/storage/startChecks';
import { storageProblem } from './data/storage/storageProblems';
import { WriteTurn } from './data/storage/writeTurn';
import { removeOldUploads } from './files/oldUploads';
import { createApp } from './http/app';
import { Changes } from './http/changes';
import { knownProblemOf } from './problems/problem';
import { httpSource } from './sources/httpSource';
import { People } from './work/people';
import { Scheduler } from './watch/scheduler';
import { ReportFiles } from './reports/reportFiles';
import { JobRunner } from './work/jobRunner';

const folder = path.dirname(fileURLToPath(import.meta.url));
const home = path.join(folder, '..');
const HOUR_MS = 3_600_000;

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4280' },
    host: { type: 'string', default: '127.0.0.1' },
    /** A name under which browsers may ask for this, beside the loopback names; may be given several times. */
    'allowed-host': { type: 'string', multiple: true, default: [] },
    data: { type: 'string', default: path.join(home, '..', '.data') },
    services: { type: 'string', default: 'http://127.0.0.1:4281' },
    'source-timeout': { type: 'string', default: '10000' },
    'source-retries': { type: 'string', default: '9' },
    'source-delay': { type: 'string', default: '300' },
    /** Milliseconds between two looks for captures that are due. */
    'watch-every': { type: 'string', default: '60000' },
  },
});

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination({ dest: 2, sync: true }));
const databaseFile = path.join(values.data, 'opsimath.db');
const filesFolder = path.join(values.data, 'files');

async function start(): Promise<void> {
  checkFolder(values.data, databaseFile);
  const held = await holdFolder(values.data);
  const turn = new WriteTurn();
  const database = await openDatabase(databaseFile, turn);
  await migrateDatabase(database, path.join(home, 'data', 'migrations'));
  await removeSuperseded(database);
  await releaseAllImports(database);
  await checkSegments(database);
  await database.checkpoint();
  const source = {
    url: values.services,
    timeoutMs: Number(values['source-timeout']),
    retries: Number(values['source-retries']),
    firstDelayMs: Number(values['source-delay']),
  };
  const onTrouble = ({ number, where, stack }: Trouble): void =>
    log.error({ number: number || undefined, where, stack }, 'a thread met something unforeseen');
  const analysis = startAnalysis(folder, databaseFile, turn, onTrouble);
  const changes = new Changes();
  const people = new People();
  const jobs = new JobRunner(database, {
    folder,
    databaseFile,
    filesFolder,
    source,
    turn,
    people,
    onTrouble,
    onEnd: ({ projectId }) => changes.tell({ project: projectId, what: 'facts', window: '' }),
  });
  await jobs.resumeAll();
  await analysis.ready();
  sweepUploads(database);

  // The interface waits for these answers: fewer tries than long work makes.
  const quickSource = httpSource({ ...source, retries: Math.min(2, source.retries) });
  const reportFiles = new ReportFiles((stack) => onTrouble({ number: '', where: 'writing a report', stack }));
  const app = createApp(
    { database, source: quickSource, jobs, analysis, filesFolder, changes, people, reportFiles },
    path.join(home, '..', 'web', 'dist'),
    log,
    values['allowed-host'],
  );
  // Callers that hang up in the middle of an answer are no news.
  app.silent = true;
  app.on('error', (error: Error) => log.debug({ error: error.message }, 'answer broke off'));
  const listening = app.listen(Number(values.port), values.host);
  // Longer than any caller keeps a connection: none is closed under a request that is on its way.
  listening.keepAliveTimeout = 120_000;
  listening.once('error', fail);
  listening.once('listening', () => {
    const { address, port } = listening.address() as AddressInfo;
    held.at(`http://${address}:${port}`);
    // The one line that whoever started this waits for.
    process.stdout.write(`Opsimath at http://${address}:${port}\n`);
  });

  const scheduler = new Scheduler(
    { database, source: quickSource, jobs, analysis },
    Number(values['watch-every']),
    (error) => log.warn({ err: error }, 'looking for captures that are due'),
  );
  void scheduler.look();

  const stop = async (): Promise<void> => {
    scheduler.close();
    listening.close();
    listening.closeIdleConnections();
    // Threads close their connections first: only then can everything be written into the one file.
    await jobs.close();
    await analysis.close();
    await closeFile(database, held);
    process.exit(0);
  };
  process.once('SIGTERM', () => void stop());
  process.once('SIGINT', () => void stop());
}

async function closeFile(database: Database, held: HeldFolder): Promise<void> {
  await database.checkpoint().catch((error: unknown) => log.error({ err: error }, 'emptying the log'));
  database.client.close();
  held.release();
}

/** What was uploaded and never taken in, and what was cut off in the middle, goes after a day. */
function sweepUploads(database: Database): void {
  const sweep = (): void =>
    void removeOldUploads(database, filesFolder).catch((error: unknown) =>
      log.error({ err: error }, 'sweeping uploads'),
    );
  sweep();
  setInterval(sweep, HOUR_MS).unref();
}

/** One sentence and what to do; the rest is in the log. */
function fail(error: unknown): void {
  const problem = knownProblemOf(error) ?? storageProblem(error);
  const inUse = (error as { code?: string }).code === 'EADDRINUSE';
  const sentence = problem
    ? [problem.message, problem.todo].filter(Boolean).join(' ')
    : inUse
      ? `Port ${values.port} is taken by another program. Choose another with --port.`
      : `Opsimath could not start: ${(error as Error).message}.`;
  if (!problem && !inUse) log.error({ err: error }, 'start failed');
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

process.on('unhandledRejection', (error) =>
  log.error({ err: error }, 'a promise that nobody waited for failed'),
);
process.on('uncaughtException', (error) => log.error({ err: error }, 'nobody caught a failure'));
await start().catch(fail);

import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { startAnalysis } from './analysis/analysis';
import { migrateDatabase, openDatabase } from './data/connection';
import { removeSuperseded } from './data/segments/merge';
import { createApp } from './http/app';
import { httpSource } from './sources/httpSource';
import { JobRunner } from './work/jobRunner';

const folder = path.dirname(fileURLToPath(import.meta.url));
const home = path.join(folder, '..');

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4280' },
    host: { type: 'string', default: '127.0.0.1' },
    data: { type: 'string', default: path.join(home, '..', '.data') },
    services: { type: 'string', default: 'http://127.0.0.1:4281' },
    'source-timeout': { type: 'string', default: '10000' },
    'source-retries': { type: 'string', default: '9' },
    'source-delay': { type: 'string', default: '300' },
  },
});

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
const databaseFile = path.join(values.data, 'opsimath.db');
const filesFolder = path.join(values.data, 'files');
const database = await openDatabase(databaseFile);
await migrateDatabase(database, path.join(home, 'data', 'migrations'));
await removeSuperseded(database);
const source = {
  url: values.services,
  timeoutMs: Number(values['source-timeout']),
  retries: Number(values['source-retries']),
  firstDelayMs: Number(values['source-delay']),
};
const analysis = startAnalysis(folder, databaseFile);
const jobs = new JobRunner(database, { folder, databaseFile, filesFolder, source });
await jobs.resumeAll();
await analysis.ready();

// The interface waits for these answers: fewer tries than long work makes.
const quickSource = httpSource({ ...source, retries: Math.min(2, source.retries) });
const app = createApp(
  { database, source: quickSource, jobs, analysis, filesFolder },
  path.join(home, '..', 'web', 'dist'),
  log,
);
// Callers that hang up in the middle of an answer are no news.
app.silent = true;
app.on('error', (error: Error) => log.debug({ error: error.message }, 'answer broke off'));
const listening = app.listen(Number(values.port), values.host, () => {
  const { address, port } = listening.address() as AddressInfo;
  // The one line that whoever started this waits for.
  process.stdout.write(`Opsimath at http://${address}:${port}\n`);
});

async function stop(): Promise<void> {
  listening.close();
  await jobs.close();
  await analysis.close();
  database.client.close();
  process.exit(0);
}
process.once('SIGTERM', () => void stop());
process.once('SIGINT', () => void stop());

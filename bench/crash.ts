import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { createClient } from '@libsql/client';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { doubled, lookInto } from './crash/checks';
import { DEEDS, type Ground } from './crash/deeds';
import { Ledger, drawer } from './crash/ledger';

/**
 * Kills the server again and again at moments drawn at random while people and jobs are at work, and looks each time
 * whether anything that was confirmed is lost or doubled. In the end every job must have come to an end, with every row
 * once, and the services must have charged what is shown.
 */
const MARKET = 'web-us-en';
const TARGETS = ['tarnwick.example', 'cobblemoor.example', 'saltfen.example'];
const WORKERS = 4;
const option = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const kills = option('kills', 200);
const seed = option('seed', 1);
const say = (text: string): void => void process.stdout.write(`${text}\n`);

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-crash-'));
const file = path.join(folder, 'opsimath.db');
const services = await startServices(['--size', '0.08', '--seed', '7', '--allowance', '100000000']);
const options = ['--port', '0', '--data', folder, '--services', services.url, '--source-delay', '20'];
const draw = drawer(seed);
const ledger = new Ledger();
const problems: string[] = [];
let server = await startServer(options);

const first = api(server.url);
await first.get('/markets');
const { id: project } = await first.post('/projects', { name: 'Crash' });
await first.post(`/projects/${project}/targets`, { side: 'own', market: MARKET, text: TARGETS[0] });
await first.post(`/projects/${project}/targets`, {
  side: 'rival',
  market: MARKET,
  text: TARGETS.slice(1).join('\n'),
});
const begun = await first.post(`/projects/${project}/look-ups`, {
  market: MARKET,
  date: '2026-03-14',
  targets: TARGETS,
  extent: 'captures',
  captureMost: 40,
});
await first.finished(begun.job.id);
const { rows } = await first.get(`/look-ups/${begun.id}/keywords?limit=300`);
const keywords = (rows as { id: number }[]).map(({ id }) => id);
const packed = await fetch(`${server.url}/api/projects/${project}/archive`);
const archive = Buffer.from(await packed.arrayBuffer());

for (let kill = 1; kill <= kills; kill++) {
  let alive = true;
  const opsimath = api(server.url);
  const work = Array.from({ length: WORKERS }, async (_, worker) => {
    const ground: Ground = {
      opsimath,
      ledger,
      draw: drawer(seed * 1000 + kill * 10 + worker),
      project,
      market: MARKET,
      targets: TARGETS,
      keywords,
      archive,
      worker,
      workers: WORKERS,
    };
    while (alive) {
      try {
        await ground.draw.of(DEEDS)(ground);
      } catch (error) {
        // The server died in the middle, or will in a moment; anything it said itself is a problem.
        if (alive && !/fetch failed|terminated|socket|aborted/i.test(String(error)))
          problems.push(`kill ${kill}: ${String(error).slice(0, 300)}`);
        if (!alive) return;
      }
    }
  });
  // Mostly short; now and then long enough for files to be read and jobs to come on.
  await pause(draw.below(4) === 0 ? draw.below(6000) : draw.below(1500) + 30);
  alive = false;
  await server.stop('SIGKILL');
  await Promise.all(work);
  problems.push(...(await lookInto(file, ledger, project)).map((problem) => `kill ${kill}: ${problem}`));
  server = await startServer(options);
  if (kill % 20 === 0)
    say(
      `${kill} kills, ${ledger.verdicts.size} keywords judged, ${ledger.imports.size} imports, ${ledger.lookUps.size} look-ups, ${ledger.archives.size} archives; ${problems.length} problems`,
    );
}

say('Every job to its end…');
await settle();
problems.push(
  ...(await jobsEnded()),
  ...(await importsWhole()),
  ...(await archivesWhole()),
  ...(await unitsShown()),
);
await server.stop();
problems.push(...(await lookInto(file, ledger, project)), ...(await doubled(file)));
await services.stop();
for (const problem of problems) say(problem);
say(
  `${kills} kills: ${problems.length === 0 ? 'nothing lost, nothing doubled, nothing paid twice' : `${problems.length} problems; the folder is ${folder}`}`,
);
if (problems.length === 0) rmSync(folder, { recursive: true });
process.exit(problems.length === 0 ? 0 : 1);

async function inFile<T>(sql: string): Promise<T[]> {
  const client = createClient({ url: `file:${file}`, concurrency: 1, timeout: 5000 });
  const answer = await client.execute(sql);
  client.close();
  return answer.rows as unknown as T[];
}

async function settle(): Promise<void> {
  for (;;) {
    const left = await inFile<{ n: number }>(
      "SELECT count(*) AS n FROM job WHERE state IN ('queued', 'running')",
    );
    if (left[0]!.n === 0) return;
    await pause(300);
  }
}

async function jobsEnded(): Promise<string[]> {
  const ended = await inFile<{ id: number; kind: string; state: string; message: string | null }>(
    'SELECT id, kind, state, message FROM job',
  );
  const known = new Map(ended.map((job) => [job.id, job]));
  return [
    ...[...ledger.jobs].filter((id) => !known.has(id)).map((id) => `job ${id} was confirmed and is lost`),
    ...ended
      .filter(({ state, message }) => state !== 'done' && !message)
      .map(({ id, kind, state }) => `job ${id} (${kind}) is ${state} and does not say why`),
    ...ended
      .filter(({ state }) => state === 'failed')
      .map(({ id, kind, message }) => `job ${id} (${kind}) failed: ${message}`),
  ];
}

async function importsWhole(): Promise<string[]> {
  const held = await inFile<{ id: number; kept: number; read: number; job: number | null }>(
    'SELECT id, rows_kept AS kept, records_read AS read, job_id AS job FROM file_import',
  );
  const known = new Map(held.map((entry) => [entry.id, entry]));
  return [...ledger.imports].flatMap(([id, size]) => {
    const entry = known.get(id);
    if (!entry) return [`import ${id} was confirmed and is lost`];
    if (entry.job === null) return [];
    return entry.kept === size && entry.read === size ? [] : [`import ${id}: ${entry.kept} of ${size} rows`];
  });
}

async function archivesWhole(): Promise<string[]> {
  const counts = await inFile<{ id: number; targets: number; lookUps: number }>(
    `SELECT id, (SELECT count(*) FROM target WHERE project_id = project.id) AS targets,
            (SELECT count(*) FROM look_up WHERE project_id = project.id) AS lookUps FROM project`,
  );
  const known = new Map(counts.map((entry) => [entry.id, entry]));
  return [...ledger.archives.keys()].flatMap((id) => {
    const entry = known.get(id);
    if (!entry) return [`the project of archive ${id} was confirmed and is lost`];
    return entry.targets === TARGETS.length && entry.lookUps === 1
      ? []
      : [`the project of archive ${id} has ${entry.targets} targets and ${entry.lookUps} look-ups`];
  });
}

/** Units of look-ups, and of captures, which stand with their job. Look-ups of archives were paid for elsewhere. */
async function unitsShown(): Promise<string[]> {
  const { spent } = (await (await fetch(`${services.url}/v1/allowance`)).json()) as { spent: number };
  const [shown] = await inFile<{ units: number }>(
    `SELECT (SELECT coalesce(sum(units), 0) FROM look_up WHERE project_id = ${project})
          + (SELECT coalesce(sum(json_extract(progress, '$.units')), 0) FROM job WHERE kind IN ('captures', 'auctions')) AS units`,
  );
  return shown!.units === spent ? [] : [`${shown!.units} units are shown, ${spent} were charged`];
}

import { createWriteStream, mkdtempSync, openAsBlob, readdirSync, rmSync, statSync } from 'node:fs';
import { once as eventOnce } from 'node:events';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { type Measured, measure, once, print } from './measure';
import { plainGaps } from './plainGaps';
import { peakMemory } from './processMemory';

// Gaps of many keywords, six targets, two dates: npm run bench -- --gaps
const OWN = 'north.example';
const RIVALS = ['south.example', 'east.example', 'west.example', 'upper.example', 'lower.example'];
const TARGETS = [OWN, ...RIVALS];
const DATE = '2026-03-14';
const BEFORE = '2025-12-14';
const MARKET = 'web-gb-en';
const RUNS = 9;
const WORDS =
  'pannier bag bike waterproof touring small large rack canvas leather frame saddle handlebar commuter roll top'.split(
    ' ',
  );
const SIZES = [
  { keywords: 100_000, first: 500, then: 20 },
  { keywords: 1_000_000, first: 3000, then: 120 },
];
/** Of the targets each keyword is told of so many at each date: 4.2 million rankings of a million keywords. */
const TOLD = 0.35;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const draw = ((state) => (): number => {
  state = (Math.imul(state, 1103515245) + 12345) >>> 0;
  return state / 4294967296;
})(17);

async function writeTable(file: string, keywords: number): Promise<void> {
  const stream = createWriteStream(file);
  stream.write('keyword,target,date,organic,paid,volume\n');
  let lines = '';
  for (let n = 0; n < keywords; n++) {
    const text = `${WORDS[n % WORDS.length]!} ${WORDS[(n * 7) % WORDS.length]!} ${n}`;
    const volume = Math.round(10 + 60_000 / (1 + draw() * 9000));
    TARGETS.forEach((target, t) => {
      for (const date of [BEFORE, DATE])
        if (t === 0 ? draw() < 0.6 : draw() < TOLD)
          lines += `${text},${target}/p${n % 50},${date},${1 + Math.floor(draw() * 100)},${draw() < 0.1 ? 1 + Math.floor(draw() * 6) : ''},${volume}\n`;
    });
    if (lines.length < 1 << 20) continue;
    if (!stream.write(lines)) await eventOnce(stream, 'drain');
    lines = '';
  }
  stream.end(lines);
  await eventOnce(stream, 'close');
}

/** What a folder takes on the disk in MB, but for one file and what was brought in and is kept as it came. */
function diskOf(folder: string, without = ''): number {
  let bytes = 0;
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const file = path.join(entry.parentPath, entry.name);
    if (entry.isFile() && file !== without && !file.endsWith('.upload')) bytes += statSync(file).size;
  }
  return bytes / 1e6;
}

async function measureSize({ keywords, first, then }: (typeof SIZES)[number]): Promise<Measured[]> {
  const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-gaps-'));
  const services = await startServices(['--size', '0.08']);
  const options = ['--port', '0', '--data', folder, '--services', services.url];
  let server = await startServer(options);
  const name = keywords.toLocaleString('en-US');
  try {
    const opsimath = api(server.url);
    await opsimath.get('/markets');
    const project = await opsimath.post('/projects', { name: 'Gaps' });
    const at = `/projects/${project.id}`;
    await opsimath.post(`${at}/targets`, { side: 'own', market: MARKET, text: OWN });
    await opsimath.post(`${at}/targets`, { side: 'rival', market: MARKET, text: RIVALS.join('\n') });
    say(`${name} keywords: writing and importing…`);
    const file = path.join(folder, 'rankings.csv');
    await writeTable(file, keywords);
    const diskBefore = diskOf(folder, file);
    const measured: Measured[] = [];
    const answer = await fetch(`${server.url}/api${at}/imports?name=rankings.csv&kind=rankings`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: await openAsBlob(file),
    });
    const { import: entry, preview } = (await answer.json()) as {
      import: { id: number };
      preview: { reading: object };
    };
    measured.push(
      await once(`${name}: import, word index included`, keywords < 1e6 ? null : 8000, async () => {
        const started = await opsimath.post(`/imports/${entry.id}/start`, {
          market: MARKET,
          reading: preview.reading,
        });
        await opsimath.finished(started.job.id);
      }),
    );
    say(`Memory of the server after the import, at most: ${peakMemory(server.pid).toFixed(0)} MB`);
    await server.stop();
    rmSync(file);
    say(`Disk for it: ${(diskOf(folder) - diskBefore).toFixed(0)} MB`);
    if (process.argv.includes('--import')) return measured;
    server = await startServer(options);
    const cold = api(server.url);
    const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
    const gaps = (query: string): Promise<{ total: number }> =>
      cold.get(`${at}/gaps?${scope}&limit=100&${query}`);
    measured.push(await once(`${name}: first answer after a cold start`, first, () => gaps('')));
    const { total } = await gaps('');
    const sorts = [
      '-demand',
      'own',
      '-spread',
      'best rival',
      '-move',
      'kind',
      '-gain',
      'keyword',
      '-a month',
      'paid',
    ];
    const kinds = ['absent', 'buried', 'trailing', 'open', 'leading', 'alone', 'unknown'];
    measured.push(
      await measure(`${name}: a page in the middle, all counts`, then, RUNS, (run) =>
        gaps(`offset=${Math.floor(total / 2) + run * 100}`),
      ),
      await measure(`${name}: another sort, never asked for before, all counts`, then, RUNS, (run) =>
        gaps(`sort=${encodeURIComponent(sorts[run + 1]!)}`),
      ),
      await measure(`${name}: another filter, never asked for before, all counts`, then, RUNS, (run) =>
        gaps(
          `kinds=${kinds[(run + 1) % 7]!}&limits=volume:${20 + run}..&bands=${encodeURIComponent('11–20,21–50')}`,
        ),
      ),
    );
    say(`Memory of the server, at most: ${peakMemory(server.pid).toFixed(0)} MB`);
    const plain = plainGaps(keywords, RIVALS.length);
    measured.push(
      await measure(`${name}: bare typed arrays, join, gain, sort, first 100`, null, RUNS, async () =>
        plain.page(),
      ),
      await measure(`${name}: bare typed arrays, counts by kind`, null, RUNS, async () => plain.counts()),
    );
    return measured;
  } finally {
    await server.stop();
    await services.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

const only = process.argv.includes('--small')
  ? SIZES.slice(0, 1)
  : process.argv.includes('--import')
    ? SIZES.slice(1)
    : SIZES;
const measured: Measured[] = [];
for (const size of only) measured.push(...(await measureSize(size)));
print(measured);

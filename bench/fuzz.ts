import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { type Operation, operationsOf } from './fuzz/operations';
import { drawer } from './crash/ledger';
import { requestOf } from './fuzz/requests';

/**
 * Sends requests made of what the OpenAPI document says, mostly right and partly wrong, and sees to it that none is
 * answered by a failure of ours, none hangs, the server lives and its memory does not grow.
 */
const MARKET = 'web-us-en';
const AT_ONCE = 8;
const LONGEST_MS = 30_000;
const option = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const requests = option('requests', 100_000);
const seed = option('seed', 1);
const say = (text: string): void => void process.stdout.write(`${text}\n`);

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-fuzz-'));
const services = await startServices(['--size', '0.08', '--seed', '7', '--allowance', '100000000']);
const server = await startServer([
  '--port',
  '0',
  '--data',
  folder,
  '--services',
  services.url,
  '--source-delay',
  '20',
]);
const opsimath = api(server.url);
await opsimath.get('/markets');
const { id } = await opsimath.post('/projects', { name: 'Fuzz' });
await opsimath.post(`/projects/${id}/targets`, { side: 'own', market: MARKET, text: 'tarnwick.example' });
await opsimath.post(`/projects/${id}/targets`, {
  side: 'rival',
  market: MARKET,
  text: 'cobblemoor.example\nsaltfen.example',
});
const lookUp = await opsimath.post(`/projects/${id}/look-ups`, {
  market: MARKET,
  date: '2026-03-14',
  targets: ['tarnwick.example', 'cobblemoor.example'],
  extent: 'captures',
  captureMost: 30,
});
await opsimath.finished(lookUp.job.id);
const { rows } = await opsimath.get(`/look-ups/${lookUp.id}/keywords?limit=20`);
const known = {
  market: MARKET,
  date: '2026-03-14',
  keywords: (rows as { id: number }[]).map((row) => row.id),
};
const operations = operationsOf(await opsimath.get('/openapi.json'));

const failures = new Map<string, { count: number; example: string }>();
const statuses = new Map<number, number>();
let sent = 0;
let slowest = 0;
const memory: number[] = [];

await Promise.all(Array.from({ length: AT_ONCE }, (_, worker) => work(drawer(seed * 100 + worker))));
say(
  `${sent} requests: ${[...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, n]) => `${n} × ${status}`)
    .join(', ')}`,
);
say(
  `slowest ${(slowest / 1000).toFixed(1)} s; memory of the server in MB over the run: ${memory.map((bytes) => Math.round(bytes / 1e6)).join(', ')}`,
);
for (const [what, { count, example }] of failures) say(`${count} × ${what}\n   ${example}`);
await server.stop();
await services.stop();
if (failures.size === 0) rmSync(folder, { recursive: true });
else say(`log: ${server.output().slice(-3000)}`);
process.exit(failures.size === 0 ? 0 : 1);

async function work(draw: ReturnType<typeof drawer>): Promise<void> {
  while (sent < requests) {
    sent++;
    if (sent % Math.ceil(requests / 10) === 0) {
      memory.push(residentBytes());
      say(`${sent} requests, ${failures.size} kinds of failures`);
    }
    await send(draw.of(operations), draw);
  }
}

async function send(operation: Operation, draw: ReturnType<typeof drawer>): Promise<void> {
  const { url, init, described } = requestOf(operation, known, draw);
  const name = `${operation.method} ${operation.path}`;
  const began = performance.now();
  try {
    const response = await fetch(`${server.url}${url}`, { ...init, signal: AbortSignal.timeout(LONGEST_MS) });
    const stream = (response.headers.get('content-type') ?? '').startsWith('text/event-stream');
    const text = stream ? '' : await response.text();
    if (stream) await response.body?.cancel();
    statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
    if (response.status >= 500) note(`${name}: ${response.status}`, `${described} → ${text.slice(0, 300)}`);
    if (response.status >= 400 && !/"message"|<p>/.test(text)) note(`${name}: no reason`, described);
    if (/SQLITE|\bat .*\.js:\d+/.test(text) && response.status >= 400)
      note(`${name}: shows its insides`, text.slice(0, 300));
  } catch (error) {
    note(`${name}: ${(error as Error).name}`, described);
  }
  slowest = Math.max(slowest, performance.now() - began);
}

function note(what: string, example: string): void {
  const entry = failures.get(what) ?? { count: 0, example };
  entry.count++;
  failures.set(what, entry);
}

function residentBytes(): number {
  const status = readFileSync(`/proc/${server.pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) * 1024;
}

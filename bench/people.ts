import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { drawer } from './crash/ledger';

/**
 * Many people at once on the demo data: each asks, reads, and asks again, as people do. Says how long answers took, all
 * together and by kind. With `--import 1000000` they first read for as long again, then a table of so many lines comes in
 * for another market of the project (with `--same` for theirs), and only answers of that time count.
 */
const option = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const people = option('many', 50);
const seconds = option('seconds', 40);
const readingMs = option('reading', 1000);
const importedLines = option('import', 0);
const say = (text: string): void => void process.stdout.write(`${text}\n`);

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-people-'));
cpSync('.data/demo/opsimath.db', path.join(folder, 'opsimath.db'));
const services = await startServices(['--size', '0.08', '--seed', '7']);
const server = await startServer(['--port', '0', '--data', folder, '--services', services.url]);
const opsimath = api(server.url);

const [project] = (await opsimath.get('/projects')) as { id: number }[];
const at = `/projects/${project!.id}`;
const lookUps = (await opsimath.get(`${at}/look-ups`)) as {
  id: number;
  market: string;
  date: string;
  size: number;
}[];
const webPools = lookUps.filter(({ market }) => market === 'web-us-en');
const { dates } = (await opsimath.get(`${at}/overview?market=web-us-en`)) as { dates: { date: string }[] };
const days = dates.map(({ date }) => date).sort();
const [date, compare] = [days.at(-1)!, days[Math.max(0, days.length - 4)]!];
const scope = `market=web-us-en&date=${date}&compare=${compare}`;
const first = (await opsimath.get(`${at}/gaps?${scope}&limit=200`)) as {
  rows: { id: number; text: string }[];
};
const words = first.rows.flatMap(({ text }) => text.split(' ')).filter((word) => word.length > 3);

const KINDS = ['absent', 'buried', 'trailing', 'open', 'leading'];
const SORTS = ['priority:desc', 'volume:desc', 'own:asc', 'gain:desc', 'chance:desc', 'difficulty:asc'];
type Draw = ReturnType<typeof drawer>;
const share = (draw: Draw): number => draw.below(1_000_000) / 1_000_000;

/** What people do, and how often. */
const MIX: [string, number, (draw: Draw) => string][] = [
  ['gap page', 30, (draw) => `${at}/gaps?${scope}&sort=${draw.of(SORTS)}&offset=${100 * draw.below(5)}`],
  [
    'filter',
    20,
    (draw) => `${at}/gaps?${scope}&kinds=${draw.of(KINDS)}&find=${draw.below(2) === 0 ? draw.of(words) : ''}`,
  ],
  [
    'pool page',
    20,
    (draw) =>
      `/look-ups/${draw.of(webPools).id}/keywords?sort=${draw.of(['volume', 'clicks', 'words'])}&offset=${100 * draw.below(4)}`,
  ],
  ['dossier', 20, (draw) => `${at}/keywords/${draw.of(first.rows).id}/dossier?${scope}`],
  ['around', 4, (draw) => `${at}/keywords/${draw.of(first.rows).id}/around?${scope}`],
  [
    'own queries',
    3,
    (draw) =>
      `${at}/own-queries?market=web-us-en&date=${date}&own=${encodeURIComponent(draw.of(['7 days', '28 days', '90 days']))}`,
  ],
  ['over time', 3, () => `${at}/over-time?${scope}`],
];
const weights = MIX.reduce((sum, [, weight]) => sum + weight, 0);
const taken = new Map<string, number[]>();

async function person(seed: number): Promise<void> {
  const draw = drawer(seed);
  const until = performance.now() + seconds * 1000;
  await new Promise((resolve) => setTimeout(resolve, share(draw) * readingMs));
  while (performance.now() < until) {
    let left = share(draw) * weights;
    const [name, , address] = MIX.find(([, weight]) => (left -= weight) < 0)!;
    const began = performance.now();
    const response = await fetch(`${server.url}/api${address(draw)}`);
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${name}: ${response.status} for ${address(draw)}`);
    taken.set(name, [...(taken.get(name) ?? []), performance.now() - began]);
    await new Promise((resolve) => setTimeout(resolve, readingMs * (0.5 + share(draw))));
  }
}

const at95 = (values: number[], portion: number): string => {
  const sorted = [...values].sort((a, b) => a - b);
  return `${Math.round(sorted[Math.min(sorted.length - 1, Math.floor(portion * sorted.length))] ?? 0)} ms`;
};
const everybody = (seed: number): Promise<unknown> =>
  Promise.all(Array.from({ length: people }, (_, n) => person(seed + n)));

/** Brings a table of rankings in; says when it is done. */
async function bigImport(): Promise<void> {
  const lines = Array.from(
    { length: importedLines },
    (_, n) =>
      `${words[n % words.length]!} ${words[(n * 7) % words.length]!} ${n >> 1},${n % 2 ? 'north' : 'south'}.example/p${n % 50},${date},${1 + (n % 100)}`,
  );
  const began = performance.now();
  const { import: entry, preview } = (await opsimath.upload(
    `${at}/imports?name=many.csv&kind=rankings`,
    new Blob([`keyword,target,date,organic\n${lines.join('\n')}\n`]),
  )) as { import: { id: number }; preview: { reading: object } };
  const { job } = (await opsimath.post(`/imports/${entry.id}/start`, {
    market: process.argv.includes('--same') ? 'web-us-en' : 'web-gb-en',
    reading: preview.reading,
  })) as { job: { id: number } };
  await opsimath.finished(job.id);
  say(`${importedLines} lines came in within ${Math.round((performance.now() - began) / 100) / 10} s`);
}

try {
  if (importedLines > 0) {
    await everybody(1001);
    taken.clear();
    await Promise.all([everybody(1), bigImport()]);
  } else await everybody(1);
  const all = [...taken.values()].flat();
  say(
    `${people} people, ${all.length} answers in ${seconds} s: median ${at95(all, 0.5)}, 95th percentile ${at95(all, 0.95)}, slowest ${at95(all, 1)}`,
  );
  for (const [name, values] of taken)
    say(
      `  ${name}: ${values.length}, median ${at95(values, 0.5)}, 95th percentile ${at95(values, 0.95)}, slowest ${at95(values, 1)}`,
    );
} finally {
  await server.stop();
  await services.stop();
  rmSync(folder, { recursive: true, force: true });
}

import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { measureFace } from './face';
import { type Measured, measure, once, print } from './measure';

const MARKET = 'web-us-en';
const DATE = '2026-03-14';
const BEFORE = '2025-12-14';
const RIVALS = ['cobblemoor.example', 'pikewater.example', 'dunmarrow.example', 'saltfen.example'];
const OWN = 'tarnwick.example';
const RUNS = 15;
const LARGE_FILE_BYTES = 200e6;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-bench-'));
const services = await startServices(['--allowance', '10000000']);
const server = await startServer(['--port', '0', '--data', folder, '--services', services.url]);
const opsimath = api(server.url);
const measured: Measured[] = [];

async function keywordsOf(target: string): Promise<string[]> {
  const keywords = new Set<string>();
  for (let cursor: string | null = ''; cursor !== null;) {
    const query = new URLSearchParams({ market: MARKET, date: DATE, target, ...(cursor ? { cursor } : {}) });
    const answer = (await (await fetch(`${services.url}/v1/rankings?${query}`)).json()) as {
      rows: { keyword: string }[];
      cursor: string | null;
    };
    for (const row of answer.rows) keywords.add(row.keyword);
    cursor = answer.cursor;
  }
  return [...keywords];
}

/** The invented site whose number of ranking keywords lies nearest to a wanted one. */
async function siteWithAbout(wanted: number): Promise<{ host: string; keywords: string[] }> {
  const scenario = JSON.parse(readFileSync('standin/scenarios/touring-bags.json', 'utf8')) as {
    ownerNames: Record<string, string[]>;
  };
  const hosts = Object.values(scenario.ownerNames)
    .flat()
    .map((name) => `${name.toLowerCase().replace(/[^a-z0-9]+/g, '')}.example`);
  let best = { host: '', keywords: [] as string[] };
  for (const host of hosts) {
    const keywords = await keywordsOf(host);
    if (Math.abs(keywords.length - wanted) < Math.abs(best.keywords.length - wanted))
      best = { host, keywords };
  }
  return best;
}

try {
  say('Services…');
  const some = (await keywordsOf(OWN)).slice(0, 400);
  const page = (keyword: string) =>
    fetch(`${services.url}/v1/result-pages`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ market: MARKET, date: '2026-01-11', keywords: [keyword] }),
    }).then((response) => response.text());
  measured.push(await measure('services: one result page', 20, 100, (run) => page(some[run + 1]!)));
  measured.push(
    await measure('services: one reverse look-up page of 1,000 rows', 100, RUNS, (run) =>
      fetch(
        `${services.url}/v1/rankings?market=${MARKET}&date=2026-02-${String(run + 10).padStart(2, '0')}&target=${RIVALS[run & 3]}`,
      ).then((r) => r.text()),
    ),
  );

  say('Look-up of a site…');
  const site = await siteWithAbout(3000);
  const bench = await opsimath.post('/projects', { name: 'Bench' });
  const at = `/projects/${bench.id}`;
  await opsimath.get('/markets');
  const request = (over: object) => ({
    market: MARKET,
    date: DATE,
    compareDate: null,
    want: 'both',
    captureMost: 100_000,
    ...over,
  });
  const lookUp = async (over: object) => {
    const started = await opsimath.post(`${at}/look-ups`, request(over));
    await opsimath.finished(started.job.id);
  };
  let slowest = 0;
  const site1 = `look-up of ${site.host}, ${site.keywords.length} keywords`;
  measured.push(
    await once(`${site1}, positions and metrics`, 10_000, () =>
      lookUp({ targets: [site.host], extent: 'metrics', date: '2026-03-01' }),
    ),
  );
  const asking = setInterval(() => {
    const start = performance.now();
    void opsimath.get(`${at}/overview`).then(() => (slowest = Math.max(slowest, performance.now() - start)));
  }, 100);
  measured.push(
    await once(`${site1}, with a capture of each`, 10_000, () =>
      lookUp({ targets: [site.host], extent: 'captures' }),
    ),
  );
  clearInterval(asking);
  measured.push({ what: 'slowest answer to the page meanwhile', medianMs: slowest, runs: 1, limitMs: null });

  say('10,000 keywords at two dates…');
  await opsimath.post(`${at}/targets`, { side: 'own', market: MARKET, text: OWN });
  await opsimath.post(`${at}/targets`, { side: 'rival', market: MARKET, text: RIVALS.join('\n') });
  await lookUp({ targets: [OWN, ...RIVALS], extent: 'captures', compareDate: BEFORE, captureMost: 10_000 });
  const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
  const gaps = (query: string) => opsimath.get(`${at}/gaps?${scope}&${query}`);
  measured.push(await once('gaps, first answer after the facts changed', null, () => gaps('')));
  const { total } = await gaps('');
  const named = `gaps of ${total} keywords:`;
  measured.push(await measure(`${named} first page with counts`, 30, RUNS, () => gaps('')));
  measured.push(
    await measure(`${named} a page in the middle`, 30, RUNS, (run) => gaps(`offset=${5000 + 100 * run}`)),
  );
  const sorts = [
    'demand',
    'chance',
    'keyword',
    'move',
    'a month',
    'own',
    'best rival',
    'spread',
    'volume',
    'worth',
    'gain',
    'cpc',
    'difficulty',
    'kind',
    'action',
    'paid',
  ];
  measured.push(
    await measure(`${named} another sort, never asked for before`, 30, RUNS, (run) =>
      gaps(`sort=${encodeURIComponent(sorts[run + 1]!)}`),
    ),
  );
  measured.push(
    await measure(`${named} filter by kind and mark`, 30, RUNS, () => gaps('kinds=buried,absent&marks=near')),
  );
  measured.push(await measure(`${named} find “water”`, 30, RUNS, () => gaps('find=water')));

  say('The interface…');
  measured.push(...(await measureFace(`${server.url}/p/${bench.id}/gaps?${scope}`)));

  say('A file of 200 MB…');
  const lines: string[] = [];
  let bytes = 0;
  for (let i = 0; bytes < LARGE_FILE_BYTES; i++) {
    lines.push(
      `2026-0${1 + (i % 2)}-${String(1 + (i % 28)).padStart(2, '0')},invented query ${i % 60_000} for panniers,https://tarnwick.example/page-${i % 97},${i % 5},${10 + (i % 90)},${1 + (i % 300) / 10}`,
    );
    bytes += lines[i]!.length + 1;
  }
  const file = `Date,Query,Page,Clicks,Impressions,Position\n${lines.join('\n')}\n`;
  measured.push(
    await once(`import of a 200 MB CSV, ${lines.length} rows`, null, async () => {
      const { import: entry, preview } = await opsimath.upload(`${at}/imports?name=large.csv`, file);
      const started = await opsimath.post(`/imports/${entry.id}/start`, {
        market: MARKET,
        reading: preview.reading,
      });
      await opsimath.finished(started.job.id);
    }),
  );
  const memory = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'));
  say(`Most memory the server ever held: ${Math.round(Number(memory?.[1] ?? 0) / 1024)} MB`);
  print(measured);
} finally {
  await server.stop();
  await services.stop();
  rmSync(folder, { recursive: true, force: true });
}

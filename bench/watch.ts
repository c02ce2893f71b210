import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { isoDayOf, dayOf } from '@opsimath/core/day';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { openDatabase, writeTogether } from '../server/data/storage/connection';
import { MEDIAN_COLUMNS } from '../server/data/segments/captureColumns';
import { segmentStatements } from '../server/data/segments/segments';
import { measure, once, print } from './measure';

/** Times what is followed for long: 1,000 tracked keywords, six targets, 730 days, one capture of all a day. */

const MARKET = 'web-us-en';
const DATE = '2026-03-14';
const RIVALS = ['cobblemoor', 'pikewater', 'dunmarrow', 'saltfen', 'farwheelgazette'];
const KEYWORDS = 1000;
const DAYS = 730;
const SLOTS = 12;
const RUNS = 9;

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-watch-'));
const services = await startServices([]);
const options = ['--port', '0', '--data', folder, '--services', services.url];
let server = await startServer(options);
let opsimath = api(server.url);
const { id } = await opsimath.post('/projects', { name: 'Watched' });
const at = `/projects/${id}`;
await opsimath.get('/markets');
await opsimath.post(`${at}/targets`, { side: 'own', market: MARKET, text: 'tarnwick.example' });
await opsimath.post(`${at}/targets`, {
  side: 'rival',
  market: MARKET,
  text: RIVALS.map((name) => `${name}.example`).join('\n'),
});
const lookUp = await opsimath.post(`${at}/look-ups`, {
  market: MARKET,
  date: DATE,
  targets: ['tarnwick.example', ...RIVALS.map((name) => `${name}.example`)],
  extent: 'metrics',
});
await opsimath.finished(lookUp.job.id);
const keywords: number[] = [];
for (let offset = 0; keywords.length < KEYWORDS; offset += 500) {
  const { rows } = await opsimath.get(
    `${at}/gaps?market=${MARKET}&date=${DATE}&sort=-demand&limit=500&offset=${offset}`,
  );
  keywords.push(...(rows as { id: number }[]).map((row) => row.id));
}
keywords.length = KEYWORDS;
keywords.sort((a, b) => a - b);
await opsimath.post(`${at}/tracked`, { keywords });
await server.stop();

let seed = 5;
const random = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
const database = await openDatabase(path.join(folder, 'opsimath.db'));
const placesOf = async (name: string): Promise<number[]> =>
  (
    await database.client.execute({
      sql: 'SELECT id FROM place WHERE parent = ? LIMIT 200',
      args: [`${name}.example`],
    })
  ).rows.map((row) => Number(row.id));
const sides = await Promise.all(['tarnwick', ...RIVALS].map(placesOf));
for (let day = 0; day < DAYS; day++) {
  const slots = KEYWORDS * SLOTS;
  const place = new Int32Array(slots);
  const organic = new Uint8Array(slots);
  for (let slot = 0; slot < slots; slot++) {
    const side = sides[slot % SLOTS];
    place[slot] = side && side.length > 0 ? side[Math.floor(random() * side.length)]! : 0;
    organic[slot] = 1 + Math.floor(random() * 60);
  }
  const columns = {
    keyword: Int32Array.from(keywords),
    depth: new Uint8Array(KEYWORDS).fill(100),
    results: new Float64Array(KEYWORDS).fill(NaN),
    above: new Uint8Array(KEYWORDS),
    paidAbove: new Uint8Array(KEYWORDS),
    words: new Uint8Array(KEYWORDS),
    ...Object.fromEntries(MEDIAN_COLUMNS.map((name) => [name, new Float64Array(KEYWORDS)])),
    slotStart: Int32Array.from({ length: KEYWORDS }, (_, row) => row * SLOTS),
    slotCount: new Int32Array(KEYWORDS).fill(SLOTS),
    place,
    version: new Int32Array(slots),
    slot: Uint8Array.from({ length: slots }, (_, slot) => 1 + (slot % SLOTS)),
    organic,
    paid: new Uint8Array(slots),
    feature: new Uint8Array(slots),
    authority: new Uint8Array(slots).fill(255),
    phrase: new Uint8Array(slots),
    titleWords: new Uint8Array(slots),
    fieldWords: new Uint8Array(slots),
    engagement: new Float32Array(slots).fill(NaN),
    age: new Int32Array(slots).fill(-1),
    updated: new Int32Array(slots).fill(-1),
  };
  await writeTogether(
    database,
    segmentStatements(
      {
        marketId: 1,
        kind: 'captures',
        source: 'bench',
        date: isoDayOf(dayOf(DATE) - DAYS + 1 + day),
        rows: KEYWORDS,
      },
      columns,
    ),
  );
}
database.client.close();

server = await startServer(options);
opsimath = api(server.url);
const watch = (more: string) => opsimath.get(`${at}/watch?market=${MARKET}&date=${DATE}${more}`);
const named = `watch, ${KEYWORDS} keywords, 6 targets, ${DAYS} days:`;
print([
  await once(`${named} first answer after a start`, null, () => watch('')),
  await measure(`${named} totals and sixty strips`, 200, RUNS, () => watch('')),
  await measure(`${named} from another day`, 200, RUNS, (run) =>
    watch(`&from=2025-0${((run + 9) % 9) + 1}-01`),
  ),
  await measure(`${named} another word looked for`, 200, RUNS, (run) =>
    watch(`&find=${'abcdefghijk'[run + 1]}`),
  ),
  await measure(`${named} alerts`, 200, RUNS, () =>
    opsimath.get(`${at}/alerts?market=${MARKET}&date=${DATE}`),
  ),
]);
await server.stop();
await services.stop();
rmSync(folder, { recursive: true, force: true });

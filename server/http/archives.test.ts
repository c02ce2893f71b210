import { gunzipSync, gzipSync } from 'node:zlib';
import { DATE, MARKET, Running } from '../testing/running';

/** An archive comes in whole or not at all, whatever was done to it and whenever the server dies. */
let running: Running;
let id: number;
let at: string;
let packed: Buffer;
let lines: Record<string, unknown>[];
beforeAll(async () => {
  running = await Running.start();
  ({ id, at } = await running.project());
  await running.compared(at, 20);
  await running.bringIn(
    at,
    'own.csv',
    'performance',
    'query,page,date,clicks,impressions,position\nbike bag,tarnwick.example/a,2026-03-01,1,10,4\n',
  );
  const { rows } = await running.api.get(`${at}/gaps?market=${MARKET}&date=${DATE}&sort=-volume&limit=5`);
  const changes = rows.map((row: { id: number }) => ({
    keyword: row.id,
    verdict: 'fit',
    reason: 'core use',
  }));
  await running.api.post(`${at}/verdicts`, { changes, person: 'Ana' });
  const keywords = changes.map(({ keyword }: { keyword: number }) => keyword);
  await running.api.post(`${at}/lists`, { name: 'Few', market: MARKET, keywords });
  await running.api.post(`${at}/recipes`, { name: 'Open' });
  const answer = await fetch(`${running.server.url}/api/projects/${id}/archive`);
  packed = Buffer.from(await answer.arrayBuffer());
  lines = gunzipSync(packed)
    .toString()
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
});
afterAll(() => running.stop());

const pack = (entries: object[]): Buffer =>
  gzipSync(entries.map((entry) => `${JSON.stringify(entry)}\n`).join(''));
const projects = async (): Promise<number> => (await running.api.get('/projects')).length;
const counts = async (): Promise<unknown> => {
  const answer: { dates: { date: string; captures: number }[] } = await running.api.get(
    `${at}/overview?market=${MARKET}`,
  );
  // Rankings belong to the look-ups of a project; captures are everybody's.
  return answer.dates.map(({ date, captures }) => ({ date, captures }));
};

test('brought in again it adds no facts that stand, and the list of imports travels', async () => {
  const before = await counts();
  const brought = await running.api.upload('/archives', packed);
  await running.api.finished(brought.job.id);
  expect(await counts()).toEqual(before);
  const to = `/projects/${brought.project.id}`;
  expect(await running.api.get(`${to}/imports`)).toMatchObject([
    { fileName: 'own.csv', rowsKept: 1, rowsRead: 1, market: MARKET },
  ]);
  expect((await running.api.get(`${to}/lists`))[0]).toMatchObject({ name: 'Few', keywords: 5 });
});

test('another capture of the same day is another, however many rows there are', async () => {
  const other = await Running.start();
  await other.api.get('/markets');
  const first = await other.api.upload('/archives', packed);
  await other.api.finished(first.job.id);
  const overview = () => other.api.get(`/projects/${first.project.id}/overview?market=${MARKET}`);
  const held = (await overview()).dates.find(({ date }: { date: string }) => date === DATE).captures;
  // The same pages with another result first: as many rows, other facts.
  const changed = lines.map((line) => {
    const { segment, columns } = line as {
      segment?: { kind: string };
      columns?: Record<string, { type: string; data: string }>;
    };
    if (segment?.kind !== 'captures') return line;
    const bytes = Buffer.from(columns!.paid!.data, 'base64');
    bytes[0] = bytes[0] === 3 ? 4 : 3;
    return { segment, columns: { ...columns, paid: { type: 'u8', data: bytes.toString('base64') } } };
  });
  const second = await other.api.upload('/archives', pack(changed));
  await other.api.finished(second.job.id);
  const now = (await overview()).dates.find(({ date }: { date: string }) => date === DATE).captures;
  expect(now).toBe(held + 1);
  await other.stop();
});

type Line = { table?: string; rows?: Record<string, unknown>[]; segment?: object; columns?: object };
const inTable = (table: string, change: (row: Record<string, unknown>) => object) => (entry: Line) =>
  entry.table === table ? { ...entry, rows: entry.rows!.map(change) } : entry;

test.each<[string, (entry: Line, n: number) => object]>([
  ['settings that are none', inTable('project', (row) => ({ ...row, settings: '{"front":-4}' }))],
  ['a setting that is no JSON', inTable('project', (row) => ({ ...row, settings: 'front' }))],
  ['a verdict that nobody gives', inTable('verdict', (row) => ({ ...row, verdict: 'perhaps' }))],
  ['a keyword that is not there', inTable('verdict', (row) => ({ ...row, keyword_id: 987_654 }))],
  ['a day of no calendar', inTable('look_up', (row) => ({ ...row, date: '2026-02-31' }))],
  ['a recipe with a sieve that is none', inTable('recipe', (row) => ({ ...row, steps: '[{"id":"x"}]' }))],
  ['a column that is unknown', inTable('target', (row) => ({ ...row, colour: 'red' }))],
  ['a record that is none', inTable('place_record', (row) => ({ ...row, record: '{}' }))],
  [
    'a table that is unknown',
    (entry) => (entry.table === 'verdict' ? { ...entry, table: 'sqlite_master' } : entry),
  ],
  [
    'facts without a column',
    (entry) => {
      if (!entry.segment) return entry;
      const { keyword: _, ...columns } = entry.columns as Record<string, object>;
      return { ...entry, columns };
    },
  ],
  [
    'facts that break off',
    (entry) => (entry.segment ? { ...entry, segment: { ...entry.segment, rows: 3_000_000 } } : entry),
  ],
  ['a line that is a list', (entry, n) => (n === 3 ? [entry] : entry)],
])('an archive with %s is refused, and nothing of it is kept', async (_, change) => {
  const before = await projects();
  const brought = await running.api.upload(
    '/archives',
    pack(lines.map((line, n) => change(line as Line, n))),
  );
  await expect(running.api.finished(brought.job.id)).rejects.toThrow(/cannot be brought in/);
  expect(await projects()).toBe(before);
});

test('an archive that unpacks into one endless line is refused', async () => {
  const before = await projects();
  const bomb = gzipSync(Buffer.alloc(200 * 1024 * 1024, 'x'));
  const brought = await running.api.upload('/archives', bomb);
  await expect(running.api.finished(brought.job.id)).rejects.toThrow(/longer than 128 MB/);
  expect(await projects()).toBe(before);
});

test('a server killed while an archive comes in goes on, and what was confirmed stays', async () => {
  const before = await projects();
  const brought = await running.api.upload('/archives', packed);
  await running.crashAndRestart();
  await running.api.finished(brought.job.id);
  await running.crashAndRestart();
  expect(await projects()).toBe(before + 1);
  const to = `/projects/${brought.project.id}`;
  expect(await running.api.get(`${to}/targets`)).toHaveLength(3);
  expect(await running.api.get(`${to}/look-ups`)).toHaveLength(
    (await running.api.get(`${at}/look-ups`)).length,
  );
  const question = `gaps?market=${MARKET}&date=${DATE}&sort=-volume&limit=20`;
  const texts = (page: { rows: { text: string; kind: string }[] }) =>
    page.rows.map(({ text, kind }) => [text, kind]);
  expect(texts(await running.api.get(`${to}/${question}`))).toEqual(
    texts(await running.api.get(`${at}/${question}`)),
  );
});

test('keywords that another project’s look-up holds travel too', async () => {
  const second = (await running.project()).at;
  const { id: lookUp, job } = await running.api.post(`${second}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: ['tarnwick.example', 'cobblemoor.example'],
    extent: 'positions',
  });
  await running.api.finished(job.id);
  const pool = await running.api.get(`/look-ups/${lookUp}/keywords?sort=keyword&limit=50`);
  const archive = await fetch(`${running.server.url}/api${second}/archive`);
  const other = await Running.start();
  // Somebody else's look-ups come first there: numbers mean other things.
  const theirs = await other.project();
  const foreign = await other.api.post(`${theirs.at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: ['pikewater.example'],
    extent: 'positions',
  });
  await other.api.finished(foreign.job.id);
  const brought = await other.api.upload('/archives', Buffer.from(await archive.arrayBuffer()));
  await other.api.finished(brought.job.id);
  const [there] = await other.api.get(`/projects/${brought.project.id}/look-ups`);
  const again = await other.api.get(`/look-ups/${there.id}/keywords?sort=keyword&limit=50`);
  const said = (page: { total: number; rows: { text: string; organic: unknown }[] }) => [
    page.total,
    page.rows.map(({ text, organic }) => [text, organic]),
  ];
  expect(said(again)).toEqual(said(pool));
  await other.stop();
});

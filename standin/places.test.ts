import { startServices } from '../scripts/programs.mjs';

const MARKET = 'web-us-en';
const DATE = '2026-03-14';
const TOWN = `${MARKET}@city:Fernmoor`;
let services: Awaited<ReturnType<typeof startServices>>;
beforeAll(async () => {
  services = await startServices(['--size', '0.08', '--seed', '7']);
}, 60_000);
afterAll(() => services.stop());

async function ask(path: string, body?: unknown) {
  const response = await fetch(`${services.url}/v1${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'content-type': 'application/json' },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  return { status: response.status, answer: await response.json() };
}
const metrics = async (market: string, keywords: string[]): Promise<number[]> => {
  const { answer } = await ask('/metrics', { market, date: DATE, keywords });
  return answer.rows.map(({ months }: { months: number[] }) => months.reduce((sum, count) => sum + count, 0));
};
const order = async (market: string, keyword: string): Promise<string[]> => {
  const { answer } = await ask('/result-pages', { market, date: DATE, keywords: [keyword] });
  return answer.pages[0].slots
    .filter(({ kind }: { kind: string }) => kind === 'organic')
    .map(({ record }: { record: number }) => answer.records[record].address);
};

test('searches of a place are a part of the whole, and those of its region hold those of its towns', async () => {
  const keywords = ['panniers', 'frame bag', 'bike bags', 'waterproof panniers'];
  const [whole, town, region] = await Promise.all([
    metrics(MARKET, keywords),
    metrics(TOWN, keywords),
    metrics(`${MARKET}@region:North Vale`, keywords),
  ]);
  const all = (counts: number[]): number => counts.reduce((sum, count) => sum + count, 0);
  expect(all(town)).toBeGreaterThan(0);
  expect(all(region)).toBeGreaterThan(all(town));
  expect(all(whole)).toBeGreaterThan(10 * all(region));
});

test('who stands where differs by place, and is the same whenever the place is asked again', async () => {
  const [whole, town, other] = await Promise.all([
    order(MARKET, 'panniers'),
    order(TOWN, 'panniers'),
    order(`${MARKET}@city:Wexcombe`, 'panniers'),
  ]);
  expect(town).not.toEqual(whole);
  expect(other).not.toEqual(town);
  expect(await order(`${MARKET}@city:fernmoor`, 'panniers')).toEqual(town);
  // It is the same world: most of who answers at all is the same.
  expect(town.filter((address) => whole.includes(address)).length).toBeGreaterThan(town.length / 2);
});

test('a reverse look-up in a place agrees with its result pages', async () => {
  const { answer } = await ask(
    `/rankings?${new URLSearchParams({ market: TOWN, date: DATE, target: 'cobblemoor.example', limit: '40' })}`,
  );
  const rows: { keyword: string; address: string; organic: number | null }[] = answer.rows;
  const ranked = rows.filter(({ organic }) => organic !== null).slice(0, 8);
  expect(ranked).toHaveLength(8);
  for (const { keyword, address, organic } of ranked)
    expect((await order(TOWN, keyword)).indexOf(address) + 1).toBe(organic);
});

test('an edit that search has seen is seen in a place as well', async () => {
  const before = await order(TOWN, 'saddle bags');
  const { answer } = await ask(
    `/rankings?${new URLSearchParams({ market: MARKET, date: DATE, target: 'tarnwick.example', limit: '1' })}`,
  );
  const { address } = answer.rows[0];
  const published = await ask('/own/publish', {
    market: MARKET,
    target: address,
    fields: { title: 'Saddle bags: saddle bags for every saddle' },
  });
  expect(published.status).toBe(200);
  const { answer: clock } = await ask('/clock/advance', { days: 8 });
  const { answer: page } = await ask('/result-pages', {
    market: TOWN,
    date: clock.today,
    keywords: ['saddle bags'],
  });
  const now: string[] = page.pages[0].slots.flatMap(({ kind, record }: { kind: string; record: number }) =>
    kind === 'organic' ? [page.records[record].address] : [],
  );
  const place = (list: string[]): number => (list.indexOf(address) + 1 || 101) as number;
  expect(place(now)).toBeLessThan(place(before));
});

test.each([
  [`${MARKET}@city:Nowhere`, 404, 'no-such-place'],
  [`${MARKET}@planet:Mars`, 400, 'place-not-supported'],
  ['video-us-en@city:Fernmoor', 400, 'place-not-supported'],
  ['web-xx-en@city:Fernmoor', 404, 'no-such-market'],
])('%s is refused', async (market, status, code) => {
  const found = await ask('/metrics', { market, date: DATE, keywords: ['panniers'] });
  expect([found.status, found.answer.code]).toEqual([status, code]);
});

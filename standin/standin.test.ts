import { startServices } from '../scripts/programs.mjs';

const MARKET = 'web-us-en';
const DATE = '2026-03-14';
type Program = Awaited<ReturnType<typeof startServices>>;
let world: Program;
beforeAll(async () => {
  world = await startServices(['--size', '0.08', '--seed', '7']);
}, 60_000);
afterAll(() => world.stop());

async function ask(path: string, body?: unknown, from: Program = world) {
  const response = await fetch(`${from.url}/v1${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'content-type': 'application/json' },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  return { status: response.status, answer: await response.json() };
}
const pages = (keywords: string[], date = DATE, from = world) =>
  ask('/result-pages', { market: MARKET, date, keywords }, from);

test('the same seed and date give the same answers, another seed others', async () => {
  const again = await startServices(['--size', '0.08', '--seed', '7']);
  const other = await startServices(['--size', '0.08', '--seed', '8']);
  try {
    const first = (await pages(['panniers', 'frame bag'])).answer;
    expect((await pages(['panniers', 'frame bag'], DATE, again)).answer).toEqual(first);
    expect((await pages(['panniers', 'frame bag'], DATE, other)).answer).not.toEqual(first);
  } finally {
    await again.stop();
    await other.stop();
  }
}, 60_000);

test('a result page counts slots from 1, organic and paid each on their own', async () => {
  const { answer } = await pages(['waterproof panniers', 'best bike bags']);
  expect(answer.units).toBe(2);
  for (const page of answer.pages) {
    expect(page.slots.map((slot: { slot: number }) => slot.slot)).toEqual(
      page.slots.map((_: unknown, i: number) => i + 1),
    );
    for (const kind of ['organic', 'paid']) {
      const held = page.slots.filter((slot: { kind: string }) => slot.kind === kind);
      expect(held.map((slot: { position: number }) => slot.position)).toEqual(
        held.map((_: unknown, i: number) => i + 1),
      );
    }
  }
});

test('reverse look-up and result pages say the same, walked by cursor without repeats', async () => {
  const rows: { keyword: string; address: string; organic: number | null }[] = [];
  for (let cursor: string | null = ''; cursor !== null;) {
    const { answer }: { answer: { rows: typeof rows; cursor: string | null } } = await ask(
      `/rankings?market=${MARKET}&date=${DATE}&target=saltfen.example&limit=100${cursor ? `&cursor=${cursor}` : ''}`,
    );
    rows.push(...answer.rows);
    cursor = answer.cursor;
  }
  expect(new Set(rows.map((row) => `${row.keyword}|${row.address}`)).size).toBe(rows.length);
  const sample = [...new Set(rows.map((row) => row.keyword))].slice(0, 100);
  const { answer } = await pages(sample);
  for (const page of answer.pages) {
    const shown = page.slots
      .filter(
        (slot: { kind: string; record: number | null }) =>
          slot.kind === 'organic' && answer.records[slot.record!].parent === 'saltfen.example',
      )
      .map((slot: { position: number; record: number }) => [
        answer.records[slot.record].address,
        slot.position,
      ]);
    const listed = rows
      .filter((row) => row.keyword === page.keyword && row.organic !== null)
      .map((row) => [row.address, row.organic]);
    expect(listed).toEqual(shown);
  }
});

test('positions drift slowly: one day changes little, a quarter much', async () => {
  const order = async (date: string): Promise<string[]> => {
    const { answer } = await pages(['bike bags'], date);
    return answer.pages[0].slots
      .filter((slot: { kind: string }) => slot.kind === 'organic')
      .map((slot: { record: number }) => answer.records[slot.record].address);
  };
  const [today, yesterday, quarter] = [
    await order(DATE),
    await order('2026-03-13'),
    await order('2025-12-14'),
  ];
  const moved = (other: string[]): number =>
    today
      .slice(0, 30)
      .reduce(
        (sum, address, i) => sum + Math.min(30, Math.abs(((other.indexOf(address) + 101) % 101) - i)),
        0,
      );
  expect(moved(yesterday)).toBeLessThan(moved(quarter));
});

test('volumes follow the season of the scenario', async () => {
  const { answer } = await ask('/metrics', {
    market: MARKET,
    date: DATE,
    keywords: ['panniers', 'never typed by anybody'],
  });
  expect(answer.rows).toHaveLength(1);
  const { months, firstMonth } = answer.rows[0];
  expect(firstMonth).toBe('2023-03');
  const mean = (calendar: number): number => {
    const found = months.filter((_: number, i: number) => (i + 2) % 12 === calendar);
    return found.reduce((sum: number, count: number) => sum + count, 0) / found.length;
  };
  expect(mean(4)).toBeGreaterThan(1.5 * mean(0));
});

test('own performance is given for our own site only, by day, query and page', async () => {
  expect(
    (await ask(`/own/performance?market=${MARKET}&site=cobblemoor.example&from=${DATE}&to=${DATE}`)).status,
  ).toBe(403);
  const { answer } = await ask(
    `/own/performance?market=${MARKET}&site=tarnwick.example&from=2026-03-10&to=${DATE}`,
  );
  expect(answer.rows.length).toBeGreaterThan(50);
  for (const row of answer.rows) {
    expect(row.clicks).toBeLessThanOrEqual(row.impressions);
    expect(row.page).toMatch(/^tarnwick\.example/);
  }
});

test('the clock can be advanced, and the future cannot be asked for', async () => {
  const own = await startServices(['--size', '0.08', '--seed', '7', '--allowance', '3']);
  try {
    expect((await pages(['panniers'], '2026-03-17', own)).status).toBe(400);
    expect((await ask('/clock/advance', { days: 3 }, own)).answer).toEqual({ today: '2026-03-17' });
    expect((await pages(['panniers'], '2026-03-17', own)).status).toBe(200);
    expect((await ask('/allowance', undefined, own)).answer).toEqual({
      allowance: 3,
      spent: 1,
      renews: '2026-04-01',
    });
    expect((await pages(['panniers', 'bike bags', 'frame bags'], DATE, own)).status).toBe(402);
    await ask('/clock/advance', { days: 20 }, own);
    expect((await ask('/allowance', undefined, own)).answer).toEqual({
      allowance: 3,
      spent: 0,
      renews: '2026-05-01',
    });
  } finally {
    await own.stop();
  }
});

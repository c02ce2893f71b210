import { startServices } from '../scripts/programs.mjs';

const DATE = '2026-03-14';
type Program = Awaited<ReturnType<typeof startServices>>;
let world: Program;
beforeAll(async () => {
  world = await startServices(['--size', '0.08', '--seed', '7']);
}, 60_000);
afterAll(() => world.stop());

async function ask(
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
  from: Program = world,
) {
  const response = await fetch(`${from.url}/v1${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  return { status: response.status, answer: await response.json() };
}

const SURFACES = [
  ['video-us-en', 'vidlantern.example/on/tarnwick', 'channel', 'video', ['views', 'likes', 'length']],
  [
    'marketplace-us-en',
    'stallbridge.example/stall/tarnwick',
    'shop',
    'listing',
    ['price', 'reviews', 'sales rank', 'images'],
  ],
  ['web-de-de', 'tarnwick.example', 'site', 'page', ['referring domains', 'backlinks']],
] as const;

test.each(SURFACES)(
  '%s has its own targets, records and figures',
  async (market, own, parentKind, kind, figures) => {
    const { answer: parent } = await ask(`/records?market=${market}&date=${DATE}&target=${own}`);
    expect(parent.record).toMatchObject({ kind: parentKind, owner: 'Tarnwick', parent: null });
    const { answer: rankings } = await ask(`/rankings?market=${market}&date=${DATE}&target=${own}`);
    expect(rankings.rows.length).toBeGreaterThan(20);
    const [row] = rankings.rows.filter((entry: { organic: number | null }) => entry.organic !== null);
    expect(row.parent).toBe(own);
    const { answer: shown } = await ask('/result-pages', { market, date: DATE, keywords: [row.keyword] });
    const record = shown.records.find((entry: { address: string }) => entry.address === row.address);
    expect(record).toMatchObject({ kind, parent: own });
    for (const figure of figures) expect(record.figures[figure]).toBeGreaterThanOrEqual(0);
    const slot = shown.pages[0].slots.find(
      (entry: { kind: string; record: number }) =>
        entry.kind === 'organic' && shown.records[entry.record].address === row.address,
    );
    expect(slot.position).toBe(row.organic);
  },
);

test('a rank follows a title edit once search has seen it, and sooner when asked to look again', async () => {
  const own = await startServices(['--size', '0.08', '--seed', '7']);
  try {
    const market = 'web-us-en';
    const { answer } = await ask(
      `/rankings?market=${market}&date=${DATE}&target=tarnwick.example`,
      undefined,
      {},
      own,
    );
    const weak = answer.rows.find((row: { organic: number | null }) => (row.organic ?? 0) > 40);
    const fields = { title: `${weak.keyword} ${weak.keyword}`, headings: weak.keyword };
    const edit = (await ask('/own/publish', { market, target: weak.address, fields }, {}, own)).answer;
    expect(edit.seenBySearchOn > DATE).toBe(true);
    const positionOn = async (date: string): Promise<number> => {
      const { answer: page } = await ask(
        '/result-pages',
        { market, date, keywords: [weak.keyword] },
        {},
        own,
      );
      const record = page.records.findIndex((entry: { address: string }) => entry.address === weak.address);
      return page.pages[0].slots.find(
        (slot: { kind: string; record: number }) => slot.kind === 'organic' && slot.record === record,
      ).position;
    };
    expect(await positionOn(DATE)).toBe(weak.organic);
    await ask('/own/reindex', { market, target: weak.address }, {}, own);
    expect(await positionOn(DATE)).toBeLessThan(weak.organic);
    expect(
      (await ask('/own/index', { market, targets: [weak.address] }, {}, own)).answer.pages[0],
    ).toMatchObject({
      state: 'indexed',
    });
    const foreign = await ask('/own/publish', { market, target: 'cobblemoor.example', fields }, {}, own);
    expect(foreign.status).toBe(403);
  } finally {
    await own.stop();
  }
});

test('one request pays once however often it is sent', async () => {
  const body = { market: 'video-us-en', date: DATE, keywords: ['panniers', 'bike bag'] };
  const spent = async () => (await ask('/allowance')).answer.spent;
  const before = await spent();
  for (let i = 0; i < 3; i++) await ask('/result-pages', body, { 'x-request-id': 'same' });
  expect(await spent()).toBe(before + 2);
});

test('keywords that hold words, and a curve of sales where the source gives one', async () => {
  const search = async (mode: string) =>
    (
      await ask(
        `/keyword-matches?market=web-us-en&date=${DATE}&text=bags+bike&mode=${encodeURIComponent(mode)}`,
      )
    ).answer;
  const [all, phrase] = [await search('all words'), await search('phrase')];
  expect(all.keywords.length).toBeGreaterThan(0);
  for (const text of all.keywords) expect(text.split(' ')).toEqual(expect.arrayContaining(['bags', 'bike']));
  expect(phrase.total).toBeLessThan(all.total);
  const { answer } = await ask(`/sales-curves?market=marketplace-us-en&date=${DATE}`);
  const curve = answer.curves.find(({ category }: { category: string }) => category === 'Panniers').points;
  for (let i = 1; i < curve.length; i++) expect(curve[i].units).toBeLessThanOrEqual(curve[i - 1].units);
  expect(answer.curves.some(({ points }: { points: unknown[] }) => points.length === 0)).toBe(true);
});

test('what people typed is not always what was bid on, and Spanish is understood', async () => {
  const { answer } = await ask(`/own/ad-terms?market=marketplace-us-en&from=2026-03-01&to=${DATE}`);
  expect(answer.rows.some((row: { term: string; keyword: string }) => row.term !== row.keyword)).toBe(true);
  for (const row of answer.rows) expect(row.clicks).toBeLessThanOrEqual(row.impressions);
  const { answer: translated } = await ask('/translations', {
    date: DATE,
    from: 'es',
    to: 'en',
    texts: ['alforjas para bicicleta', '???'],
  });
  expect(translated.translations).toEqual([
    { text: 'alforjas para bicicleta', translation: 'bike panniers' },
    { text: '???', translation: null },
  ]);
});

test('when the clock is advanced rivals have rewritten titles, and earlier days stay as they were', async () => {
  const own = await startServices(['--size', '0.08', '--seed', '7']);
  try {
    const titlesOn = async (date: string): Promise<Map<string, string>> => {
      const titles = new Map<string, string>();
      for (const market of ['video-us-en', 'marketplace-us-en']) {
        const keywords = ['panniers', 'bike bag', 'frame bag', 'waterproof panniers', 'pannier'];
        const { answer } = await ask('/result-pages', { market, date, keywords }, {}, own);
        for (const { address, title } of answer.records) titles.set(address, title);
      }
      return titles;
    };
    const before = await titlesOn(DATE);
    await ask('/clock/advance', { days: 200 }, {}, own);
    const after = await titlesOn('2026-09-30');
    const changed = [...before].filter(
      ([address, title]) => after.has(address) && after.get(address) !== title,
    );
    expect(changed.length).toBeGreaterThan(0);
    expect(await titlesOn(DATE)).toEqual(before);
  } finally {
    await own.stop();
  }
}, 60_000);

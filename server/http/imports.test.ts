import iconv from 'iconv-lite';
import { MARKET, Running } from '../testing/running';

let running: Running;
let at: string;
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
});
afterAll(() => running.stop());

interface Outcome {
  entry: { rowsKept: number; rowsRejected: number; rowsSkipped: number; reading: Record<string, unknown> };
  rejections: { line: number; reason: string }[];
}

/** Uploads, starts with the reading found (or corrected), waits, and says what came of it. */
async function takeIn(
  content: string | Buffer,
  correct: (reading: { columns: object }) => object = (reading) => reading,
): Promise<Outcome> {
  const { import: entry, preview } = await running.api.upload(`${at}/imports?name=file.csv`, content);
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market: MARKET,
    reading: correct(preview.reading),
  });
  await running.api.finished(started.job.id);
  const [taken] = (await running.api.get(`${at}/imports`)).filter(
    (other: { id: number }) => other.id === entry.id,
  );
  return {
    entry: taken,
    rejections: (await running.api.get(`/imports/${entry.id}/rejections?limit=1000`)).rows,
  };
}

/** What the application now says of a query, over the 28 days before a date. */
async function performanceOf(query: string, date: string): Promise<unknown> {
  const page = await running.api.get(
    `${at}/gaps?market=${MARKET}&date=${date}&find=${encodeURIComponent(query)}`,
  );
  const row = page.rows.find((candidate: { text: string }) => candidate.text === query);
  const { performance } = await running.api.get(
    `${at}/keywords/${row.id}/dossier?market=${MARKET}&date=${date}`,
  );
  return (
    performance && {
      impressions: performance.impressions,
      clicks: performance.clicks,
      position: performance.position,
    }
  );
}

test('an export as people have it: preamble, totals, quotes, percent signs, a broken row', async () => {
  const { entry, rejections } = await takeIn(
    [
      'Search performance of our site',
      'Exported,14 March 2026',
      '',
      'Date,Query,Page,Clicks,Impressions,CTR,Average position',
      '2026-03-01,"bag, waterproof",https://tarnwick.example/a/,3,"1,200",0.25%,8.5',
      '2026-03-02,"bag, waterproof",https://tarnwick.example/a,1,800,0.13%,9.5',
      '2026-03-02,,https://tarnwick.example/b,1,10,10%,2',
      '2026-03-02,rain cover,,5,4,125%,2',
      'someday,rain cover,,1,4,25%,2',
      'Total,,,10,2014,,',
    ].join('\n'),
  );
  expect(entry).toMatchObject({
    rowsKept: 2,
    rowsRejected: 3,
    rowsSkipped: 1,
    reading: { delimiter: ',', headerLine: 4, encoding: 'utf-8' },
  });
  expect(rejections).toMatchObject([
    { line: 7, reason: 'the query is empty' },
    { line: 8, reason: '5 clicks of 4 impressions cannot be' },
    { line: 9, reason: '“someday” is not a date' },
  ]);
  expect(await performanceOf('bag, waterproof', '2026-03-14')).toEqual({
    impressions: 2000,
    clicks: 4,
    position: (8.5 * 1200 + 9.5 * 800) / 2000,
  });
});

test.each([
  [
    'semicolons, decimal commas, German heads and Windows encoding',
    iconv.encode(
      'Suchanfrage;Datum;Klicks;Impressionen;Position\nfahrradtasche für räder;14.02.2026;2;1.300;3,5\n',
      'windows-1252',
    ),
    'fahrradtasche für räder',
    { impressions: 1300, clicks: 2, position: 3.5 },
  ],
  [
    'tabs and UTF-16 with a byte order mark',
    iconv.encode('Query\tDate\tClicks\tImpressions\nbolsa añil\t02/13/2026\t1\t7\n', 'utf-16le', {
      addBOM: true,
    }),
    'bolsa añil',
    { impressions: 7, clicks: 1, position: null },
  ],
  [
    'bars, spelled dates and Windows line ends',
    'keyword|day|clicks|impressions|position\r\npannier hook x|Feb 12, 2026|4|40|11.5\r\n',
    'pannier hook x',
    { impressions: 40, clicks: 4, position: 11.5 },
  ],
  [
    'a byte order mark and a quoted field over two lines',
    '\uFEFFquery,date,clicks,impressions,note\nstem bag x,2026-02-11,1,5,"two\nlines"\n',
    'stem bag x',
    { impressions: 5, clicks: 1, position: null },
  ],
])('%s are found out', async (_, content, query, expected) => {
  expect((await takeIn(content)).entry).toMatchObject({ rowsKept: 1, rowsRejected: 0 });
  expect(await performanceOf(query, '2026-02-28')).toEqual(expected);
});

test('columns that were not recognised can be chosen, and a date given', async () => {
  const content = 'What they typed,Seen,Pressed\ndry sack x,50,5\n';
  const { import: entry, preview } = await running.api.upload(`${at}/imports?name=odd.csv`, content);
  expect(preview.problems).toHaveLength(4);
  await expect(
    running.api.post(`/imports/${entry.id}/start`, { market: MARKET, reading: preview.reading }),
  ).rejects.toThrow(/No column for query/);
  await takeIn(content, (reading) => ({
    ...reading,
    fixedDate: '2026-01-20',
    columns: { ...reading.columns, query: 0, impressions: 1, clicks: 2 },
  }));
  expect(await performanceOf('dry sack x', '2026-01-25')).toMatchObject({ impressions: 50, clicks: 5 });
});

test('the same rows in a second file do not count twice', async () => {
  const content = 'query,date,clicks,impressions\ntwice x,2026-01-05,1,10\n';
  await takeIn(content);
  await takeIn(content.replace(',1,10', ',2,11'));
  expect(await performanceOf('twice x', '2026-01-06')).toMatchObject({ impressions: 11, clicks: 2 });
});

test('a quote that is never closed costs its own line only', async () => {
  const lines = Array.from({ length: 500 }, (_, i) => `broken quote ${i},2026-01-02,1,10`);
  lines[200] = '"never closed,2026-01-02,1,10';
  const { entry, rejections } = await takeIn(['query,date,clicks,impressions', ...lines].join('\n'));
  expect(entry).toMatchObject({ rowsKept: 499, rowsRejected: 1 });
  expect(rejections).toMatchObject([{ line: 202, reason: 'a quote is opened and never closed' }]);
});

test.each([
  ['', /is empty/],
  [Buffer.from(Array.from({ length: 4000 }, (_, i) => (i * 7919) % 256)), /not a text table/],
])('what is no table is refused and leaves nothing', async (content, message) => {
  const before = await running.api.get(`${at}/imports`);
  await expect(running.api.upload(`${at}/imports?name=x.csv`, content)).rejects.toThrow(message);
  expect(await running.api.get(`${at}/imports`)).toEqual(before);
});

test('a file without one usable row says so', async () => {
  const { import: entry, preview } = await running.api.upload(
    `${at}/imports?name=x.csv`,
    'query,date,clicks,impressions\n,,,\n!!,2026-01-01,1,1\n',
  );
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market: MARKET,
    reading: preview.reading,
  });
  expect((await running.api.finished(started.job.id)).message).toMatch(/No row of this file could be used/);
});

test('a server killed in the middle of an import goes on, every row once', async () => {
  const rows = 150_000;
  const lines = Array.from(
    { length: rows },
    (_, i) =>
      `killed ${i % 5000},2026-01-${String((i % 28) + 1).padStart(2, '0')},https://tarnwick.example/p${Math.floor(i / 5000)},1,10`,
  );
  const { import: entry, preview } = await running.api.upload(
    `${at}/imports?name=large.csv`,
    ['query,date,page,clicks,impressions', ...lines].join('\n'),
  );
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market: MARKET,
    reading: preview.reading,
  });
  for (;;) {
    const [now] = (await running.api.get(`${at}/imports`)) as { rowsKept: number }[];
    if (now!.rowsKept > 0) break;
  }
  await running.crashAndRestart();
  await running.api.finished(started.job.id);
  const [taken] = await running.api.get(`${at}/imports`);
  expect(taken).toMatchObject({ rowsKept: rows, rowsRejected: 0 });
  expect(await performanceOf('killed 7', '2026-01-31')).toMatchObject({
    clicks: rows / 5000,
    impressions: (10 * rows) / 5000,
  });
});

describe('the period of own search performance', () => {
  /** A row a day from 1 November 2025: on day n, n impressions and one click. */
  const DAYS = 120;
  const dayOf = (n: number): string => new Date(Date.UTC(2025, 10, n)).toISOString().slice(0, 10);
  beforeAll(async () => {
    const lines = Array.from({ length: DAYS }, (_, i) => `period y,${dayOf(i + 1)},1,${i + 1},4`);
    await takeIn(['query,date,clicks,impressions,position', ...lines].join('\n'));
  });

  const over = async (
    own: string,
  ): Promise<{ performance: Record<string, unknown>; performanceUntil: string }> => {
    const date = dayOf(DAYS);
    const page = await running.api.get(
      `${at}/gaps?market=${MARKET}&date=${date}&find=${encodeURIComponent('period y')}`,
    );
    return running.api.get(
      `${at}/keywords/${page.rows[0].id}/dossier?market=${MARKET}&date=${date}&own=${encodeURIComponent(own)}`,
    );
  };
  const sumOf = (from: string, to: string): { impressions: number; clicks: number } => {
    const days = Array.from({ length: DAYS }, (_, i) => i + 1).filter(
      (n) => dayOf(n) >= from && dayOf(n) <= to,
    );
    return { impressions: days.reduce((sum, n) => sum + n, 0), clicks: days.length };
  };

  test.each([
    ['7 days', '2026-02-22', '2026-02-28'],
    ['28 days', '2026-02-01', '2026-02-28'],
    ['90 days', '2025-12-01', '2026-02-28'],
    ['last month', '2026-02-01', '2026-02-28'],
    ['12 months', '2025-03-01', '2026-02-28'],
    ['2025-12-24..2026-01-06', '2025-12-24', '2026-01-06'],
  ])('%s adds up the days from %s to %s and no others', async (own, from, to) => {
    const { performance, performanceUntil } = await over(own);
    expect(performance).toMatchObject({ from, to, ...sumOf(from, to), position: 4 });
    expect(performanceUntil).toBe(dayOf(DAYS));
  });

  test('days of which nothing is held give no figures, and it is said up to when there are some', async () => {
    expect(await over('2024-01-01..2024-12-31')).toMatchObject({
      performance: null,
      performanceUntil: dayOf(DAYS),
    });
  });

  test('a period that is none is refused with the ones there are', async () => {
    await expect(over('a while')).rejects.toThrow(/7 days, 28 days/);
  });
});

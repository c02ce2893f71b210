import ExcelJS from 'exceljs';
import { DATE, MARKET, Running } from '../testing/running';

/** Every line of a file is accounted for, rows of one file add up, and no file brings anything down. */
let running: Running;
let at: string;
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
});
afterAll(() => running.stop());

interface Taken {
  rowsRead: number;
  rowsKept: number;
  rowsRejected: number;
  rowsSkipped: number;
  rowsBlank: number;
}

async function takeIn(
  content: string | Buffer,
  options: { kind?: string; market?: string; marketConfirmed?: boolean } = {},
): Promise<Taken & { rejections: { line: number; reason: string; content: string }[] }> {
  const kind = options.kind ? `&kind=${encodeURIComponent(options.kind)}` : '';
  const { import: entry, preview } = await running.api.upload(`${at}/imports?name=file.csv${kind}`, content);
  const { market = MARKET, marketConfirmed = false } = options;
  const started = await running.api.post(`/imports/${entry.id}/start`, {
    market,
    reading: preview.reading,
    marketConfirmed,
  });
  await running.api.finished(started.job.id);
  const imports: (Taken & { id: number })[] = await running.api.get(`${at}/imports`);
  const taken = imports.find(({ id }) => id === entry.id)!;
  const { rows } = await running.api.get(`/imports/${entry.id}/rejections?limit=1000`);
  expect(taken.rowsKept + taken.rowsRejected + taken.rowsSkipped + taken.rowsBlank).toBe(taken.rowsRead);
  return { ...taken, rejections: rows };
}

async function performanceOf(query: string): Promise<unknown> {
  const page = await running.api.get(
    `${at}/gaps?market=${MARKET}&date=${DATE}&find=${encodeURIComponent(query)}`,
  );
  const row = page.rows.find((candidate: { text: string }) => candidate.text === query);
  const dossier = await running.api.get(`${at}/keywords/${row.id}/dossier?market=${MARKET}&date=${DATE}`);
  const { impressions, clicks, position } = dossier.performance;
  return { impressions, clicks, position };
}

test.each([',', '\t'])('rows with an inch mark are rows (%j)', async (delimiter) => {
  const lines = [
    ['query', 'volume', 'date'],
    ['15" laptop bag', '100', '2026-03-01'],
    ['plain pannier', '5', '2026-03-01'],
    ['17" laptop bag', '200', '2026-03-01'],
    ['last bag', '7', '2026-03-01'],
  ];
  const taken = await takeIn(lines.map((cells) => cells.join(delimiter)).join('\n'), { kind: 'metrics' });
  expect(taken).toMatchObject({ rowsRead: 4, rowsKept: 4, rowsRejected: 0 });
});

test('every line is kept, rejected, skipped or blank, whatever ends it', async () => {
  const taken = await takeIn(
    [
      'query,date,clicks,impressions',
      'one x,2026-03-01,1,10',
      '',
      '"never closed,2026-03-01,1,10',
      'two x,1999-03-01,1,10',
      'Total,,3,30',
      '   ',
      'three x,2026-03-02,1,10',
    ].join('\r'),
  );
  expect(taken).toMatchObject({ rowsRead: 7, rowsKept: 2, rowsRejected: 2, rowsSkipped: 1, rowsBlank: 2 });
  expect(taken.rejections).toMatchObject([
    { line: 4, reason: 'a quote is opened and never closed' },
    { line: 5, reason: '“1999-03-01” is not a date of 2000–2100' },
  ]);
});

test('rows that turn out to be of no use late are told by their lines, all of them', async () => {
  const taken = await takeIn(
    ['page,terms', 'nobody.example/a,red', 'tarnwick.example,blue', 'nobody.example/b,green'].join('\n'),
    { kind: 'hidden terms' },
  );
  expect(taken).toMatchObject({ rowsKept: 1, rowsRejected: 2 });
  expect(taken.rejections.map(({ line }) => line)).toEqual([2, 4]);
});

test('rows of one file that share query, page and day add up; a newer file replaces them', async () => {
  const head = 'query,page,date,device,country,clicks,impressions,position';
  const row = (device: string, country: string, figures: string) =>
    `adding x,https://tarnwick.example/a,2026-03-10,${device},${country},${figures}`;
  await takeIn(
    [
      head,
      row('desktop', 'usa', '2,100,4'),
      row('mobile', 'usa', '1,300,8'),
      row('mobile', 'can', '0,0,9'),
    ].join('\n'),
  );
  expect(await performanceOf('adding x')).toEqual({
    impressions: 400,
    clicks: 3,
    position: (4 * 100 + 8 * 300) / 400,
  });
  await takeIn([head, row('mobile', 'usa', '5,50,2')].join('\n'));
  expect(await performanceOf('adding x')).toEqual({ impressions: 50, clicks: 5, position: 2 });
});

test('an ad term bears the keyword that brought most of its clicks, all its rows together', async () => {
  const rows = [
    ['2026-03-01', 'one bid', 'exact', 4],
    ['2026-03-02', 'other bid', 'broad', 3],
    ['2026-03-03', 'other bid', 'broad', 3],
    ['2026-03-03', 'other bid', 'phrase', 2],
  ].map(([day, bid, match, clicks]) => `typed x,${day},${bid},${match},${clicks},${Number(clicks) * 10},1.5`);
  await takeIn(['search term,date,ad keyword,match type,clicks,impressions,cost', ...rows].join('\n'), {
    kind: 'ad terms',
  });
  const paid = await running.api.get(`${at}/paid?market=${MARKET}&date=${DATE}&find=typed`);
  expect(paid.rows).toMatchObject([
    { text: 'typed x', bidOn: 'other bid', match: 'broad', clicks: 12, impressions: 120, cost: 6 },
  ]);
});

test('a range of volumes stays a range', async () => {
  await takeIn(
    'keyword,date,search volume\nranged x,2026-03-01,1K – 10K\nopen x,2026-03-01,10K+\nplain x,2026-03-01,500',
    {
      kind: 'metrics',
    },
  );
  const { id, job } = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    keywords: ['ranged x', 'open x', 'plain x'],
    extent: 'positions',
  });
  await running.api.finished(job.id);
  const pool: { rows: { volume: number; volumeRange: object | null }[] } = await running.api.get(
    `/look-ups/${id}/keywords?sort=given`,
  );
  const rows = pool.rows.map(({ volume, volumeRange }) => [volume, volumeRange]);
  expect(rows).toEqual([
    [3162, { low: 1000, high: 10_000 }],
    [31_623, { low: 10_000, high: 100_000 }],
    [500, null],
  ]);
});

describe('the market of a file', () => {
  const rows = (country: string) =>
    ['query,date,country,clicks,impressions', `herkunft ${country},2026-03-01,${country},1,10`].join('\n');

  test('is asked for when its rows speak of another country, and can be confirmed', async () => {
    await expect(takeIn(rows('deu'))).rejects.toThrow(/speak of country DE.*United States/);
    expect(await takeIn(rows('deu'), { marketConfirmed: true })).toMatchObject({ rowsKept: 1 });
    expect(await takeIn(rows('usa'))).toMatchObject({ rowsKept: 1 });
  });

  test('is asked for when its queries are in another language', async () => {
    const german = [
      'wasserdichte fahrradtaschen für das hinterrad',
      'welche lenkertasche ist die beste',
      'gepäckträgertasche mit schultergurt',
    ].map((query) => `${query},2026-03-01,1,10`);
    const file = ['query,date,clicks,impressions', ...german].join('\n');
    await expect(takeIn(file)).rejects.toThrow(/speak of language de/);
    expect(await takeIn(file, { market: 'web-de-de' })).toMatchObject({ rowsKept: 3 });
  });
});

describe('hostile files are refused with a reason, and nobody waits for them', () => {
  const refused = async (content: string | Buffer, reason: RegExp): Promise<void> => {
    const before = await running.api.get(`${at}/imports`);
    const reading = expect(running.api.upload(`${at}/imports?name=x.csv`, content)).rejects.toThrow(reason);
    // The others are answered meanwhile.
    await running.api.get(at);
    await reading;
    expect(await running.api.get(`${at}/imports`)).toEqual(before);
  };

  test('a hundred thousand columns', () =>
    refused(`${Array.from({ length: 100_000 }, (_, i) => `c${i}`).join(',')}\n1,2\n`, /has 100000 columns/));

  test('one endless line', () => refused('x'.repeat(6_000_000), /longer than 4000000 characters|no column/i));

  test('a workbook with a row two thousand million', async () => {
    const workbook = new ExcelJS.Workbook();
    workbook.addWorksheet('s').addRows([
      ['query', 'clicks', 'impressions'],
      ['x', 1, 2],
    ]);
    const whole = Buffer.from(await workbook.xlsx.writeBuffer());
    const { default: JSZip } = await import('jszip');
    const zip = await JSZip.loadAsync(whole);
    const sheet = await zip.file('xl/worksheets/sheet1.xml')!.async('string');
    zip.file('xl/worksheets/sheet1.xml', sheet.replace(/ r="2"/, ' r="2000000000"'));
    await refused(await zip.generateAsync({ type: 'nodebuffer' }), /names a row 2000000000/);
  });
});

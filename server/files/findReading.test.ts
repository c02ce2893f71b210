import { IMPORT_KINDS, type ImportKind } from '@opsimath/contract/api/imports';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import iconv from 'iconv-lite';
import { findReading, readingProblems } from './findReading';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-reading-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function find(content: string | Uint8Array, kind?: ImportKind) {
  const file = path.join(folder, 'table');
  writeFileSync(file, content);
  return findReading(file, 'delimited', kind);
}

test.each([
  ['performance', 'Query,Page,Clicks,Impressions,Position\nbike bag,https://tarnwick.example,1,20,4.2'],
  ['ad terms', 'Search term;Clicks;Cost\nbike bag;1;2,50'],
  ['metrics', 'Keyword\tVolume\tCPC\nbike bag\t1200\t0.80'],
  ['rankings', 'keyword,target,date,organic,paid,volume\nbike bag,tarnwick.example,2026-03-14,4,,1200'],
] as const)('a table of %s is known by its heads', async (kind, content) => {
  const { reading, sample } = await find(content);
  expect(reading.kind).toBe(kind);
  for (const field of IMPORT_KINDS[kind].needed) expect(reading.columns[field]).not.toBeNull();
  expect(sample[0]![0]).toBe('bike bag');
});

test('heads may follow lines about the export, in any column order', async () => {
  const { reading } = await find(
    'Our export\nMarch\n\nClicks;Suchanfrage;Impressionen\n1;Fahrradtasche;20\n',
    'performance',
  );
  expect(reading).toMatchObject({
    headerLine: 4,
    delimiter: ';',
    columns: { clicks: 0, query: 1, impressions: 2, date: null },
  });
});

test('without a date column it is said that one is wanted', async () => {
  const { reading, problems } = await find('query,clicks,impressions\na,1,2\n');
  expect(problems).toEqual(['No column for date: choose one, or give the date that all rows stand for.']);
  expect(readingProblems({ ...reading, fixedDate: '2026-03-14' })).toEqual([]);
  expect(
    readingProblems({
      ...reading,
      fixedDate: '2026-03-14',
      columns: { query: 9, clicks: 1, impressions: null },
    }),
  ).toEqual([
    'The file has no column 10 for query.',
    'No column for impressions: choose which one holds it.',
  ]);
});

test('delimiter, decimal comma and heads are found in whatever way the table is written', async () => {
  const word = fc.stringMatching(/^[a-zäé]{2,8}$/);
  const row = fc.record({
    query: word,
    clicks: fc.integer({ min: 0, max: 99 }),
    impressions: fc.integer({ min: 100, max: 999 }),
    position: fc.integer({ min: 11, max: 99 }).filter((tenths) => tenths % 10 !== 0),
  });
  await fc.assert(
    fc.asyncProperty(
      fc.array(row, { minLength: 2, maxLength: 12 }),
      fc.constantFrom(',', ';', '\t', '|'),
      fc.boolean(),
      fc.shuffledSubarray(['query', 'clicks', 'impressions', 'position'] as const, { minLength: 4 }),
      async (rows, delimiter, decimalComma, order) => {
        const records = rows.map((entry) =>
          order.map((field) => {
            if (field !== 'position') return String(entry[field]);
            return (entry.position / 10).toFixed(1).replace('.', decimalComma ? ',' : '.');
          }),
        );
        const { reading } = await find(stringify([[...order], ...records], { delimiter }));
        expect(reading).toMatchObject({ kind: 'performance', delimiter, decimalComma, headerLine: 1 });
        order.forEach((field, column) => expect(reading.columns[field]).toBe(column));
      },
    ),
    { numRuns: 60 },
  );
});

test.each([
  ['31.12.2025', 'day first'],
  ['12/31/2025', 'month first'],
  ['2025-12-31', 'year first'],
  ['03/04/2025', 'month first'],
  ['03.04.2025', 'day first'],
])('a date as %s is %s', async (date, dateOrder) => {
  expect((await find(`query,clicks,impressions,date\nbike bag,1,2,${date}\n`)).reading.dateOrder).toBe(
    dateOrder,
  );
});

test.each([
  ['Search term,Keyword,Clicks,Cost', 0, 1],
  ['Keyword,Search term,Clicks,Cost', 1, 0],
  ['Keyword,Clicks,Cost', 0, null],
  ['Search term,Ad keyword,Keyword,Clicks,Cost', 0, 1],
])('of the heads %s what was typed is told from what was bid on', async (heads, query, bid) => {
  const { reading } = await find(`${heads}\n${heads.replace(/[A-Z]/g, 'x')}`, 'ad terms');
  expect([reading.columns.query, reading.columns['ad keyword']]).toEqual([query, bid]);
});

test.each(['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'])(
  'a table in %s is read in it',
  async (encoding) => {
    const text = `Suchanfrage;Klicks;Impressionen\n${'Fahrradtasche für Gepäckträger;3;40\n'.repeat(30)}`;
    const { reading, sample } = await find(
      iconv.encode(text, encoding, { addBOM: encoding.startsWith('utf-16') }),
      'performance',
    );
    expect(sample[0]![0]).toBe('Fahrradtasche für Gepäckträger');
    expect(iconv.encodingExists(reading.encoding)).toBe(true);
  },
);

test.each([
  ['an empty file', '', 'empty-file'],
  [
    'a picture',
    Buffer.from('89504e470d0a1a0a0000000d49484452000001000000010008060000005c72a866', 'hex'),
    'not-text',
  ],
])('%s is refused in words', async (_, content, code) => {
  await expect(find(content)).rejects.toMatchObject({ code });
});

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { findReading } from './findReading';
import { type FilePart, isRecord, readRecords } from './records';
import { parse } from 'csv-parse/sync';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-records-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function read(content: string | Uint8Array, delimiter = ','): Promise<FilePart[]> {
  const file = path.join(folder, 'file');
  writeFileSync(file, content);
  const records = [];
  for await (const record of readRecords(file, 'utf-8', delimiter, 1)) records.push(record);
  return records;
}
const rowsOf = (parts: readonly FilePart[]) => parts.filter(isRecord).map(({ fields }) => fields);

test('what a CSV writer wrote is read back, quotes, line ends and delimiters included', async () => {
  const cell = fc.string({ unit: fc.constantFrom('a', 'é', '"', ',', ';', '\n', ' ', '=') });
  // A row of blanks cannot be told from a blank line.
  const row = fc.array(cell, { minLength: 2, maxLength: 4 }).filter((cells) => cells.join('').trim() !== '');
  await fc.assert(
    fc.asyncProperty(fc.array(row, { minLength: 1, maxLength: 8 }), async (rows) => {
      expect(rowsOf(await read(stringify(rows)))).toEqual(rows);
    }),
    { numRuns: 150 },
  );
});

test('lines are numbered as in the file, blank ones among them', async () => {
  expect(await read('a,b\n\n"x\ny",2\nlast,3')).toEqual([
    { line: 1, lines: 1, fields: ['a', 'b'] },
    { line: 2, lines: 1 },
    { line: 3, lines: 2, fields: ['x\ny', '2'] },
    { line: 5, lines: 1, fields: ['last', '3'] },
  ]);
});

test('quoted rows in a row are numbered as in the file, each with the lines it takes', async () => {
  const parts = await read('"a",1\n"b\nb",2\n"c",3\n"d\n\nd",4\n"e",5');
  expect(parts.map(({ line, lines }) => [line, lines])).toEqual([
    [1, 1],
    [2, 2],
    [4, 1],
    [5, 3],
    [8, 1],
  ]);
});

test.each([',', '\t'])('an inch mark is no quote: every line is a row', async (delimiter) => {
  const rows = [
    ['15" laptop bag', '100'],
    ['plain pannier', '5'],
    ['17" laptop bag', '200'],
    ['last bag', '7'],
  ];
  expect(rowsOf(await read(rows.map((row) => row.join(delimiter)).join('\n'), delimiter))).toEqual(rows);
});

test('lines may end with CR alone, with CRLF or both in one file', async () => {
  expect(rowsOf(await read('a,1\rb,2\r\nc,3\nd,4\r'))).toEqual([
    ['a', '1'],
    ['b', '2'],
    ['c', '3'],
    ['d', '4'],
  ]);
});

test('with quotation marks anywhere it reads what csv-parse reads of the whole text', async () => {
  const text = fc.string({ unit: fc.constantFrom('"', ',', '\n', 'a', ' ', '""', '",'), maxLength: 40 });
  await fc.assert(
    fc.asyncProperty(text, async (content) => {
      let expected: string[][];
      try {
        expected = parse(content, { relax_quotes: true, relax_column_count: true, record_delimiter: '\n' });
      } catch {
        return; // A quote that is never closed is ours to deal with.
      }
      const filled = expected.filter(
        (row) => row.length > 1 || row[0]!.trim() !== '' || content.includes('"'),
      );
      const blank = (row: string[]) => row.length === 1 && row[0]!.trim() === '';
      expect(rowsOf(await read(content)).filter((row) => !blank(row))).toEqual(
        filled.filter((row) => !blank(row)),
      );
    }),
    { numRuns: 400 },
  );
});

test('any bytes at all are read to the end, and each line belongs to exactly one part', async () => {
  const nasty = fc.oneof(
    fc.uint8Array({ maxLength: 2000 }),
    fc
      .string({ unit: fc.constantFrom('"', ',', '\n', '\r', 'a', '""'), maxLength: 400 })
      .map((text) => new TextEncoder().encode(text)),
  );
  await fc.assert(
    fc.asyncProperty(nasty, async (bytes) => {
      let next = 1;
      for (const part of await read(bytes)) {
        expect(part.line).toBe(next);
        next += part.lines;
      }
      const lines = new TextDecoder().decode(bytes).split(/\r\n|\n|\r/);
      expect(next - 1).toBe(lines.at(-1) === '' ? lines.length - 1 : lines.length);
    }),
    { numRuns: 300 },
  );
});

test('what no table has is refused by its line: too many columns, too long a cell', async () => {
  const parts = await read([`${'x,'.repeat(16_384)}x`, `a,${'y'.repeat(100_001)}`, 'b,1'].join('\n'));
  expect(parts).toMatchObject([
    { line: 1, reason: 'has 16385 columns; at most 16384 are read' },
    { line: 2, reason: 'has a cell of more than 100000 characters' },
    { line: 3, fields: ['b', '1'] },
  ]);
});

test('one endless line does not fill the memory', async () => {
  const records = await read(`${'x,'.repeat(3_000_000)}\nend,1`);
  expect(records).toMatchObject([
    { line: 1, reason: 'is longer than 4000000 characters' },
    { line: 2, fields: ['end', '1'] },
  ]);
});

test.each([
  [
    'a preamble of any length below the look-ahead',
    `${'About this file\n'.repeat(20)}Query,Date,Clicks,Impressions\nx,2026-01-01,1,2\n`,
    { headerLine: 21, delimiter: ',' },
  ],
  ['no known heads: the widest line', 'note\na|b|c\n1|2|3\n', { headerLine: 2, delimiter: '|' }],
  [
    'Spanish heads',
    'Consulta;Fecha;Clics;Impresiones;Posición\nx;31/12/2025;1;2;3,4\n',
    { decimalComma: true, dateOrder: 'day first' },
  ],
])('%s', async (_, content, expected) => {
  const file = path.join(folder, 'found');
  writeFileSync(file, content);
  expect((await findReading(file)).reading).toMatchObject(expected);
});

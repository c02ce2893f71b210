import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { stringify } from 'csv-stringify/sync';
import fc from 'fast-check';
import { findReading } from './findReading';
import { readRecords } from './records';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-records-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function read(content: string | Uint8Array, delimiter = ','): Promise<unknown[]> {
  const file = path.join(folder, 'file');
  writeFileSync(file, content);
  const records = [];
  for await (const record of readRecords(file, 'utf-8', delimiter, 1)) records.push(record);
  return records;
}

test('what a CSV writer wrote is read back, quotes, line ends and delimiters included', async () => {
  const cell = fc.string({ unit: fc.constantFrom('a', 'é', '"', ',', ';', '\n', ' ', '=') });
  // A row of blanks cannot be told from a blank line.
  const row = fc.array(cell, { minLength: 2, maxLength: 4 }).filter((cells) => cells.join('').trim() !== '');
  await fc.assert(
    fc.asyncProperty(fc.array(row, { minLength: 1, maxLength: 8 }), async (rows) => {
      const records = (await read(stringify(rows))) as { fields: string[] }[];
      expect(records.map((record) => record.fields)).toEqual(rows);
    }),
    { numRuns: 150 },
  );
});

test('lines are numbered as in the file', async () => {
  expect(await read('a,b\n\n"x\ny",2\nlast,3')).toEqual([
    { line: 1, fields: ['a', 'b'] },
    { line: 3, fields: ['x\ny', '2'] },
    { line: 5, fields: ['last', '3'] },
  ]);
});

test('any bytes at all are read to the end, each line accounted for or refused', async () => {
  await fc.assert(
    fc.asyncProperty(fc.uint8Array({ maxLength: 2000 }), async (bytes) => {
      for (const record of await read(bytes)) expect(record).toHaveProperty('line');
    }),
    { numRuns: 60 },
  );
});

test('one endless line does not fill the memory', async () => {
  const records = await read(`${'x,'.repeat(3_000_000)}\nend,1`);
  expect(records.at(-1)).toMatchObject({ fields: ['end', '1'] });
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

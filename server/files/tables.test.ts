import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { parse } from 'csv-parse/sync';
import ExcelJS from 'exceljs';
import fc from 'fast-check';
import { asDelimited, formatOf } from './tables';
import { type Cell, type TableFormat, writeTable } from './tableWriters';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-tables-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const at = (name: string): string => path.join(folder, name);

async function rowsOf(format: 'xlsx' | 'json lines'): Promise<string[][]> {
  await asDelimited(at('given'), format, at('taken'));
  return readFileSync(at('taken'), 'utf8')
    .split('\n')
    .slice(0, -1)
    .map((line) => line.split('\t'));
}
async function written(format: TableFormat, heads: string[], rows: Cell[][], pageSize = 2): Promise<void> {
  async function* pages() {
    for (let from = 0; from < rows.length; from += pageSize) yield rows.slice(from, from + pageSize);
  }
  const { body } = writeTable(format, { name: 'Pool: a/b', heads, about: 'A test', pages: pages() });
  await pipeline(body, createWriteStream(at('given')));
}
/** As it stands in one cell of a line: blanks for what would break the line. */
const inLine = (text: string): string => text.replace(/[\t\r\n"]+/g, ' ').trim();

describe('workbooks', () => {
  test('every kind of cell is read as people see it', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('Export');
    sheet.addRow(['Query', 'Date', 'Clicks', 'Share', 'Link', 'Note']);
    sheet.addRow([
      'bike bag',
      new Date('2026-03-14T00:00:00Z'),
      7,
      { formula: '1/4', result: 0.25 },
      { text: 'ours', hyperlink: 'https://tarnwick.example' },
      { richText: [{ text: 'two ' }, { text: 'parts' }] },
    ]);
    sheet.addRow(['tab\there', null, true, 1e21, '', 'a "quote"']);
    book.addWorksheet('Second').addRow(['not read']);
    await book.xlsx.writeFile(at('given'));
    expect(await formatOf(at('given'))).toBe('xlsx');
    expect(await rowsOf('xlsx')).toEqual([
      ['Query', 'Date', 'Clicks', 'Share', 'Link', 'Note'],
      ['bike bag', '2026-03-14', '7', '0.25', 'ours', 'two parts'],
      ['tab here', '', 'true', '1e+21', '', 'a  quote'],
    ]);
  });

  test('rows that are left out keep the numbers of those after them', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('Export');
    sheet.getCell('A1').value = 'Query';
    sheet.getCell('B4').value = 'far';
    await book.xlsx.writeFile(at('given'));
    expect(await rowsOf('xlsx')).toEqual([['Query'], [''], [''], ['', 'far']]);
  });

  test('what only begins like a workbook is refused in words', async () => {
    writeFileSync(at('given'), 'PK\u0003\u0004 and then nothing of the kind');
    expect(await formatOf(at('given'))).toBe('xlsx');
    await expect(rowsOf('xlsx')).rejects.toMatchObject({ status: 400 });
  });
});

describe('JSON Lines', () => {
  test('heads are the names in the order met, and every line keeps its place', async () => {
    writeFileSync(
      at('given'),
      '\uFEFF{"query":"bike bag","clicks":7}\r\n\r\n{"clicks":null,"page":{"a":1},"tags":["x",["y",2]]}\nnot json\n[1,2]\n',
    );
    expect(await formatOf(at('given'))).toBe('json lines');
    expect(await rowsOf('json lines')).toEqual([
      ['query', 'clicks', 'page', 'tags'],
      ['bike bag', '7', '', ''],
      [''],
      ['', '', '{ a :1}', 'x, y, 2'],
      ['not json'],
      ['[1,2]'],
    ]);
  });

  test('any objects come out cell by cell', async () => {
    const entry = fc.dictionary(
      fc.constantFrom('query', 'clicks', 'cost'),
      fc.oneof(fc.string({ unit: 'grapheme' }), fc.integer(), fc.boolean(), fc.constant(null)),
      { minKeys: 1 },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(entry, { minLength: 1, maxLength: 8 }), async (entries) => {
        writeFileSync(at('given'), entries.map((one) => JSON.stringify(one)).join('\n'));
        const [heads, ...rows] = await rowsOf('json lines');
        expect(new Set(heads)).toEqual(new Set(entries.flatMap((one) => Object.keys(one))));
        expect(rows).toEqual(entries.map((one) => heads!.map((head) => inLine(String(one[head] ?? '')))));
      }),
      { numRuns: 80 },
    );
  });

  test('a file without any object is no table', async () => {
    writeFileSync(at('given'), '{"broken": \n[1]\n');
    await expect(rowsOf('json lines')).rejects.toMatchObject({ code: 'not-a-table' });
  });
});

test.each([
  ['a,b\n1,2', 'delimited'],
  ['', 'delimited'],
  ['  {"a":1}', 'json lines'],
  ['[{"a":1}]', 'delimited'],
])('%j is %s', async (content, format) => {
  writeFileSync(at('given'), content);
  expect(await formatOf(at('given'))).toBe(format);
});

describe('tables that go out', () => {
  const heads = ['keyword', 'volume', 'note'];
  const text = fc.string({
    unit: fc.constantFrom('a', 'é', '字', '"', ',', ';', '\n', ' ', '=', '+', '-', '@', '<'),
  });
  const rows = fc.array(
    fc.tuple(
      text.filter((value) => value.trim() !== ''),
      fc.option(fc.integer({ min: 0, max: 1e9 })),
      text,
    ),
    { maxLength: 9 },
  );

  test('CSV holds every row, and no cell of text begins as a formula does', async () => {
    await fc.assert(
      fc.asyncProperty(rows, async (given) => {
        await written('csv', heads, given);
        const [first, ...read] = parse(readFileSync(at('given')), { bom: true }) as string[][];
        expect(first).toEqual(heads);
        expect(read).toHaveLength(given.length);
        read.forEach(([keyword, volume, note], i) => {
          const [wasKeyword, wasVolume, wasNote] = given[i]!;
          expect(volume).toBe(wasVolume === null ? '' : String(wasVolume));
          for (const [is, was] of [
            [keyword, wasKeyword],
            [note, wasNote],
          ] as const) {
            expect(is!.replace(/^'/, '')).toBe(was.replace(/\n+/g, ' '));
            expect(is).not.toMatch(/^\s*[=+\-@]/);
          }
        });
      }),
      { numRuns: 60 },
    );
  });

  test('JSON holds every row as an object with all heads, and says what it is of', async () => {
    await fc.assert(
      fc.asyncProperty(rows, fc.integer({ min: 1, max: 5 }), async (given, pageSize) => {
        await written('json', heads, given, pageSize);
        expect(JSON.parse(readFileSync(at('given'), 'utf8'))).toEqual({
          name: 'Pool: a/b',
          about: 'A test',
          rows: given.map((row) => Object.fromEntries(heads.map((head, i) => [head, row[i]]))),
        });
      }),
      { numRuns: 60 },
    );
  });

  test('a workbook is read back with its figures as figures and its formulas as text', async () => {
    await written('xlsx', heads, [
      ['bike bag', 1200, '=1+1'],
      ['rain bag', null, 'tab\tand "quote"'],
    ]);
    const book = new ExcelJS.Workbook();
    await book.xlsx.readFile(at('given'));
    expect(book.worksheets.map((sheet) => sheet.name)).toEqual(['Pool  a b', 'About']);
    const sheet = book.worksheets[0]!;
    expect(sheet.getCell('B2').value).toBe(1200);
    expect(sheet.getCell('C2').value).toBe('=1+1');
    expect(sheet.getCell('B3').value).toBeNull();
    expect(book.worksheets[1]!.getCell('A1').value).toBe('A test');
  });

  test('what goes out as a workbook comes in again', async () => {
    await written('xlsx', heads, [
      ['bike bag', 1200, 'n'],
      ['rain bag', 3, ''],
    ]);
    expect(await rowsOf('xlsx')).toEqual([
      heads,
      ['bike bag', '1200', 'n'],
      expect.arrayContaining(['rain bag', '3']),
    ]);
  });

  test('a source that fails breaks the file off instead of ending it well', async () => {
    async function* failing(): AsyncGenerator<Cell[][]> {
      yield [['bike bag', 1, '']];
      throw new Error('the disk is gone');
    }
    for (const format of ['csv', 'json', 'xlsx'] as const) {
      const { body } = writeTable(format, { name: 'Pool', heads, about: '', pages: failing() });
      // Opened beforehand: a stream that opens by itself may make the file after the folder has gone.
      const file = (await open(at('given'), 'w')).createWriteStream();
      await expect(pipeline(body, file)).rejects.toThrow('the disk is gone');
    }
  });
});

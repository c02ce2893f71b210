import { createReadStream, createWriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { once } from 'node:events';
import type { FileReading } from '@opsimath/contract/api/imports';
import type ExcelJS from 'exceljs';
import { KnownProblem } from '../problems/problem';

/** More than this is no table of keywords: a file that unpacks without end is stopped here. */
const MOST_BYTES = 1024 ** 3;
/** As wide and as long as the largest spreadsheet. */
const MOST_CELLS = 16_384;
const MOST_ROWS = 1_048_576;
const MOST_HEADS_SEEN = 2000;

/** What a file is by its first bytes. */
export async function formatOf(file: string): Promise<FileReading['format']> {
  const handle = await open(file);
  try {
    const head = Buffer.alloc(64);
    const { bytesRead } = await handle.read(head, 0, 64, 0);
    if (head.subarray(0, 4).toString('latin1') === 'PK\u0003\u0004') return 'xlsx';
    const text = head
      .subarray(0, bytesRead)
      .toString('utf8')
      .replace(/^\uFEFF/, '')
      .trimStart();
    return text.startsWith('{') ? 'json lines' : 'delimited';
  } finally {
    await handle.close();
  }
}

/**
 * Writes a workbook's first sheet, or a file of JSON Lines, as a table separated by tabs, a row a line, so that
 * everything after reads one kind of file. Rows keep their line numbers; in JSON Lines the heads come before them.
 */
export async function asDelimited(
  file: string,
  format: 'xlsx' | 'json lines',
  target: string,
): Promise<void> {
  const out = new TableWriter(target);
  try {
    if (format === 'xlsx') await writeSheet(file, out);
    else await writeJsonLines(file, out);
  } catch (error) {
    if (error instanceof KnownProblem) throw error;
    throw new KnownProblem(
      'not-a-table',
      `This file cannot be read as ${format === 'xlsx' ? 'a workbook' : 'JSON Lines'}: ${(error as Error).message.slice(0, 200)}.`,
      'Save it again, or export it as CSV.',
    );
  } finally {
    await out.close();
  }
}

class TableWriter {
  private readonly stream;
  private bytes = 0;
  constructor(target: string) {
    this.stream = createWriteStream(target);
  }
  async row(cells: readonly string[]): Promise<void> {
    const line = `${cells
      .slice(0, MOST_CELLS)
      .map((cell) => cell.replace(/[\t\r\n"]+/g, ' ').trim())
      .join('\t')}\n`;
    this.bytes += line.length;
    if (this.bytes > MOST_BYTES)
      throw new KnownProblem('too-large', 'The table unpacks to more than 1 GB.', 'Split it by months.');
    if (!this.stream.write(line)) await once(this.stream, 'drain');
  }
  async close(): Promise<void> {
    this.stream.end();
    await once(this.stream, 'close');
  }
}

async function writeSheet(file: string, out: TableWriter): Promise<void> {
  // Loaded when a workbook comes: it takes a good part of a second.
  const { default: Excel } = await import('exceljs');
  const workbook = new Excel.stream.xlsx.WorkbookReader(file, {
    entries: 'emit',
    sharedStrings: 'cache',
    styles: 'cache',
    hyperlinks: 'ignore',
    worksheets: 'emit',
  });
  // A sheet may lie in the file before the list of sheets; the reader would stumble over that.
  (workbook as unknown as { model: { sheets: unknown[] } }).model = { sheets: [] };
  for await (const sheet of workbook) {
    let line = 1;
    for await (const row of sheet) {
      if (row.number > MOST_ROWS)
        throw new KnownProblem(
          'too-large',
          `The sheet names a row ${row.number}; at most ${MOST_ROWS} are read.`,
          'Save the table again, or export it as CSV.',
        );
      for (; line < row.number; line++) await out.row([]);
      const cells: string[] = [];
      // Only cells that are there: an empty one far to the right would make all before it.
      row.eachCell({ includeEmpty: false }, (cell, column) => {
        if (column > MOST_CELLS)
          throw new KnownProblem(
            'not-a-table',
            `Row ${row.number} has a column ${column}; at most ${MOST_CELLS} are read.`,
            'Export the columns that are needed, as CSV.',
          );
        cells[column - 1] = cellText(cell.value);
      });
      await out.row(Array.from(cells, (cell) => cell ?? ''));
      line++;
    }
    return;
  }
}

function cellText(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map((part) => part.text).join('');
  if ('result' in value) return cellText(value.result as ExcelJS.CellValue);
  if ('text' in value) return cellText(value.text as ExcelJS.CellValue);
  return '';
}

async function writeJsonLines(file: string, out: TableWriter): Promise<void> {
  const heads = await jsonHeads(file);
  await out.row(heads);
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    const entry = parsed(line);
    await out.row(
      entry === null
        ? line.trim() === ''
          ? []
          : [line.slice(0, 300)]
        : heads.map((head) => textOf(entry[head])),
    );
  }
}

/** Names met in the first lines, in the order met. */
async function jsonHeads(file: string): Promise<string[]> {
  const heads = new Set<string>();
  let seen = 0;
  const lines = createInterface({ input: createReadStream(file), crlfDelay: Infinity });
  for await (const line of lines) {
    for (const name of Object.keys(parsed(line) ?? {})) heads.add(name);
    if (++seen >= MOST_HEADS_SEEN) break;
  }
  lines.close();
  if (heads.size === 0) throw new Error('no line is an object');
  return [...heads].slice(0, MOST_CELLS);
}

function parsed(line: string): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse(line.replace(/^\uFEFF/, ''));
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? (value as Record<string, unknown>)
      : null;
  } catch {
    return null;
  }
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (Array.isArray(value)) return value.map(textOf).join(', ');
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

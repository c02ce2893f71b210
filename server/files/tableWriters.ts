import { PassThrough, Readable } from 'node:stream';
import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import { z } from 'zod';
import { MEDIA_TYPES } from './mediaTypes';
import { sheetName } from './sheetName';
import { safeCell } from '@opsimath/core/text/safeCell';

export const tableFormat = z.enum(['csv', 'xlsx', 'json']);
export type TableFormat = z.infer<typeof tableFormat>;
export type Cell = string | number | null;

/** What a sheet of a workbook holds, its heads left out. */
export const MOST_SHEET_ROWS = 1_048_575;

/** A table of any length: its heads, where it is from, and its rows a page at a time. */
export interface Table {
  name: string;
  heads: readonly string[];
  /** What the table is of, in words: scope, date, sources. */
  about: string;
  pages: AsyncIterable<readonly (readonly Cell[])[]>;
}

/** Writes a table as it comes: CSV with a byte order mark, a workbook, or JSON with one object a row. */
export function writeTable(format: TableFormat, table: Table): { body: Readable; type: string } {
  const type = MEDIA_TYPES[format];
  if (format === 'csv') return { body: Readable.from(csvParts(table)), type };
  if (format === 'json') return { body: Readable.from(jsonParts(table)), type };
  return { body: workbook(table), type };
}

async function* csvParts({ heads, pages }: Table): AsyncGenerator<string> {
  yield `\uFEFF${stringify([heads as string[]])}`;
  for await (const rows of pages)
    yield stringify(rows.map((row) => row.map((cell) => (typeof cell === 'string' ? safeCell(cell) : cell))));
}

async function* jsonParts({ name, heads, about, pages }: Table): AsyncGenerator<string> {
  yield `{"name":${JSON.stringify(name)},"about":${JSON.stringify(about)},"rows":[`;
  let first = true;
  for await (const rows of pages) {
    for (const row of rows) {
      const entry = Object.fromEntries(heads.map((head, i) => [head, row[i] ?? null]));
      yield `${first ? '' : ','}\n${JSON.stringify(entry)}`;
      first = false;
    }
  }
  yield '\n]}\n';
}

function workbook(table: Table): Readable {
  const body = new PassThrough();
  const book = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: body, useStyles: true });
  const sheet = book.addWorksheet(sheetName(table.name), {
    views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }],
  });
  const write = async (): Promise<void> => {
    const head = sheet.addRow(table.heads as string[]);
    head.font = { bold: true };
    head.commit();
    sheet.getColumn(1).width = 40;
    for await (const rows of table.pages)
      // A cell of text is never read as a formula.
      for (const row of rows) sheet.addRow(row as Cell[]).commit();
    sheet.commit();
    const about = book.addWorksheet('About');
    about.addRow([table.about]).commit();
    about.commit();
    await book.commit();
  };
  write().catch((error: Error) => body.destroy(error));
  return body;
}

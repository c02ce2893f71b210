import { stringify } from 'csv-stringify/sync';
import ExcelJS from 'exceljs';
import type {
  ReportCell,
  ReportColumn,
  ReportContent,
  ReportTable,
} from '@opsimath/contract/api/reportContent';
import { plainText, type TextPassage } from '@opsimath/core/report/passages';
import { safeCell } from '@opsimath/core/text/safeCell';
import { KnownProblem } from '../../problems/problem';
import { sheetName } from '../sheetName';
import { isLane, scopeLine, tablesOf } from './cells';
import { inWords } from './lanePicture';

const FORMATS: Partial<Record<ReportColumn['kind'], string>> = {
  count: '#,##0',
  money: '#,##0.00',
  share: '0.0 %',
  day: 'd mmm yyyy',
};
const WIDTHS: Partial<Record<ReportColumn['kind'], number>> = { text: 38, address: 44, lane: 60, day: 13 };

/** A workbook with a sheet for each table, its columns typed, and what is said in words on the first sheet. */
export async function xlsxFile(
  content: ReportContent,
  onProgress: (share: number) => void = () => undefined,
): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  book.creator = 'Opsimath';
  const words = book.addWorksheet('Report');
  words.getColumn(1).width = 110;
  const say = (text: string, bold = false): void => {
    const row = words.addRow([text]);
    row.font = { bold };
    row.alignment = { wrapText: true, vertical: 'top' };
  };
  say(content.title, true);
  say(scopeLine(content));
  for (const { heading, blocks } of content.sections) {
    say(heading, true);
    for (const block of blocks)
      if (block.kind === 'text') for (const passage of block.passages) say(plainText(passage as TextPassage));
      else if (block.kind === 'example') say(`${block.keyword}: ${block.reason} ${block.remedy}`);
  }
  const names = new Set(['report']);
  const tables = tablesOf(content);
  tables.forEach((table, n) => {
    addSheet(book, sheetName(table.title, names), table, content);
    onProgress((n + 1) / (tables.length + 1));
  });
  return Buffer.from(await book.xlsx.writeBuffer());
}

function addSheet(book: ExcelJS.Workbook, name: string, table: ReportTable, content: ReportContent): void {
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }] });
  const hasBelow = table.rows.some(({ below }) => below && below.length > 0);
  const head = sheet.addRow([...table.columns.map((column) => column.name), ...(hasBelow ? ['Reason'] : [])]);
  head.font = { bold: true };
  table.columns.forEach((column, n) => {
    const written = sheet.getColumn(n + 1);
    written.width = WIDTHS[column.kind] ?? 14;
    const format =
      FORMATS[column.kind] ?? (column.kind === 'decimal' ? decimals(column.digits ?? 1) : undefined);
    if (format) written.numFmt = format;
  });
  if (hasBelow) sheet.getColumn(table.columns.length + 1).width = 60;
  for (const row of table.rows)
    sheet.addRow([
      ...table.columns.map((column, n) => typed(row.cells[n] ?? null, column, content)),
      ...(hasBelow ? [(row.below ?? []).join(' ')] : []),
    ]);
  if (table.columns.length > 0)
    sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: table.columns.length } };
}

const decimals = (digits: number): string => (digits === 0 ? '#,##0' : `#,##0.${'0'.repeat(digits)}`);

/** Numbers stay numbers, days become days; text is never read as a formula. */
function typed(
  cell: ReportCell,
  { kind }: ReportColumn,
  content: ReportContent,
): string | number | Date | null {
  if (isLane(cell)) return inWords(cell, content);
  if (kind === 'day' && typeof cell === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(cell))
    return new Date(`${cell}T00:00:00Z`);
  return cell;
}

/** One table of a report as CSV, figures unrounded; the first one where none is named. */
export function csvFile(content: ReportContent, id: string | undefined): string {
  const tables = tablesOf(content);
  const table = id === undefined ? tables[0] : tables.find((one) => one.id === id);
  if (!table)
    throw new KnownProblem(
      'no-such-file',
      'The report has no such table.',
      'Choose another one of its tables.',
    );
  const hasBelow = table.rows.some(({ below }) => below && below.length > 0);
  const rows = [
    [...table.columns.map(({ name }) => name), ...(hasBelow ? ['Reason'] : [])],
    ...table.rows.map((row) => [
      ...row.cells.map((cell) => plain(cell, content)),
      ...(hasBelow ? [safeCell((row.below ?? []).join(' '))] : []),
    ]),
  ];
  return `\uFEFF${stringify(rows)}`;
}

function plain(cell: ReportCell, content: ReportContent): string | number {
  if (isLane(cell)) return inWords(cell, content);
  return typeof cell === 'string' ? safeCell(cell) : (cell ?? '');
}

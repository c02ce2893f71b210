import { open } from 'node:fs/promises';
import type { FileReading, PerformanceField } from '@opsimath/contract/api/imports';
import { performanceField } from '@opsimath/contract/api/imports';
import { key } from '@opsimath/core/text/key';
import { KnownProblem } from '../problem';
import { detectEncoding, refuseBinary } from './encoding';
import { type BrokenRecord, type FileRecord, readRecords } from './records';
import { readDay, readNumber } from './values';

/** One row of own search performance. */
export interface PerformanceRow {
  query: string;
  /** Bare address, or '' where the file has no pages. */
  page: string;
  /** Days since 1970. */
  day: number;
  impressions: number;
  clicks: number;
  /** NaN where the file gives none. */
  position: number;
}

const HEAD_BYTES = 65_536;
const HEAD_RECORDS = 60;
const DELIMITERS = [',', ';', '\t', '|'] as const;

/** Header words by field, as keys, in the languages of the shipped markets. */
const HEADER_WORDS: Record<PerformanceField, readonly string[]> = {
  query: [
    'query',
    'queries',
    'keyword',
    'keywords',
    'search term',
    'search query',
    'top queries',
    'suchanfrage',
    'suchanfragen',
    'suchbegriff',
    'consulta',
    'consultas',
    'término de búsqueda',
  ],
  page: [
    'page',
    'pages',
    'url',
    'landing page',
    'address',
    'seite',
    'zielseite',
    'página',
    'página de destino',
  ],
  date: ['date', 'day', 'datum', 'tag', 'fecha', 'día'],
  clicks: ['clicks', 'klicks', 'clics'],
  impressions: ['impressions', 'impressionen', 'impresiones'],
  position: [
    'position',
    'average position',
    'avg position',
    'avg. position',
    'mean position',
    'durchschnittliche position',
    'posición',
    'posición media',
  ],
};
const TOTAL_WORDS = new Set([
  'total',
  'totals',
  'sum',
  'all',
  'gesamt',
  'gesamtsumme',
  'summe',
  'insgesamt',
  'suma',
  'total general',
  'grand total',
]);

/** Finds out how a file is to be read from its first part. Throws a KnownProblem for what is no table. */
export async function findReading(
  file: string,
): Promise<{ reading: FileReading; sample: string[][]; problems: string[] }> {
  const head = await readHead(file);
  if (head.length === 0) {
    throw new KnownProblem(
      400,
      'empty-file',
      'This file is empty.',
      'Export it again and choose the new file.',
    );
  }
  const encoding = detectEncoding(head);
  refuseBinary(head, encoding);
  const candidates: {
    delimiter: FileReading['delimiter'];
    records: FileRecord[];
    header: number;
    columns: FileReading['columns'];
  }[] = [];
  for (const delimiter of DELIMITERS) {
    const records = await firstRecords(file, encoding, delimiter);
    const header = findHeader(records);
    candidates.push({ delimiter, records, header, columns: matchColumns(records[header]?.fields ?? []) });
  }
  const width = (candidate: (typeof candidates)[number]): number =>
    candidate.records[candidate.header]?.fields.length ?? 0;
  const score = (candidate: (typeof candidates)[number]): number =>
    matched(candidate.columns) * 1000 + width(candidate);
  const best = candidates.reduce((top, candidate) => (score(candidate) > score(top) ? candidate : top));
  const headerRecord = best.records[best.header];
  const sample = best.records.slice(best.header + 1).map((record) => record.fields);
  const reading: FileReading = {
    encoding,
    delimiter: best.delimiter,
    headerLine: headerRecord?.line ?? 1,
    headers: (headerRecord?.fields ?? []).map((field) => field.trim().slice(0, 200)),
    columns: best.columns,
    decimalComma: usesDecimalComma(sample, best.columns),
    dateOrder: findDateOrder(sample, best.columns.date, best.delimiter),
    fixedDate: null,
  };
  return { reading, sample: sample.slice(0, 8), problems: readingProblems(reading) };
}

/** What keeps a reading from being used, in words. */
export function readingProblems(reading: FileReading): string[] {
  const problems: string[] = [];
  for (const field of ['query', 'clicks', 'impressions'] as const) {
    const column = reading.columns[field];
    if (column === null) problems.push(`No column for ${field}: choose which one holds it.`);
    else if (column >= reading.headers.length)
      problems.push(`The file has no column ${column + 1} for ${field}.`);
  }
  if (reading.columns.date === null && reading.fixedDate === null) {
    problems.push('No column for date: choose one, or give the date that all rows stand for.');
  }
  return problems;
}

/** Turns records into rows: a row, a reason for refusing it, or `null` for a row of totals. */
export function rowReader(
  reading: FileReading,
): (fields: readonly string[]) => PerformanceRow | string | null {
  const { columns, decimalComma, dateOrder } = reading;
  const fixedDay = reading.fixedDate === null ? null : readDay(reading.fixedDate, 'year first');
  const days = new Map<string, number | null>();
  const cell = (fields: readonly string[], field: PerformanceField): string => {
    const column = columns[field];
    return column === null ? '' : (fields[column] ?? '').trim();
  };
  const dayOf = (text: string): number | null => {
    let day = days.get(text);
    if (day === undefined) days.set(text, (day = readDay(text, dateOrder)));
    return day;
  };
  const least =
    Math.max(...(['query', 'clicks', 'impressions', 'date'] as const).map((field) => columns[field] ?? 0)) +
    1;
  return (fields) => {
    const day = columns.date === null ? fixedDay : dayOf(cell(fields, 'date'));
    if (isTotal(fields, day)) return null;
    if (fields.length < least) return `${fields.length} columns where ${least} are needed`;
    const query = cell(fields, 'query');
    if (key(query) === '') return query === '' ? 'the query is empty' : 'the query holds no letter or number';
    if (query.length > 1000) return 'the query is longer than 1,000 characters';
    if (day === null) return `“${cell(fields, 'date').slice(0, 40)}” is not a date`;
    const impressions = readNumber(cell(fields, 'impressions'), decimalComma);
    const clicks = readNumber(cell(fields, 'clicks'), decimalComma);
    for (const [name, count] of [
      ['impressions', impressions],
      ['clicks', clicks],
    ] as const) {
      if (count === null) return `“${cell(fields, name).slice(0, 40)}” is not a number of ${name}`;
      if (count < 0 || !Number.isInteger(count) || count > 2e9)
        return `${count} cannot be a number of ${name}`;
    }
    if (clicks! > impressions!) return `${clicks} clicks of ${impressions} impressions cannot be`;
    const positionText = cell(fields, 'position');
    const position = positionText === '' ? NaN : readNumber(positionText, decimalComma);
    if (position === null || position < 0 || position > 10_000)
      return `“${positionText.slice(0, 40)}” is not a position`;
    return {
      query,
      page: bareAddress(cell(fields, 'page')),
      day,
      impressions: impressions!,
      clicks: clicks!,
      position: position || NaN,
    };
  };
}

/** An address without its protocol, `www.`, fragment and closing slash. */
function bareAddress(text: string): string {
  return text
    .replace(/^[a-z]+:\/\//i, '')
    .replace(/^www\./i, '')
    .replace(/#.*$/, '')
    .replace(/\/+$/, '')
    .slice(0, 2000);
}

function isTotal(fields: readonly string[], day: number | null): boolean {
  const first = fields.find((field) => field.trim() !== '');
  return first !== undefined && day === null && TOTAL_WORDS.has(key(first));
}

async function readHead(file: string): Promise<Buffer> {
  const handle = await open(file);
  try {
    const head = Buffer.alloc(HEAD_BYTES);
    const { bytesRead } = await handle.read(head, 0, HEAD_BYTES, 0);
    return head.subarray(0, bytesRead);
  } finally {
    await handle.close();
  }
}

async function firstRecords(file: string, encoding: string, delimiter: string): Promise<FileRecord[]> {
  const records: FileRecord[] = [];
  for await (const record of readRecords(file, encoding, delimiter, 1)) {
    if (isRecord(record)) records.push(record);
    if (records.length >= HEAD_RECORDS) break;
  }
  return records;
}

export function isRecord(record: FileRecord | BrokenRecord): record is FileRecord {
  return 'fields' in record;
}

/** Index of the header: the first record that names two fields, else the first of the widest. */
function findHeader(records: readonly FileRecord[]): number {
  const named = records.findIndex((record) => matched(matchColumns(record.fields)) >= 2);
  if (named >= 0) return named;
  const widest = Math.max(0, ...records.map((record) => record.fields.length));
  return Math.max(
    0,
    records.findIndex((record) => record.fields.length === widest),
  );
}

function matchColumns(headers: readonly string[]): FileReading['columns'] {
  const keys = headers.map((header) => key(header));
  const columnOf = (field: PerformanceField): number | null => {
    const exact = keys.findIndex((header) => HEADER_WORDS[field].includes(header));
    return exact >= 0 ? exact : null;
  };
  return Object.fromEntries(
    performanceField.options.map((field) => [field, columnOf(field)]),
  ) as FileReading['columns'];
}

function matched(columns: FileReading['columns']): number {
  return Object.values(columns).filter((column) => column !== null).length;
}

/** A comma before one or two last digits speaks for decimal commas; a point there against it. */
function usesDecimalComma(sample: readonly string[][], columns: FileReading['columns']): boolean {
  let votes = 0;
  for (const fields of sample) {
    for (const field of ['position', 'clicks', 'impressions'] as const) {
      const text = (columns[field] === null ? '' : (fields[columns[field]] ?? '')).trim();
      if (
        /,\d{1,2}$/.test(text) ||
        /\.\d{3},/.test(text) ||
        (field === 'position' && /^\d{1,3},\d+$/.test(text))
      )
        votes++;
      else if (/\.\d{1,2}$/.test(text) || /,\d{3}(\.|$)/.test(text)) votes--;
      else if (/^\d{1,3}(\.\d{3})+$/.test(text) && field !== 'position') votes++;
    }
  }
  return votes > 0;
}

function findDateOrder(
  sample: readonly string[][],
  column: number | null,
  delimiter: string,
): FileReading['dateOrder'] {
  const texts = column === null ? [] : sample.map((fields) => (fields[column] ?? '').trim());
  if (texts.some((text) => /^\d{4}/.test(text))) return 'year first';
  const parts = texts.flatMap((text) => {
    const match = /^(\d{1,2})([-/.])(\d{1,2})\2\d{2,4}$/.exec(text);
    return match ? [{ first: +match[1]!, second: +match[3]!, mark: match[2]! }] : [];
  });
  if (parts.length === 0) return 'year first';
  if (parts.some(({ first }) => first > 12)) return 'day first';
  if (parts.some(({ second }) => second > 12)) return 'month first';
  return parts[0]!.mark === '/' && delimiter === ',' ? 'month first' : 'day first';
}

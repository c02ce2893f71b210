import { open } from 'node:fs/promises';
import {
  type FileReading,
  IMPORT_KINDS,
  type ImportField,
  type ImportKind,
  fieldsOf,
  importKind,
} from '@opsimath/contract/api/imports';
import { key } from '@opsimath/core/text/key';
import { KnownProblem } from '../problems/problem';
import { detectEncoding, refuseBinary } from './encoding';
import { HEADER_WORDS } from './headerWords';
import { type FileRecord, isBroken, isRecord, readRecords } from './records';

const HEAD_BYTES = 65_536;
const HEAD_RECORDS = 60;
/** Lines looked at for the heads, blank and broken ones among them. */
const MOST_PARTS_SEEN = 2000;
const WIDE = /columns|longer than/;
const DELIMITERS = [',', ';', '\t', '|'] as const;

/**
 * Finds out how a table is to be read from its first part: encoding, delimiter, heads, and what kind of table it is
 * unless that is said. Throws a KnownProblem for what is no table.
 */
export async function findReading(
  file: string,
  format: FileReading['format'] = 'delimited',
  saidKind?: ImportKind,
): Promise<{ reading: FileReading; sample: string[][]; rows: string[][]; problems: string[] }> {
  const head = await readHead(file);
  if (head.length === 0) {
    throw new KnownProblem('empty-file', 'This file is empty.', 'Export it again and choose the new file.');
  }
  const encoding = detectEncoding(head);
  refuseBinary(head, encoding);
  const candidates: {
    delimiter: FileReading['delimiter'];
    kind: ImportKind;
    records: FileRecord[];
    header: number;
    columns: FileReading['columns'];
  }[] = [];
  for (const delimiter of format === 'delimited' ? DELIMITERS : (['\t'] as const)) {
    const records = await firstRecords(file, encoding, delimiter);
    for (const kind of saidKind ? [saidKind] : importKind.options) {
      const header = findHeader(records, kind);
      const columns = matchColumns(records[header]?.fields ?? [], kind);
      candidates.push({ delimiter, kind, records, header, columns });
    }
  }
  const width = (candidate: (typeof candidates)[number]): number =>
    candidate.records[candidate.header]?.fields.length ?? 0;
  // A kind whose needed columns are all there beats one that only shares more of the others.
  const score = (candidate: (typeof candidates)[number]): number =>
    (needsMet(candidate.kind, candidate.columns) ? 1_000_000 : 0) +
    matched(candidate.columns) * 1000 +
    width(candidate);
  const best = candidates.reduce((top, candidate) => (score(candidate) > score(top) ? candidate : top));
  const headerRecord = best.records[best.header];
  const sample = best.records.slice(best.header + 1).map((record) => record.fields);
  const reading: FileReading = {
    kind: best.kind,
    format,
    remembered: false,
    encoding,
    delimiter: best.delimiter,
    headerLine: headerRecord?.line ?? 1,
    headers: (headerRecord?.fields ?? []).map((field) => field.trim().slice(0, 200)),
    columns: best.columns,
    decimalComma: usesDecimalComma(sample, best.columns),
    dateOrder: findDateOrder(sample, best.columns.date ?? null, best.delimiter),
    fixedDate: null,
  };
  return { reading, sample: sample.slice(0, 8), rows: sample, problems: readingProblems(reading) };
}

/** What keeps a reading from being used, in words. */
export function readingProblems(reading: FileReading): string[] {
  const problems: string[] = [];
  const { needed, dated } = IMPORT_KINDS[reading.kind];
  for (const field of needed) {
    const column = reading.columns[field] ?? null;
    if (column === null) problems.push(`No column for ${field}: choose which one holds it.`);
    else if (column >= reading.headers.length)
      problems.push(`The file has no column ${column + 1} for ${field}.`);
  }
  if (dated && (reading.columns.date ?? null) === null && reading.fixedDate === null) {
    problems.push('No column for date: choose one, or give the date that all rows stand for.');
  }
  return problems;
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
  let parts = 0;
  for await (const part of readRecords(file, encoding, delimiter, 1)) {
    if (isRecord(part)) records.push(part);
    if (isBroken(part) && WIDE.test(part.reason)) refuseWide(part.line, part.reason);
    if (records.length >= HEAD_RECORDS || ++parts >= MOST_PARTS_SEEN) break;
  }
  return records;
}

/** Heads that no table has: said at once, rather than for every line. */
function refuseWide(line: number, reason: string): never {
  throw new KnownProblem(
    'not-a-table',
    `Line ${line} ${reason}: this is no table of keywords.`,
    'Export the columns that are needed, as CSV.',
  );
}

/** Index of the header: the first record that names two fields, else the first of the widest. */
function findHeader(records: readonly FileRecord[], kind: ImportKind): number {
  const named = records.findIndex((record) => matched(matchColumns(record.fields, kind)) >= 2);
  if (named >= 0) return named;
  const widest = Math.max(0, ...records.map((record) => record.fields.length));
  return Math.max(
    0,
    records.findIndex((record) => record.fields.length === widest),
  );
}

/** Each field gets the column whose head is the likeliest of its names; a column serves one field. */
function matchColumns(headers: readonly string[], kind: ImportKind): FileReading['columns'] {
  const keys = headers.map((header) => key(header));
  const taken = new Set<number>();
  const columns: FileReading['columns'] = {};
  for (const field of fieldsOf(kind)) {
    const found = headerWords(kind, field)
      .map((word) => keys.findIndex((header, column) => header === word && !taken.has(column)))
      .find((column) => column >= 0);
    columns[field] = found ?? null;
    if (found !== undefined) taken.add(found);
  }
  return columns;
}

/** In a table of ad terms “keyword” is what was bid on wherever another column says what was typed. */
function headerWords(kind: ImportKind, field: ImportField): readonly string[] {
  const words = HEADER_WORDS[field];
  if (kind !== 'ad terms') return words;
  if (field === 'query') return [...words].sort((a, b) => Number(isTyped(b)) - Number(isTyped(a)));
  return field === 'ad keyword' ? [...words, ...HEADER_WORDS.query] : words;
}

function isTyped(word: string): boolean {
  return /^(search |suchbegriff|suchanfrage|término de búsqueda)/.test(word);
}

function needsMet(kind: ImportKind, columns: FileReading['columns']): boolean {
  return IMPORT_KINDS[kind].needed.every((field) => (columns[field] ?? null) !== null);
}

function matched(columns: FileReading['columns']): number {
  return Object.values(columns).filter((column) => column !== null).length;
}

const DECIMALS: readonly ImportField[] = [
  'position',
  'cost',
  'value',
  'cpc',
  'cpc low',
  'cpc high',
  'ad competition',
];
const FIGURES: readonly ImportField[] = [...DECIMALS, 'clicks', 'impressions', 'volume', 'results'];

/** A comma before one or two last digits speaks for decimal commas; a point there against it. */
function usesDecimalComma(sample: readonly string[][], columns: FileReading['columns']): boolean {
  let votes = 0;
  for (const fields of sample) {
    for (const field of FIGURES) {
      const column = columns[field] ?? null;
      const text = (column === null ? '' : (fields[column] ?? '')).trim();
      if (
        /,\d{1,2}$/.test(text) ||
        /\.\d{3},/.test(text) ||
        (DECIMALS.includes(field) && /^\d{1,3},\d+$/.test(text))
      )
        votes++;
      else if (/\.\d{1,2}$/.test(text) || /,\d{3}(\.|$)/.test(text)) votes--;
      else if (/^\d{1,3}(\.\d{3})+$/.test(text) && !DECIMALS.includes(field)) votes++;
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

import { rm } from 'node:fs/promises';
import type { FileReading } from '@opsimath/contract/api/imports';
import { key } from '@opsimath/core/text/key';
import { VERDICTS, type Verdict } from '@opsimath/core/sift/sieve';
import { KnownProblem } from '../problems/problem';
import { findReading } from './findReading';
import { isBroken, isRecord, readRecords } from './records';
import { asDelimited, formatOf } from './tables';

/** A row of a table that was written here and worked on outside; what a column does not give is `null`. */
export interface OutsideRow {
  line: number;
  keyword: string;
  market: string | null;
  verdict: Verdict | null;
  parked: boolean | null;
  reason: string | null;
  judgedAt: string | null;
  /** Names with commas between, as they were written; a name may hold a comma itself. */
  markers: string | null;
  note: string | null;
  /** The notes that were written with it, and whatever somebody added to them. */
  notes: string | null;
}
export interface OutsideProblem {
  line: number;
  text: string;
  why: string;
}

const MOST_ROWS = 100_000;

/** Reads a table by its heads: keyword is needed; market, verdict, parked, reason, judged at, markers, notes, new note if there. */
export async function readOutsideTable(
  file: string,
): Promise<{ rows: OutsideRow[]; problems: OutsideProblem[] }> {
  const format = await formatOf(file);
  if (format === 'delimited') return readDelimited(file, format);
  const table = `${file}.table`;
  try {
    await asDelimited(file, format, table);
    return await readDelimited(table, format);
  } finally {
    await rm(table, { force: true });
  }
}

async function readDelimited(
  file: string,
  format: FileReading['format'],
): Promise<{ rows: OutsideRow[]; problems: OutsideProblem[] }> {
  const {
    reading: { encoding, delimiter },
  } = await findReading(file, format, 'metrics');
  const rows: OutsideRow[] = [];
  const problems: OutsideProblem[] = [];
  let columns: Map<string, number> | null = null;
  for await (const record of readRecords(file, encoding, delimiter, 1)) {
    if (!isRecord(record)) {
      if (!isBroken(record)) continue;
      problems.push({ line: record.line, text: record.content.slice(0, 80), why: record.reason });
      continue;
    }
    if (columns === null) {
      columns = new Map(record.fields.map((head, at) => [key(head), at]));
      if (!columns.has('keyword'))
        throw new KnownProblem(
          'no-keyword-column',
          'No column of this table is headed “keyword”.',
          'Bring back a table that was written here, or give a column that head.',
        );
      continue;
    }
    if (rows.length === MOST_ROWS)
      throw new KnownProblem(
        'too-many-rows',
        `More than ${MOST_ROWS} rows are not taken.`,
        'Split the table.',
      );
    const cell = (head: string): string | null => {
      const at = columns!.get(head);
      return at === undefined ? null : (record.fields[at] ?? '').replace(/^'(?=\s*[=+\-@])/, '').trim();
    };
    const keyword = cell('keyword') ?? '';
    if (keyword === '') continue;
    const said = cell('verdict')?.toLowerCase();
    const verdict =
      said === undefined ? null : said === '' ? 'unjudged' : VERDICTS.find((word) => word === said);
    if (verdict === undefined) {
      problems.push({
        line: record.line,
        text: keyword,
        why: `“${said!.slice(0, 40)}” is no verdict: fit, adjacent, off or unjudged`,
      });
      continue;
    }
    const parked = cell('parked')?.toLowerCase();
    rows.push({
      line: record.line,
      keyword,
      market: cell('market') || null,
      verdict,
      parked:
        parked === undefined
          ? null
          : parked !== '' && parked !== 'no' && parked !== 'false' && parked !== '0',
      reason: cell('reason'),
      judgedAt: cell('judged at'),
      markers: cell('markers'),
      note: cell('new note') || null,
      notes: cell('notes') || null,
    });
  }
  return { rows, problems };
}

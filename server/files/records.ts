import { parse } from 'csv-parse/sync';
import { LONGEST_LINE, type Lines, readLines } from './lines';

/** One row of the file. */
export interface FileRecord {
  /** Line of the file on which it begins, 1 first. */
  line: number;
  /** Lines that it takes: more than one where a quoted field runs on. */
  lines: number;
  fields: string[];
}
/** A line that makes no row. */
export interface BrokenRecord {
  line: number;
  lines: number;
  reason: string;
  content: string;
}
/** A line with nothing on it. */
export interface BlankLine {
  line: number;
  lines: 1;
}
/** Every line of a file belongs to exactly one of these. */
export type FilePart = FileRecord | BrokenRecord | BlankLine;

/** A quoted field may run over this many lines; a longer one is a quote that was never closed. */
const MOST_LINES = 60;
const MOST_LENGTH = 200_000;
/** As many as the widest spreadsheet has. */
const MOST_COLUMNS = 16_384;
const LONGEST_CELL = 100_000;
const SHOWN = 300;

export function isRecord(part: FilePart): part is FileRecord {
  return 'fields' in part;
}
export function isBroken(part: FilePart): part is BrokenRecord {
  return 'reason' in part;
}

/** {@link readRecordBatches}, one by one. */
export async function* readRecords(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
): AsyncGenerator<FilePart> {
  for await (const { records } of readRecordBatches(file, encoding, delimiter, fromLine)) yield* records;
}

/**
 * A delimited file from a line on, as many parts at a time as one piece of the file holds, with the bytes read so far.
 * A quotation mark opens a field only where the field begins; anywhere else it is a character like others, as in
 * `15" bag`. One that is never closed costs its own line only. Lines with quotation marks are read by csv-parse; the
 * others, nearly all of them, are simply taken apart.
 */
export async function* readRecordBatches(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
): AsyncGenerator<{ records: FilePart[]; bytes: number }> {
  const reader = new RecordReader(delimiter);
  let bytes = 0;
  for await (const piece of readLines(file, encoding)) {
    bytes = piece.bytes;
    reader.take(piece, fromLine);
    yield { records: reader.give(), bytes };
  }
  reader.end();
  yield { records: reader.give(), bytes };
}

interface Line {
  line: number;
  text: string;
}

/** Takes lines apart as they come. What is complete is given; a quoted field may still be open. */
export class RecordReader {
  private parts: FilePart[] = [];
  /** Whole rows with quotation marks, not yet taken apart. */
  private whole: Line[] = [];
  /** A row of which a quoted field is still open. */
  private open: Line[] = [];
  private openLength = 0;

  constructor(private readonly delimiter: string) {}

  take({ line, lines, quoted, cut }: Lines, fromLine: number): void {
    for (let i = Math.max(0, fromLine - line); i < lines.length; i++) {
      const text = lines[i]!;
      const at = line + i;
      if (cut.has(i)) this.refuse({ line: at, text }, `is longer than ${LONGEST_LINE} characters`);
      else if (this.open.length === 0 && !(quoted && opensQuote(text, this.delimiter)))
        this.takePlain(at, text);
      else this.takeQuoted({ line: at, text });
    }
    this.settleWhole();
  }

  /** Whether the next line goes on a quoted field. */
  get isOpen(): boolean {
    return this.open.length > 0;
  }

  give(): FilePart[] {
    const given = this.parts;
    this.parts = [];
    return given;
  }

  /** At the end of the file nothing stays open. */
  end(): void {
    while (this.open.length > 0) this.giveUpOpen();
    this.settleWhole();
  }

  private takePlain(line: number, text: string): void {
    if (this.whole.length > 0) this.settleWhole();
    if (text === '' || text.trim() === '') this.parts.push({ line, lines: 1 });
    else this.add({ line, lines: 1, fields: fieldsOf(text, this.delimiter) }, text);
  }

  private takeQuoted(entry: Line): void {
    const isOpen = staysOpen(entry.text, this.delimiter, this.open.length > 0);
    this.open.push(entry);
    this.openLength += entry.text.length;
    if (!isOpen) {
      this.whole.push(...this.open);
      this.open = [];
      this.openLength = 0;
    } else if (this.open.length > MOST_LINES || this.openLength > MOST_LENGTH) {
      this.giveUpOpen();
    }
  }

  /** The line that opened a quote for good is broken; what came after it is looked at anew. */
  private giveUpOpen(): void {
    const [broken, ...after] = this.open;
    this.open = [];
    this.openLength = 0;
    this.refuse(broken!, 'a quote is opened and never closed');
    for (const entry of after) {
      if (this.open.length === 0 && !opensQuote(entry.text, this.delimiter))
        this.takePlain(entry.line, entry.text);
      else this.takeQuoted(entry);
    }
  }

  private refuse({ line, text }: Line, reason: string): void {
    this.settleWhole();
    this.parts.push({ line, lines: 1, reason, content: text.slice(0, SHOWN) });
  }

  /** Rows with quotation marks, all at once. */
  private settleWhole(): void {
    if (this.whole.length === 0) return;
    const lines = this.whole;
    this.whole = [];
    const records = parse(lines.map(({ text }) => text).join('\n'), {
      delimiter: this.delimiter,
      record_delimiter: '\n',
      relax_quotes: true,
      relax_column_count: true,
      skip_empty_lines: false,
      info: true,
    }) as unknown as { record: string[]; info: { lines: number } }[];
    let at = 0;
    records.forEach(({ record, info }, n) => {
      // The count runs to the line on which the row ends, that line included.
      const after = n === records.length - 1 ? lines.length : info.lines;
      const { line, text } = lines[at]!;
      this.add({ line, lines: after - at, fields: record }, text);
      at = after;
    });
  }

  private add(record: FileRecord, text: string): void {
    const reason = unbearable(record.fields);
    if (reason === null) this.parts.push(record);
    else this.parts.push({ line: record.line, lines: record.lines, reason, content: text.slice(0, SHOWN) });
  }
}

function unbearable(fields: readonly string[]): string | null {
  if (fields.length > MOST_COLUMNS) return `has ${fields.length} columns; at most ${MOST_COLUMNS} are read`;
  for (const field of fields)
    if (field.length > LONGEST_CELL) return `has a cell of more than ${LONGEST_CELL} characters`;
  return null;
}

/** The text between delimiters: for short lines several times as fast as the language's own split. */
function fieldsOf(text: string, delimiter: string): string[] {
  const fields: string[] = [];
  let from = 0;
  for (let to = text.indexOf(delimiter); to >= 0; to = text.indexOf(delimiter, from)) {
    fields.push(text.slice(from, to));
    from = to + delimiter.length;
  }
  fields.push(text.slice(from));
  return fields;
}

/** Whether any field begins with a quotation mark. Elsewhere it is a character like others. */
function opensQuote(text: string, delimiter: string): boolean {
  return text.startsWith('"') || text.includes(`${delimiter}"`);
}

/**
 * Whether a quoted field is open at the end of a line. A field that closes its quote and goes on is an unquoted one
 * from there, as csv-parse has it.
 */
function staysOpen(text: string, delimiter: string, open: boolean): boolean {
  let isOpen = open;
  for (let at = 0; ;) {
    if (isOpen) {
      const mark = text.indexOf('"', at);
      if (mark < 0) return true;
      at = mark + 1;
      if (text[at] === '"') {
        at++;
        continue;
      }
      isOpen = false;
    } else if (text[at] === '"') {
      isOpen = true;
      at++;
      continue;
    }
    const next = text.indexOf(delimiter, at);
    if (next < 0) return false;
    at = next + delimiter.length;
  }
}

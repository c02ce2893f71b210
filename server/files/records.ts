import { createReadStream } from 'node:fs';
import { parse } from 'csv-parse/sync';
import iconv from 'iconv-lite';

export interface FileRecord {
  /** Line of the file on which it begins, 1 first. */
  line: number;
  fields: string[];
}
export interface BrokenRecord {
  line: number;
  reason: string;
  content: string;
}

/** A quoted field may run over this many lines; a longer one is a quote that was never closed. */
const MOST_LINES = 60;
const MOST_LENGTH = 200_000;

export function isRecord(record: FileRecord | BrokenRecord): record is FileRecord {
  return 'fields' in record;
}

/** {@link readRecordBatches}, one by one. */
export async function* readRecords(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
): AsyncGenerator<FileRecord | BrokenRecord> {
  for await (const { records } of readRecordBatches(file, encoding, delimiter, fromLine)) yield* records;
}

/**
 * Records of a delimited file, read as a stream, as many at a time as one piece of the file holds, with the bytes
 * read so far. A quote that is never closed costs its own line only: that line comes as a broken record and reading
 * goes on with the next. Blank lines are passed over.
 */
export async function* readRecordBatches(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
): AsyncGenerator<{ records: (FileRecord | BrokenRecord)[]; bytes: number }> {
  let pending: { line: number; text: string }[] = [];
  let records: (FileRecord | BrokenRecord)[] = [];
  let bytes = 0;
  for await (const piece of readLines(file, encoding)) {
    bytes = piece.bytes;
    let { line } = piece;
    // Asked once for the whole piece: few files have quotes at all.
    const quoted = piece.quoted;
    for (const text of piece.lines) {
      const at = line++;
      if (at < fromLine) continue;
      // Nearly every line is a record of its own.
      if (pending.length === 0 && (!quoted || !text.includes('"'))) {
        if (text !== '' && text.trim() !== '') records.push({ line: at, fields: fieldsOf(text, delimiter) });
        continue;
      }
      pending.push({ line: at, text });
      settle(false);
    }
    yield { records, bytes };
    records = [];
  }
  settle(true);
  yield { records, bytes };

  /** Gives out what is complete; at the end of the file everything is. */
  function settle(atEnd: boolean): void {
    while (pending.length > 0) {
      const closed = closingLine(pending);
      if (closed >= 0) {
        const parts = pending.slice(0, closed + 1);
        pending = pending.slice(closed + 1);
        const record = toRecord(parts[0]!.line, parts.map((part) => part.text).join('\n'), delimiter);
        if (record) records.push(record);
      } else if (atEnd || pending.length > MOST_LINES || lengthOf(pending) > MOST_LENGTH) {
        const broken = pending.shift()!;
        records.push({
          line: broken.line,
          reason: 'a quote is opened and never closed',
          content: broken.text.slice(0, 300),
        });
      } else {
        return;
      }
    }
  }
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

/** Index of the line at which all quotes are closed; −1 if not yet. */
function closingLine(lines: readonly { text: string }[]): number {
  let open = false;
  for (let i = 0; i < lines.length; i++) {
    const { text } = lines[i]!;
    for (let at = text.indexOf('"'); at >= 0; at = text.indexOf('"', at + 1)) open = !open;
    if (!open) return i;
  }
  return -1;
}

function lengthOf(lines: readonly { text: string }[]): number {
  return lines.reduce((sum, { text }) => sum + text.length, 0);
}

function toRecord(line: number, text: string, delimiter: string): FileRecord | BrokenRecord | null {
  if (text.trim() === '') return null;
  if (!text.includes('"')) return { line, fields: text.split(delimiter) };
  try {
    const [fields] = parse(text, { delimiter, relax_quotes: true, relax_column_count: true }) as string[][];
    return { line, fields: fields ?? [] };
  } catch (error) {
    return {
      line,
      reason: `cannot be read (${(error as Error).message.split('\n')[0]})`,
      content: text.slice(0, 300),
    };
  }
}

/** Lines of a file without their ends, a piece of the file at a time; `line` is the number of the first. */
export async function* readLines(
  file: string,
  encoding: string,
): AsyncGenerator<{ line: number; lines: string[]; bytes: number; quoted: boolean }> {
  const decoder = iconv.getDecoder(encoding, { stripBOM: true });
  let rest = '';
  let line = 1;
  let bytes = 0;
  for await (const piece of createReadStream(file, { highWaterMark: 1 << 18 })) {
    bytes += (piece as Buffer).length;
    rest += decoder.write(piece as Buffer);
    const quoted = rest.includes('"');
    const returns = rest.includes('\r');
    const lines = rest.split('\n');
    rest = lines.pop()!;
    // One endless line is no table; it is given out in pieces rather than gathered without limit.
    if (rest.length > 4_000_000) {
      lines.push(rest);
      rest = '';
    }
    if (lines.length === 0) continue;
    yield { line, lines: returns ? lines.map(withoutReturn) : lines, bytes, quoted };
    line += lines.length;
  }
  rest += decoder.end() ?? '';
  if (rest !== '') yield { line, lines: [withoutReturn(rest)], bytes, quoted: rest.includes('"') };
}

function withoutReturn(text: string): string {
  return text.endsWith('\r') ? text.slice(0, -1) : text;
}

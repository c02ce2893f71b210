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

/**
 * Records of a delimited file, read as a stream. A quote that is never closed costs its own line only:
 * that line comes as a broken record and reading goes on with the next. Blank lines are passed over.
 */
export async function* readRecords(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
): AsyncGenerator<FileRecord | BrokenRecord> {
  let pending: { line: number; text: string }[] = [];
  for await (const { line, text } of readLines(file, encoding)) {
    if (line < fromLine) continue;
    pending.push({ line, text });
    yield* settle(false);
  }
  yield* settle(true);

  /** Gives out what is complete; at the end of the file everything is. */
  function* settle(atEnd: boolean): Generator<FileRecord | BrokenRecord> {
    while (pending.length > 0) {
      const closed = closingLine(pending);
      if (closed >= 0) {
        const parts = pending.slice(0, closed + 1);
        pending = pending.slice(closed + 1);
        const record = toRecord(parts[0]!.line, parts.map((part) => part.text).join('\n'), delimiter);
        if (record) yield record;
      } else if (atEnd || pending.length > MOST_LINES || lengthOf(pending) > MOST_LENGTH) {
        const broken = pending.shift()!;
        yield {
          line: broken.line,
          reason: 'a quote is opened and never closed',
          content: broken.text.slice(0, 300),
        };
      } else {
        return;
      }
    }
  }
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

/** Lines of a file without their ends, the byte order mark removed. */
export async function* readLines(
  file: string,
  encoding: string,
): AsyncGenerator<{ line: number; text: string }> {
  const decoder = iconv.getDecoder(encoding, { stripBOM: true });
  let rest = '';
  let line = 0;
  for await (const bytes of createReadStream(file, { highWaterMark: 1 << 18 })) {
    rest += decoder.write(bytes as Buffer);
    let from = 0;
    for (let end = rest.indexOf('\n'); end >= 0; end = rest.indexOf('\n', from)) {
      yield { line: ++line, text: withoutReturn(rest.slice(from, end)) };
      from = end + 1;
    }
    rest = rest.slice(from);
    // One endless line is no table; it is given out in pieces rather than gathered without limit.
    if (rest.length > 4_000_000) {
      yield { line: ++line, text: rest };
      rest = '';
    }
  }
  rest += decoder.end() ?? '';
  if (rest !== '') yield { line: ++line, text: withoutReturn(rest) };
}

function withoutReturn(text: string): string {
  return text.endsWith('\r') ? text.slice(0, -1) : text;
}

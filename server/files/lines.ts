import { createReadStream } from 'node:fs';
import iconv from 'iconv-lite';

const PIECE_BYTES = 1 << 18;
/** One endless line is no row of a table: what comes after this many characters of it is passed over. */
export const LONGEST_LINE = 4_000_000;

/** Some lines of a file, without their ends. */
export interface Lines {
  /** Number of the first of them; 1 is the file's first line. */
  line: number;
  lines: string[];
  /** Bytes of the file read so far. */
  bytes: number;
  /** Whether any of them may hold a quotation mark. */
  quoted: boolean;
  /** Indices of lines that were longer than {@link LONGEST_LINE} and are cut off there. */
  cut: ReadonlySet<number>;
}

/** Where in a file reading begins: before this byte, with the line of this number. */
export interface LineStart {
  byte: number;
  line: number;
}

/** Lines of a text file as they come, a piece of the file at a time. They end with LF, CRLF or CR alone. */
export async function* readLines(
  file: string,
  encoding: string,
  start: LineStart = { byte: 0, line: 1 },
): AsyncGenerator<Lines> {
  const decoder = iconv.getDecoder(encoding, { stripBOM: start.byte === 0 });
  /** What has come of a line that has not ended yet. */
  let rest = '';
  /** Whether more has come of it than is kept. */
  let isCut = false;
  let { line, byte: bytes } = start;
  for await (const piece of createReadStream(file, { highWaterMark: PIECE_BYTES, start: bytes })) {
    bytes += (piece as Buffer).length;
    const text = rest + decoder.write(piece as Buffer);
    // A CR at the very end may be the first half of a line end: it waits for the next piece.
    const tail = text.endsWith('\r') ? '\r' : '';
    const lines = splitLines(tail === '' ? text : text.slice(0, -1));
    const last = lines.pop()!;
    if (lines.length > 0) {
      yield { line, bytes, quoted: text.includes('"'), ...shortened(lines, isCut) };
      line += lines.length;
      isCut = false;
    }
    isCut ||= last.length > LONGEST_LINE;
    rest = last.slice(0, LONGEST_LINE) + tail;
  }
  const text = rest + (decoder.end() ?? '');
  if (text === '') return;
  const lines = splitLines(text);
  if (lines.at(-1) === '') lines.pop();
  yield { line, bytes, quoted: text.includes('"'), ...shortened(lines, isCut) };
}

function splitLines(text: string): string[] {
  return text.includes('\r') ? text.split(/\r\n|\n|\r/) : text.split('\n');
}

const NONE: ReadonlySet<number> = new Set();

/** Lines of a bearable length, and which of them were longer. */
function shortened(lines: string[], firstIsCut: boolean): Pick<Lines, 'lines' | 'cut'> {
  const cut = new Set(firstIsCut ? [0] : []);
  for (let i = 0; i < lines.length; i++) {
    if (lines[i]!.length <= LONGEST_LINE) continue;
    lines[i] = lines[i]!.slice(0, LONGEST_LINE);
    cut.add(i);
  }
  return { lines, cut: cut.size === 0 ? NONE : cut };
}

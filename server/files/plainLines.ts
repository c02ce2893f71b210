import { closeSync, openSync, readSync } from 'node:fs';
import iconv from 'iconv-lite';
import { type LineStart, readLines } from './lines';
import { type FilePart, RecordReader } from './records';

/** Where the cells of a plain line lie in the bytes of its piece. */
export interface PlainCells {
  bytes: Buffer;
  /** First byte of each column, and the one behind its last. */
  starts: Int32Array;
  ends: Int32Array;
  /** Columns the line has. */
  count: number;
}

/** Who takes the lines of a file in, in their order. */
export interface LineTaker {
  /** A plain line, its number, and its bytes: whether it was taken. If not it comes again as a part. */
  plain(line: number, cells: PlainCells): boolean;
  part(part: FilePart): void;
}

const PIECE_BYTES = 1 << 20;
/** Longer lines are not for here. */
const LONGEST_PLAIN = 16_000;
const LF = 10;
const CR = 13;
const QUOTE = 34;

/** Encodings in which every byte below 128 is the letter of ASCII. */
const BY_BYTE = /^(utf-?8|ascii|us-ascii|iso-?8859-\d+|latin\d|windows-?125\d|cp125\d|koi8-?[ru])$/i;

/**
 * A delimited file from a line on, as {@link readRecordBatches} reads it, for files of hundreds of megabytes: lines
 * without anything unusual are handed over as bytes, and no text is made of them. Lines with quotation marks, and
 * those that the taker does not want as bytes, are taken apart one by one; from the first line that ends in a
 * carriage return alone or is very long on, all of the file is. Gives the bytes read so far after each piece.
 */
export async function* takeLines(
  file: string,
  encoding: string,
  delimiter: string,
  fromLine: number,
  taker: LineTaker,
): AsyncGenerator<number> {
  const reader = new LineReader(encoding, delimiter, fromLine, taker);
  let rest: LineStart | null = { byte: 0, line: 1 };
  if (BY_BYTE.test(encoding) && delimiter.length === 1 && delimiter.charCodeAt(0) < 128)
    rest = yield* reader.readPlain(file);
  if (rest !== null) yield* reader.readRest(file, rest);
  reader.end();
}

class LineReader {
  private readonly records: RecordReader;
  private readonly mark: number;
  private readonly cells: PlainCells = {
    bytes: Buffer.alloc(0),
    starts: new Int32Array(LONGEST_PLAIN + 1),
    ends: new Int32Array(LONGEST_PLAIN + 1),
    count: 0,
  };
  private line = 1;
  /** Lines that wait to be taken apart, and the number of the first. */
  private texts: string[] = [];
  private firstText = 0;

  constructor(
    private readonly encoding: string,
    delimiter: string,
    private readonly fromLine: number,
    private readonly taker: LineTaker,
  ) {
    this.records = new RecordReader(delimiter);
    this.mark = delimiter.charCodeAt(0);
  }

  /** Reads what has plain lines: to the end of the file (`null`), or to where others begin. */
  *readPlain(file: string): Generator<number, LineStart | null> {
    const handle = openSync(file, 'r');
    try {
      let buffer = Buffer.alloc(PIECE_BYTES + LONGEST_PLAIN);
      let held = 0;
      let taken = 0;
      for (;;) {
        const read = readSync(handle, buffer, held, PIECE_BYTES, taken + held);
        const isLast = read === 0;
        let size = held + read;
        if (size === 0) return null;
        // The last line of a file need not end.
        if (isLast && buffer[size - 1] !== LF) buffer[size++] = LF;
        const from: number = taken === 0 && isMarkedUtf8(buffer) ? 3 : 0;
        const done = this.takePiece(buffer, from, size);
        this.settleTexts();
        if (done.isOther || size - done.at > LONGEST_PLAIN) return { byte: taken + done.at, line: this.line };
        taken += done.at;
        yield isLast ? taken - (size - held - read) : taken;
        if (isLast) return null;
        held = size - done.at;
        const next = Buffer.alloc(PIECE_BYTES + LONGEST_PLAIN);
        buffer.copy(next, 0, done.at, size);
        buffer = next;
      }
    } finally {
      closeSync(handle);
    }
  }

  /** Reads all from somewhere on as text. */
  async *readRest(file: string, start: LineStart): AsyncGenerator<number> {
    for await (const lines of readLines(file, this.encoding, start)) {
      this.records.take(lines, this.fromLine);
      this.giveParts();
      yield lines.bytes;
    }
  }

  end(): void {
    this.settleTexts();
    this.records.end();
    this.giveParts();
  }

  /** Takes the whole lines of a piece; tells where it stopped, and whether at a line that is not for here. */
  private takePiece(bytes: Buffer, from: number, size: number): { at: number; isOther: boolean } {
    const { cells, mark } = this;
    const { starts, ends } = cells;
    cells.bytes = bytes;
    // Letters lie beyond all that is looked for: each of them costs one comparison.
    const beyond = Math.max(mark, QUOTE);
    let lineStart = from;
    let count = 0;
    let isPlain = true;
    starts[0] = from;
    for (let at = from; at < size; at++) {
      let byte = bytes[at]!;
      while (byte > beyond) byte = bytes[++at]!;
      if (byte === mark) {
        ends[count++] = at;
        starts[count] = at + 1;
        if (count === LONGEST_PLAIN) return { at: lineStart, isOther: true };
      } else if (byte === LF) {
        const end = at > lineStart && bytes[at - 1] === CR ? at - 1 : at;
        if (end - lineStart > LONGEST_PLAIN) return { at: lineStart, isOther: true };
        ends[count] = end;
        cells.count = count + 1;
        this.takeLine(lineStart, end, isPlain);
        lineStart = at + 1;
        count = 0;
        isPlain = true;
        starts[0] = lineStart;
      } else if (byte === QUOTE) isPlain = false;
      else if (byte === CR) {
        if (at + 1 >= size) break;
        if (bytes[at + 1] !== LF) return { at: lineStart, isOther: true };
      }
    }
    return { at: lineStart, isOther: false };
  }

  private takeLine(from: number, to: number, isPlain: boolean): void {
    const line = this.line++;
    if (line < this.fromLine) return;
    if (isPlain) {
      if (this.texts.length > 0) this.settleTexts();
      if (!this.records.isOpen && this.taker.plain(line, this.cells)) return;
    }
    if (this.texts.length === 0) this.firstText = line;
    this.texts.push(textOf(this.cells.bytes, from, to, this.encoding));
    if (isPlain) this.settleTexts();
  }

  private settleTexts(): void {
    if (this.texts.length === 0) return;
    const lines = { line: this.firstText, lines: this.texts, bytes: 0, quoted: true, cut: NONE };
    this.texts = [];
    this.records.take(lines, this.fromLine);
    this.giveParts();
  }

  private giveParts(): void {
    for (const part of this.records.give()) this.taker.part(part);
  }
}

const NONE: ReadonlySet<number> = new Set();

function isMarkedUtf8(bytes: Buffer): boolean {
  return bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf;
}

/** Bytes of a file as text. */
export function textOf(bytes: Buffer, from: number, to: number, encoding: string): string {
  for (let at = from; at < to; at++)
    if (bytes[at]! >= 128) return iconv.decode(bytes.subarray(from, to), encoding, { stripBOM: false });
  return bytes.toString('latin1', from, to);
}

import type { ImportedRow } from '../../files/rowReaders';
import { type FilePart, isBroken, isRecord } from '../../files/records';

const SHOWN = 300;

export interface Rejected {
  line: number;
  reason: string;
  content: string;
}
/** What became of the lines of a file: each of them is one of these. */
export interface Counts {
  records: number;
  kept: number;
  rejected: number;
  skipped: number;
  blank: number;
}

/**
 * Sorts the parts of a file into rows that are kept and lines that are not, and sees to it that none is missed: the
 * parts follow one another line by line, and kept, rejected, skipped and blank add up to what was read.
 */
export class Tally {
  rejected: Rejected[] = [];
  private counts: Counts = { records: 0, kept: 0, rejected: 0, skipped: 0, blank: 0 };
  private next: number;

  constructor(
    private readonly read: (fields: readonly string[]) => ImportedRow | string | null,
    private readonly delimiter: string,
    firstLine: number,
    /** Added to every line number that is told. */
    private readonly lineShift: number,
    /** Parts that an earlier run has taken in. */
    private toSkip: number,
  ) {
    this.next = firstLine;
  }

  /** The row of a part that is to be kept, with its line; `null` for every other. */
  take(part: FilePart): { row: ImportedRow; line: number } | null {
    if (!this.isWanted(part.line, part.lines)) return null;
    const line = part.line + this.lineShift;
    if (isBroken(part)) this.reject({ line, reason: part.reason, content: part.content });
    else if (!isRecord(part)) this.counts.blank++;
    else {
      const row = this.read(part.fields);
      if (row === null) this.counts.skipped++;
      else if (typeof row === 'string')
        this.reject({ line, reason: row, content: part.fields.join(this.delimiter).slice(0, SHOWN) });
      else {
        this.counts.kept++;
        return { row, line };
      }
    }
    return null;
  }

  /** Whether an earlier run has taken in what comes next. */
  get isSkipping(): boolean {
    return this.toSkip > 0;
  }

  /** Counts a line that was read elsewhere and is kept: whether it is, for an earlier run may have taken it in. */
  takeRead(line: number): boolean {
    if (!this.isWanted(line, 1)) return false;
    this.counts.kept++;
    return true;
  }

  /** Goes on by some lines, none left out: whether they are for this run. */
  private isWanted(line: number, lines: number): boolean {
    if (line !== this.next) throw new Error(`line ${this.next} was missed: the next part is of line ${line}`);
    this.next = line + lines;
    if (this.toSkip > 0) {
      this.toSkip--;
      return false;
    }
    this.counts.records++;
    return true;
  }

  /** A row that was kept so far turns out to be of no use. */
  takeBack(rejected: Rejected): void {
    this.counts.kept--;
    this.reject(rejected);
  }

  get pending(): number {
    return this.counts.records;
  }

  /** What has been counted since the last time, with what was rejected. Throws when it does not add up. */
  settle(): Counts & { list: Rejected[] } {
    const { records, kept, rejected, skipped, blank } = this.counts;
    if (kept + rejected + skipped + blank !== records || rejected !== this.rejected.length)
      throw new Error(
        `${records} lines were read, and ${kept} + ${rejected} + ${skipped} + ${blank} accounted for`,
      );
    const settled = { records, kept, rejected, skipped, blank, list: this.rejected };
    this.counts = { records: 0, kept: 0, rejected: 0, skipped: 0, blank: 0 };
    this.rejected = [];
    return settled;
  }

  private reject(rejected: Rejected): void {
    this.counts.rejected++;
    this.rejected.push(rejected);
  }
}

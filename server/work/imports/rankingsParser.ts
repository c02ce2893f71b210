import { parentPort, workerData } from 'node:worker_threads';
import type { FileReading } from '@opsimath/contract/api/imports';
import type { AddressPlatform } from '@opsimath/core/text/address';
import { key } from '@opsimath/core/text/key';
import { readRecordBatches } from '../../files/records';
import { type ImportedRows, rowReader } from '../../files/rowReaders';
import { type Counts, type Rejected, Tally } from './tally';

export interface ParserTask {
  file: string;
  reading: FileReading;
  platforms: AddressPlatform[];
  /** Records that were taken in before a stop. */
  skip: number;
}

/** A part of a table of rankings in columns: one entry a row, texts once. */
export interface RankingsPart {
  /** Unique, in the order met. */
  keys: string[];
  /** The first text met of each key; `null` where it is the key itself. */
  texts: (string | null)[];
  /** Index into `keys`. */
  keyword: Int32Array;
  addresses: string[];
  /** Index into `addresses`. */
  address: Int32Array;
  day: Int32Array;
  organic: Uint8Array;
  paid: Uint8Array;
  /** NaN where the file gives none. */
  volume: Float64Array;
  /** What became of the lines of this part. */
  counts: Counts;
  rejected: Rejected[];
  /** Bytes of the file read so far. */
  bytes: number;
  last: boolean;
}

const PART_ROWS = 200_000;
/** Parts that may wait to be stored: more would only fill the memory. */
const MOST_WAITING = 1;

const { file, reading, platforms, skip } = workerData as ParserTask;
const lineShift = reading.format === 'json lines' ? -1 : 0;
let waiting = 0;
let wake: () => void = () => undefined;
parentPort!.on('message', () => {
  waiting--;
  wake();
});

class PartBuilder {
  private readonly slots = new Map<string, number>();
  private readonly texts: (string | null)[] = [];
  private readonly addressSlots = new Map<string, number>();
  private readonly addresses: string[] = [];
  private readonly keyword = new Int32Array(PART_ROWS);
  private readonly address = new Int32Array(PART_ROWS);
  private readonly day = new Int32Array(PART_ROWS);
  private readonly organic = new Uint8Array(PART_ROWS);
  private readonly paid = new Uint8Array(PART_ROWS);
  private readonly volume = new Float64Array(PART_ROWS);
  rows = 0;
  private lastText = '';
  private lastSlot = -1;

  add(row: ImportedRows['rankings']): void {
    const at = this.rows++;
    // Files are often sorted by keyword.
    if (row.query !== this.lastText) {
      this.lastText = row.query;
      this.lastSlot = this.slotOf(row.query);
    }
    this.keyword[at] = this.lastSlot;
    let address = this.addressSlots.get(row.page);
    if (address === undefined) this.addressSlots.set(row.page, (address = this.addresses.push(row.page) - 1));
    this.address[at] = address;
    this.day[at] = row.day;
    this.organic[at] = row.organic;
    this.paid[at] = row.paid;
    this.volume[at] = row.volume;
  }

  /** Texts of one key are one, and the first of them is kept. */
  private slotOf(text: string): number {
    const own = key(text);
    let slot = this.slots.get(own);
    if (slot === undefined) this.slots.set(own, (slot = this.texts.push(own === text ? null : text) - 1));
    return slot;
  }

  finish({ list, ...counts }: ReturnType<Tally['settle']>, bytes: number, last: boolean): RankingsPart {
    return {
      keys: [...this.slots.keys()],
      texts: this.texts,
      keyword: this.keyword.slice(0, this.rows),
      addresses: this.addresses,
      address: this.address.slice(0, this.rows),
      day: this.day.slice(0, this.rows),
      organic: this.organic.slice(0, this.rows),
      paid: this.paid.slice(0, this.rows),
      volume: this.volume.slice(0, this.rows),
      counts,
      rejected: list,
      bytes,
      last,
    };
  }
}

async function send(part: RankingsPart): Promise<void> {
  waiting++;
  const { keyword, address, day, organic, paid, volume } = part;
  const columns = [keyword, address, day, organic, paid, volume].map(({ buffer }) => buffer as ArrayBuffer);
  parentPort!.postMessage(part, columns);
  while (waiting > MOST_WAITING) await new Promise<void>((resolve) => (wake = resolve));
}

const { encoding, delimiter, headerLine } = reading;
const firstLine = headerLine + 1;
const tally = new Tally(rowReader(reading, platforms), delimiter, firstLine, lineShift, skip);
let part = new PartBuilder();
let lastBytes = 0;
for await (const { records, bytes } of readRecordBatches(file, encoding, delimiter, firstLine)) {
  lastBytes = bytes;
  for (const record of records) {
    const taken = tally.take(record);
    if (taken) part.add(taken.row as ImportedRows['rankings']);
    if (part.rows === PART_ROWS || tally.pending === 2 * PART_ROWS) {
      await send(part.finish(tally.settle(), bytes, false));
      part = new PartBuilder();
    }
  }
}
await send(part.finish(tally.settle(), lastBytes, true));

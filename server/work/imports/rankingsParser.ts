import { parentPort, workerData } from 'node:worker_threads';
import type { FileReading } from '@opsimath/contract/api/imports';
import type { AddressPlatform } from '@opsimath/core/text/address';
import { type LineTaker, takeLines } from '../../files/plainLines';
import { type ImportedRows, rowReader } from '../../files/rowReaders';
import { RankingBytes } from './rankingsBytes';
import { AddressNumbers, KeywordNumbers, PartColumns, type RankingsPart } from './rankingsColumns';
import { Tally } from './tally';

export interface ParserTask {
  file: string;
  reading: FileReading;
  platforms: AddressPlatform[];
  /** Records that were taken in before a stop. */
  skip: number;
}
/** What the thread tells: how far it has read, or a part that is to be stored. */
export type ParserMessage = { read: number } | { part: RankingsPart };

const PART_ROWS = 400_000;
/** Parts that may wait to be stored: more would only fill the memory. */
const MOST_WAITING = 1;

const { file, reading, platforms, skip } = workerData as ParserTask;
const { encoding, delimiter, headerLine } = reading;
const firstLine = headerLine + 1;
const lineShift = reading.format === 'json lines' ? -1 : 0;
const tally = new Tally(rowReader(reading, platforms), delimiter, firstLine, lineShift, skip);
let keywords = new KeywordNumbers(encoding);
let addresses = new AddressNumbers();
let bytes = new RankingBytes(reading, platforms, keywords, addresses);
let part = new PartColumns(PART_ROWS, false);
const ready: RankingsPart[] = [];
let waiting = 0;
let wake: () => void = () => undefined;
parentPort!.on('message', () => {
  waiting--;
  wake();
});

const taker: LineTaker = {
  plain(line, cells) {
    if (tally.isSkipping) tally.takeRead(line);
    else if (!bytes.read(cells)) return false;
    else if (tally.takeRead(line)) {
      const { row } = bytes;
      part.add(row.keyword, row.address, row);
      finishIfFull();
    }
    return true;
  },
  part(record) {
    const taken = tally.take(record);
    if (taken) {
      const row = taken.row as ImportedRows['rankings'];
      part.add(keywords.slotOf(row.query), addresses.slotOf(row.page), row);
    }
    finishIfFull();
  },
};

function finishIfFull(): void {
  if (part.isFull || keywords.isRich || tally.pending === 2 * PART_ROWS) finish(false);
}

function finish(last: boolean): void {
  ready.push(part.finish(keywords, addresses, tally.settle(), last));
  const restart = keywords.isFull || addresses.isFull;
  if (restart) {
    keywords = new KeywordNumbers(encoding);
    addresses = new AddressNumbers();
    bytes = new RankingBytes(reading, platforms, keywords, addresses);
  }
  if (!last) part = new PartColumns(PART_ROWS, restart);
}

function tell(message: ParserMessage, moved: ArrayBuffer[] = []): void {
  parentPort!.postMessage(message, moved);
}

async function sendReady(read: number): Promise<void> {
  for (const part of ready.splice(0)) {
    waiting++;
    const { keySlots, keyword, address, day, organic, paid, volume } = part;
    const columns = [keySlots, keyword, address, day, organic, paid, volume];
    tell(
      { part: { ...part, bytes: read } },
      columns.map(({ buffer }) => buffer as ArrayBuffer),
    );
    while (waiting > MOST_WAITING) await new Promise<void>((resolve) => (wake = resolve));
  }
}

let read = 0;
for await (const bytes of takeLines(file, encoding, delimiter, firstLine, taker)) {
  read = bytes;
  if (ready.length > 0) await sendReady(read);
  else tell({ read });
}
finish(true);
await sendReady(read);

import type { FileReading } from '@opsimath/contract/api/imports';
import { type AddressPlatform, readAddress } from '@opsimath/core/text/address';
import { key } from '@opsimath/core/text/key';
import { ByteTable } from '../../files/byteTable';
import { type PlainCells, textOf } from '../../files/plainLines';
import { readDay } from '../../files/values';
import type { AddressNumbers, KeywordNumbers } from './rankingsColumns';

/** What a plain line of rankings says, numbers for its texts. */
export interface PlainRanking {
  keyword: number;
  address: number;
  day: number;
  organic: number;
  paid: number;
  volume: number;
}

const LONGEST_QUERY = 1000;
/** Whole numbers of so many digits are sure to be read exactly; the largest volume has ten. */
const MOST_DIGITS = 10;
const MOST_VOLUME = 2e9;
const LAST_POSITION = 250;
/** Days kept by how they are written. */
const MOST_DAYS = 10_000;

/**
 * Reads lines of rankings from their bytes. What it reads is what {@link rowReader} would; a line of which it is not
 * sure it leaves to that one.
 */
export class RankingBytes {
  readonly row: PlainRanking = { keyword: 0, address: 0, day: 0, organic: 0, paid: 0, volume: NaN };
  private readonly column: Record<'query' | 'page' | 'date' | 'organic' | 'paid' | 'volume', number>;
  private readonly least: number;
  private readonly fixedDay: number;
  private readonly days = new ByteTable();

  constructor(
    private readonly reading: FileReading,
    private readonly platforms: readonly AddressPlatform[],
    private readonly keywords: KeywordNumbers,
    private readonly addresses: AddressNumbers,
  ) {
    const of = (field: keyof typeof this.column): number => reading.columns[field] ?? -1;
    this.column = {
      query: of('query'),
      page: of('page'),
      date: of('date'),
      organic: of('organic'),
      paid: of('paid'),
      volume: of('volume'),
    };
    // A row needs the columns that its kind needs; one that lacks any other is left to the reader of texts.
    this.least = Math.max(...Object.values(this.column)) + 1;
    this.fixedDay = reading.fixedDate === null ? -1 : (readDay(reading.fixedDate, 'year first') ?? -1);
  }

  /** Whether the line was read into {@link row}. */
  read(cells: PlainCells): boolean {
    const { column, row } = this;
    if (cells.count < this.least || column.query < 0 || column.page < 0) return false;
    const day = column.date < 0 ? this.fixedDay : this.dayOf(cells);
    if (day < 0) return false;
    const organic = column.organic < 0 ? 0 : digits(cells, column.organic);
    const paid = column.paid < 0 ? 0 : digits(cells, column.paid);
    if (organic < 0 || paid < 0 || organic > LAST_POSITION || paid > LAST_POSITION) return false;
    if (organic === 0 && paid === 0) return false;
    const volume = column.volume < 0 || isEmpty(cells, column.volume) ? NaN : digits(cells, column.volume);
    if (volume < 0 || volume > MOST_VOLUME) return false;
    // Nothing is learnt from a line that is not read in the end.
    const address = this.addressOf(cells);
    if (address === null) return false;
    const keyword = this.keywordOf(cells);
    if (keyword < 0) return false;
    row.keyword = keyword;
    row.address = typeof address === 'number' ? address : this.learnAddress(cells, address);
    row.day = day;
    row.organic = organic;
    row.paid = paid;
    row.volume = volume;
    return true;
  }

  /** Days are kept by their bytes, one more than they are: 0 stands for a text that is no day. */
  private dayOf({ bytes, starts, ends }: PlainCells): number {
    const [from, to] = [starts[this.column.date]!, ends[this.column.date]!];
    const known = this.days.find(bytes, from, to);
    if (known >= 0) return known - 1;
    const day = readDay(textOf(bytes, from, to, this.reading.encoding), this.reading.dateOrder) ?? -1;
    if (this.days.size < MOST_DAYS) this.days.add(bytes, from, to, day + 1);
    return day;
  }

  private keywordOf({ bytes, starts, ends }: PlainCells): number {
    const [from, to] = [starts[this.column.query]!, ends[this.column.query]!];
    const known = this.keywords.find(bytes, from, to);
    if (known >= 0) return known;
    const text = textOf(bytes, from, to, this.reading.encoding).trim();
    if (text.length > LONGEST_QUERY || key(text) === '') return -1;
    return this.keywords.learn(bytes, from, to, text);
  }

  /** The number of the address, or the address while it has none; `null` where the cell is no address. */
  private addressOf({ bytes, starts, ends }: PlainCells): number | string | null {
    const [from, to] = [starts[this.column.page]!, ends[this.column.page]!];
    const known = this.addresses.find(bytes, from, to);
    if (known >= 0) return known;
    const read = readAddress(textOf(bytes, from, to, this.reading.encoding).trim(), this.platforms);
    return 'reason' in read ? null : read.address;
  }

  private learnAddress({ bytes, starts, ends }: PlainCells, address: string): number {
    return this.addresses.learn(bytes, starts[this.column.page]!, ends[this.column.page]!, address);
  }
}

function isEmpty({ starts, ends }: PlainCells, column: number): boolean {
  return starts[column] === ends[column];
}

/** The whole number a cell says, 0 where it is empty; −1 where it says anything else. */
function digits({ bytes, starts, ends }: PlainCells, column: number): number {
  const from = starts[column]!;
  const to = ends[column]!;
  if (to - from > MOST_DIGITS) return -1;
  let whole = 0;
  for (let at = from; at < to; at++) {
    const digit = bytes[at]! - 48;
    if (digit < 0 || digit > 9) return -1;
    whole = whole * 10 + digit;
  }
  return whole;
}

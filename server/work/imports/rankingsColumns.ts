import { key } from '@opsimath/core/text/key';
import { ByteTable } from '../../files/byteTable';
import type { ImportedRows } from '../../files/rowReaders';
import type { Counts, Rejected, Tally } from './tally';

/** A part of a table of rankings in columns: one entry a row, texts once. */
export interface RankingsPart {
  /** Keywords and addresses are numbered anew from here: what earlier parts had is forgotten. */
  restart: boolean;
  /** Keys of keywords that no part had before, sorted, and the number of each. */
  keys: string[];
  keySlots: Int32Array;
  /** The first text met of each of these keys; `null` or nothing where it is the key itself. */
  texts: (string | null)[];
  /** Number of the keyword. */
  keyword: Int32Array;
  /** Addresses that no part had before; they are numbered in their order. */
  addresses: string[];
  /** Number of the address. */
  address: Int32Array;
  day: Uint16Array;
  organic: Uint8Array;
  paid: Uint8Array;
  /** −1 where the file gives none. */
  volume: Int32Array;
  /** What became of the lines of this part. */
  counts: Counts;
  rejected: Rejected[];
  /** Bytes of the file read so far. */
  bytes: number;
  last: boolean;
}

/** Beyond so many keywords, addresses or bytes of them the numbers begin anew: memory stays bounded. */
const MOST_KEYWORDS = 2_000_000;
const MOST_ADDRESSES = 500_000;
/** No key has it, and it sorts before all that keys have. */
const BEHIND = '\u0000';
/** New keywords of one part. */
const MOST_FRESH = 200_000;
const MOST_FRESH_BYTES = 48_000_000;
const MOST_BYTES = 160_000_000;

/** Keywords of a file by number. Texts of one key are one, and the first of them is kept. */
export class KeywordNumbers {
  private readonly table = new ByteTable();
  /** Keys are held in UTF-8: the same bytes may say another text in a file of another encoding. */
  private readonly keys: ByteTable;
  private count = 0;
  private fresh: string[] = [];
  /** Texts that are not their own keys, by key. */
  private texts = new Map<string, string>();
  private bytesBefore = 0;

  constructor(encoding: string) {
    this.keys = /^utf-?8$/i.test(encoding) ? this.table : new ByteTable();
  }

  /** The number of the keyword whose text these bytes are; −1 while it is not known. */
  find(bytes: Uint8Array, from: number, to: number): number {
    return this.table.find(bytes, from, to);
  }

  /** Takes bytes in that say this text. */
  learn(bytes: Uint8Array, from: number, to: number, text: string): number {
    const slot = this.slotOf(text);
    // The text may be its own key, and so be held by now.
    if (this.table.find(bytes, from, to) < 0) this.table.add(bytes, from, to, slot);
    return slot;
  }

  slotOf(text: string): number {
    const own = key(text);
    const bytes = Buffer.from(own);
    let slot = this.keys.find(bytes, 0, bytes.length);
    if (slot < 0) {
      slot = this.count++;
      this.keys.add(bytes, 0, bytes.length, slot);
      this.fresh.push(`${own}${BEHIND}${slot}`);
      if (own !== text) this.texts.set(own, text);
    }
    return slot;
  }

  get isFull(): boolean {
    return this.count > MOST_KEYWORDS || this.table.bytes > MOST_BYTES;
  }

  /** Whether so much is new that it should be stored before more comes. */
  get isRich(): boolean {
    return this.fresh.length >= MOST_FRESH || this.table.bytes - this.bytesBefore > MOST_FRESH_BYTES;
  }

  /** Keywords that came since the last time, by key. */
  takeFresh(): Pick<RankingsPart, 'keys' | 'keySlots' | 'texts'> {
    const { fresh, texts: unlike } = this;
    this.fresh = [];
    this.texts = new Map();
    this.bytesBefore = this.table.bytes;
    // Each has its number behind it: texts alone are sorted several times as fast as entries by a function.
    fresh.sort();
    const keySlots = new Int32Array(fresh.length);
    const keys = fresh.map((numbered, at) => {
      const end = numbered.lastIndexOf(BEHIND);
      keySlots[at] = Number(numbered.slice(end + 1));
      return numbered.slice(0, end);
    });
    const texts = unlike.size === 0 ? [] : keys.map((own) => unlike.get(own) ?? null);
    return { keys, keySlots, texts };
  }
}

/** Addresses of a file by number. */
export class AddressNumbers {
  private readonly table = new ByteTable();
  private readonly slots = new Map<string, number>();
  private fresh: string[] = [];

  find(bytes: Uint8Array, from: number, to: number): number {
    return this.table.find(bytes, from, to);
  }

  learn(bytes: Uint8Array, from: number, to: number, address: string): number {
    const slot = this.slotOf(address);
    this.table.add(bytes, from, to, slot);
    return slot;
  }

  slotOf(address: string): number {
    let slot = this.slots.get(address);
    if (slot === undefined) {
      slot = this.slots.size;
      this.slots.set(address, slot);
      this.fresh.push(address);
    }
    return slot;
  }

  get isFull(): boolean {
    return this.table.size > MOST_ADDRESSES;
  }

  takeFresh(): string[] {
    const fresh = this.fresh;
    this.fresh = [];
    return fresh;
  }
}

/** Rows of a part as they come in. */
export class PartColumns {
  private readonly keyword: Int32Array;
  private readonly address: Int32Array;
  private readonly day: Uint16Array;
  private readonly organic: Uint8Array;
  private readonly paid: Uint8Array;
  private readonly volume: Int32Array;
  rows = 0;

  constructor(
    private readonly most: number,
    private readonly restart: boolean,
  ) {
    this.keyword = new Int32Array(most);
    this.address = new Int32Array(most);
    this.day = new Uint16Array(most);
    this.organic = new Uint8Array(most);
    this.paid = new Uint8Array(most);
    this.volume = new Int32Array(most);
  }

  get isFull(): boolean {
    return this.rows === this.most;
  }

  add(
    keyword: number,
    address: number,
    row: Pick<ImportedRows['rankings'], 'day' | 'organic' | 'paid' | 'volume'>,
  ): void {
    const at = this.rows++;
    this.keyword[at] = keyword;
    this.address[at] = address;
    this.day[at] = row.day;
    this.organic[at] = row.organic;
    this.paid[at] = row.paid;
    this.volume[at] = Number.isNaN(row.volume) ? -1 : row.volume;
  }

  finish(
    keywords: KeywordNumbers,
    addresses: AddressNumbers,
    { list, ...counts }: ReturnType<Tally['settle']>,
    last: boolean,
  ): RankingsPart {
    // A full part goes as it is; of another only what it holds.
    const held = <Column extends Int32Array | Uint16Array | Uint8Array>(column: Column): Column =>
      this.isFull ? column : (column.slice(0, this.rows) as Column);
    return {
      restart: this.restart,
      ...keywords.takeFresh(),
      keyword: held(this.keyword),
      addresses: addresses.takeFresh(),
      address: held(this.address),
      day: held(this.day),
      organic: held(this.organic),
      paid: held(this.paid),
      volume: held(this.volume),
      counts,
      rejected: list,
      bytes: 0,
      last,
    };
  }
}

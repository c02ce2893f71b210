import { type FileReading, type ImportField, importField } from '@opsimath/contract/api/imports';
import { type AddressPlatform, readAddress } from '@opsimath/core/text/address';
import { middleOf, readVolume } from '@opsimath/core/demand/volumeRange';
import { key } from '@opsimath/core/text/key';
import { countryCode, deviceCode } from './origins';
import { plainWhole, readDay, readNumber } from './values';

/** Enough to know that a query has a key; most have one. */
const PLAIN_LETTER = /[a-z0-9]/i;

/** Raised inside a reader: the reason why a row cannot be used. */
export class Unusable extends Error {}

/** The cells of one record, each read as what it should be. */
export class Cells {
  fields: readonly string[] = [];
  private readonly days = new Map<string, number | null>();
  private readonly addresses = new Map<string, string>();
  private readonly fixedDay: number | null;
  /** Column of each field, −1 for none: looked up once, not for every cell. */
  private readonly columns: Record<ImportField, number>;
  /** Files are often sorted by keyword: what held for the row before need not be asked again. */
  private lastQuery: string | null = null;
  private lastDate: string | null = null;
  private lastDay: number | null = null;

  constructor(
    private readonly reading: FileReading,
    private readonly platforms: readonly AddressPlatform[],
  ) {
    this.fixedDay = reading.fixedDate === null ? null : readDay(reading.fixedDate, 'year first');
    this.columns = Object.fromEntries(
      importField.options.map((field) => [field, reading.columns[field] ?? -1]),
    ) as Record<ImportField, number>;
  }

  has(field: ImportField): boolean {
    return this.columns[field] >= 0;
  }

  text(field: ImportField): string {
    const column = this.columns[field];
    return column < 0 ? '' : trimmed(this.fields[column] ?? '');
  }

  dayOrNull(): number | null {
    if (!this.has('date')) return this.fixedDay;
    const text = this.text('date');
    if (text === this.lastDate) return this.lastDay;
    let day = this.days.get(text);
    if (day === undefined) this.days.set(text, (day = readDay(text, this.reading.dateOrder)));
    this.lastDate = text;
    return (this.lastDay = day);
  }

  day(): number {
    const day = this.dayOrNull();
    if (day === null) throw new Unusable(notADay(this.text('date').slice(0, 40)));
    return day;
  }

  query(): string {
    const query = this.text('query');
    if (query === this.lastQuery) return query;
    if (query.length > 1000) throw new Unusable('the query is longer than 1,000 characters');
    if (!PLAIN_LETTER.test(query) && key(query) === '')
      throw new Unusable(query === '' ? 'the query is empty' : 'the query holds no letter or number');
    this.lastQuery = query;
    return query;
  }

  count(field: ImportField): number {
    const count = readNumber(this.text(field), this.reading.decimalComma);
    if (count === null) throw new Unusable(`“${this.text(field).slice(0, 40)}” is not a number of ${field}`);
    if (count < 0 || !Number.isInteger(count) || count > 2e9)
      throw new Unusable(`${count} cannot be a number of ${field}`);
    return count;
  }

  /** NaN where there is no such column, or nothing in it. */
  countIfAny(field: ImportField): number {
    return this.text(field) === '' ? NaN : this.count(field);
  }

  /** NaN for an empty cell. */
  amount(field: ImportField, most: number): number {
    const plain = this.text(field);
    const whole = plainWhole(plain);
    if (whole >= 0 && whole <= most) return whole;
    const text = plain.replace(/^\p{Sc}\s*|\s*\p{Sc}$/gu, '');
    if (text === '' || text === '-' || text === '–') return NaN;
    const amount = readNumber(text, this.reading.decimalComma);
    if (amount === null) throw new Unusable(`“${text.slice(0, 40)}” is not a figure of ${field}`);
    if (amount < 0 || amount > most) throw new Unusable(`${amount} cannot be a figure of ${field}`);
    return amount;
  }

  /** A volume or a range of volumes; NaN for an empty cell. */
  volume(): { volume: number; low: number; high: number } {
    const text = this.text('volume');
    const whole = plainWhole(text);
    if (whole >= 0 && whole <= 2e9) return { volume: whole, low: whole, high: whole };
    if (text === '' || text === '-' || text === '–') return { volume: NaN, low: NaN, high: NaN };
    const given = readVolume(text, this.reading.decimalComma);
    if (given === null) throw new Unusable(`“${text.slice(0, 40)}” is not a figure of volume`);
    if (given.high > 2e9) throw new Unusable(`${given.high} cannot be a figure of volume`);
    return { volume: middleOf(given), ...given };
  }

  /** Code of a device: 0 where nothing is said. */
  device(): number {
    return deviceCode(this.text('device'));
  }

  /** Code of a country: 0 where nothing is said. */
  country(): number {
    return countryCode(this.text('country'));
  }

  /** 0–1; files that count to 100 are brought down. */
  share(field: ImportField): number {
    const amount = this.amount(field, 100);
    return amount > 1 ? amount / 100 : amount;
  }

  position(field: ImportField): number {
    const text = this.text(field);
    if (text === '') return NaN;
    const position = readNumber(text, this.reading.decimalComma);
    if (position === null || position < 0 || position > 10_000)
      throw new Unusable(`“${text.slice(0, 40)}” is not a position`);
    return position || NaN;
  }

  /** A whole position 1–250; 0 for none. */
  place(field: ImportField): number {
    const position = this.position(field);
    if (Number.isNaN(position)) return 0;
    if (!Number.isInteger(position) || position > 250)
      throw new Unusable(`${position} is not a position from 1 to 250`);
    return position;
  }

  address(): string {
    const text = this.text('page');
    let address = this.addresses.get(text);
    if (address === undefined) {
      const read = readAddress(text, this.platforms);
      if ('reason' in read) throw new Unusable(`“${text.slice(0, 60)}”: ${read.reason}`);
      this.addresses.set(text, (address = read.address));
    }
    return address;
  }

  /** An address as it is, or '' where there is none: own pages need not be of any known kind. */
  bareAddress(): string {
    return this.text('page')
      .replace(/^[a-z]+:\/\//i, '')
      .replace(/^www\./i, '')
      .replace(/#.*$/, '')
      .replace(/\/+$/, '')
      .slice(0, 2000);
  }
}

/** Why a text is no day: it is none at all, or of a year that no table is of. */
function notADay(text: string): string {
  const year = /\b\d{4}\b/.exec(text)?.[0];
  const outside = year !== undefined && (Number(year) < 2000 || Number(year) > 2100);
  return outside ? `“${text}” is not a date of 2000–2100` : `“${text}” is not a date`;
}

/** Text without space around it; most has none, which is seen at its ends. */
function trimmed(text: string): string {
  return isInk(text.charCodeAt(0)) && isInk(text.charCodeAt(text.length - 1)) ? text : text.trim();
}

/** A character that is surely no space. */
function isInk(code: number): boolean {
  return code > 32 && code < 128;
}

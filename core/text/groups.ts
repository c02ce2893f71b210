/**
 * Members by number, kept in typed arrays: a million entries take some 20 MB, a tenth of what a map of lists does.
 * {@link seek} sets {@link from} and {@link to}, so that looking up makes no objects.
 */
export class Groups {
  readonly members: Int32Array;
  from = 0;
  to = 0;
  private readonly numbers: Int32Array;
  /** Where a group ends, by where it starts. */
  private readonly ends: Int32Array;
  /** Open addressing: start of a group + 1, 0 for empty. */
  private readonly table: Int32Array;
  private readonly mask: number;

  /** @param numbers one an entry, any 32-bit integers; `members` its member, from 0 and below 2^21 */
  constructor(numbers: Int32Array, members: Int32Array) {
    const size = numbers.length;
    const entries = new Float64Array(size);
    for (let n = 0; n < size; n++) entries[n] = (numbers[n]! >>> 0) * MOST_MEMBERS + members[n]!;
    entries.sort();
    this.members = new Int32Array(size);
    this.numbers = new Int32Array(size);
    let groups = 0;
    for (let n = 0; n < size; n++) {
      this.members[n] = entries[n]! % MOST_MEMBERS;
      this.numbers[n] = Math.floor(entries[n]! / MOST_MEMBERS) | 0;
      if (n === 0 || this.numbers[n] !== this.numbers[n - 1]) groups++;
    }
    this.ends = new Int32Array(size);
    for (let n = size - 1, end = size; n >= 0; n--) {
      this.ends[n] = end;
      if (n > 0 && this.numbers[n] !== this.numbers[n - 1]) end = n;
    }
    let slots = 2;
    while (slots < groups * 2) slots *= 2;
    this.mask = slots - 1;
    this.table = new Int32Array(slots);
    for (let n = 0; n < size; n++) {
      if (n > 0 && this.numbers[n] === this.numbers[n - 1]) continue;
      let slot = spread(this.numbers[n]!) & this.mask;
      while (this.table[slot] !== 0) slot = (slot + 1) & this.mask;
      this.table[slot] = n + 1;
    }
  }

  /** Whether a number has members; if so they are `members[from]` to `members[to − 1]`, ascending. */
  seek(number: number): boolean {
    const wanted = number | 0;
    let slot = spread(wanted) & this.mask;
    for (let start = this.table[slot]!; start !== 0; start = this.table[slot]!) {
      if (this.numbers[start - 1] === wanted) {
        this.from = start - 1;
        this.to = this.ends[start - 1]!;
        return true;
      }
      slot = (slot + 1) & this.mask;
    }
    return false;
  }

  has(number: number): boolean {
    const wanted = number | 0;
    let slot = spread(wanted) & this.mask;
    for (let start = this.table[slot]!; start !== 0; start = this.table[slot]!) {
      if (this.numbers[start - 1] === wanted) return true;
      slot = (slot + 1) & this.mask;
    }
    return false;
  }
}

const MOST_MEMBERS = 2 ** 21;

function spread(number: number): number {
  const mixed = Math.imul(number ^ (number >>> 15), 0x2c1b3c6d);
  return mixed ^ (mixed >>> 13);
}

/**
 * Numbers by text, the text as bytes of some file: what was met before is found again without making a string of it.
 * Open addressing over a hash of the bytes; the texts lie end to end in one piece of memory.
 */
export class ByteTable {
  private arena = Buffer.alloc(1 << 20);
  private used = 0;
  private count = 0;
  /** Where each entry's text begins and how long it is, and its number. */
  private starts = new Int32Array(1 << 14);
  private sizes = new Int32Array(1 << 14);
  private hashes = new Int32Array(1 << 14);
  private values = new Int32Array(1 << 14);
  /** The entry found last. */
  private last = -1;
  /** Entry + 1 at each place; 0 where it is free. */
  private places = new Int32Array(1 << 15);

  /** Texts held. */
  get size(): number {
    return this.count;
  }

  /** Bytes of all texts together. */
  get bytes(): number {
    return this.used;
  }

  /** The number that stands for bytes `from` … `to`; −1 for a text that is not held. */
  find(bytes: Uint8Array, from: number, to: number): number {
    // Files are often sorted: what was asked for last is asked for again.
    if (this.last >= 0 && this.holds(this.last, bytes, from, to)) return this.values[this.last]!;
    const hash = hashOf(bytes, from, to);
    const mask = this.places.length - 1;
    for (let place = hash & mask; ; place = (place + 1) & mask) {
      const entry = this.places[place]! - 1;
      if (entry < 0) return -1;
      if (this.hashes[entry] === hash && this.holds(entry, bytes, from, to)) {
        this.last = entry;
        return this.values[entry]!;
      }
    }
  }

  /** Takes a text in that is not held yet. */
  add(bytes: Uint8Array, from: number, to: number, value: number): void {
    if (this.count === this.starts.length) this.grow();
    const size = to - from;
    if (this.used + size > this.arena.length) {
      const larger = Buffer.alloc(Math.max(this.arena.length * 2, this.used + size));
      larger.set(this.arena.subarray(0, this.used));
      this.arena = larger;
    }
    for (let at = 0; at < size; at++) this.arena[this.used + at] = bytes[from + at]!;
    const entry = this.count++;
    this.starts[entry] = this.used;
    this.sizes[entry] = size;
    this.hashes[entry] = hashOf(bytes, from, to);
    this.values[entry] = value;
    this.used += size;
    this.put(entry);
  }

  private holds(entry: number, bytes: Uint8Array, from: number, to: number): boolean {
    const size = to - from;
    if (this.sizes[entry] !== size) return false;
    const { arena } = this;
    const start = this.starts[entry]!;
    // From its end: texts of a sorted file begin alike.
    for (let at = size - 1; at >= 0; at--) if (arena[start + at] !== bytes[from + at]) return false;
    return true;
  }

  private put(entry: number): void {
    const mask = this.places.length - 1;
    let place = this.hashes[entry]! & mask;
    while (this.places[place] !== 0) place = (place + 1) & mask;
    this.places[place] = entry + 1;
  }

  private grow(): void {
    const larger = (column: Int32Array): Int32Array<ArrayBuffer> => {
      const next = new Int32Array(column.length * 2);
      next.set(column);
      return next;
    };
    this.starts = larger(this.starts);
    this.sizes = larger(this.sizes);
    this.hashes = larger(this.hashes);
    this.values = larger(this.values);
    this.places = new Int32Array(this.starts.length * 2);
    for (let entry = 0; entry < this.count; entry++) this.put(entry);
  }
}

/** In the way of FNV-1a, but four bytes at a time; its upper bits are stirred into the lower ones. */
function hashOf(bytes: Uint8Array, from: number, to: number): number {
  let hash = 0x811c9dc5 ^ (to - from);
  let at = from;
  for (; at + 4 <= to; at += 4) {
    const four = bytes[at]! | (bytes[at + 1]! << 8) | (bytes[at + 2]! << 16) | (bytes[at + 3]! << 24);
    hash = Math.imul(hash ^ four, 0x01000193);
    hash ^= hash >>> 15;
  }
  for (; at < to; at++) hash = Math.imul(hash ^ bytes[at]!, 0x01000193);
  return hash ^ (hash >>> 15);
}

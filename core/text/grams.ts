/** One run of words: how many keywords hold it, and how often those are searched together. */
export interface Gram {
  text: string;
  /** Words in it: 1, 2 or 3. */
  length: number;
  keywords: number;
  /** Searches a month of all keywords that hold it; unknown volumes count nothing. */
  volume: number;
}

const LONGEST = 3;
const TOLD_EVERY = 20_000;

/**
 * Frequencies of 1-, 2- and 3-grams (method §13): each counts once for a keyword, however often it stands in it. Runs
 * held by fewer than `least` keywords are left out, and so is what could only be rarer: that bounds the memory.
 *
 * Written as a generator so that whoever runs it decides when to go on: it yields the share that is done, 0–1, and
 * returns the grams, the most frequent first, ties by text.
 *
 * @param keys keyword keys (§1) with a line end between each two: a string for each of a million would cost more than
 *   the counting
 * @param volumes searches a month of each key, NaN where unknown
 */
export function* countGrams(keys: string, volumes: ArrayLike<number>, least = 2): Generator<number, Gram[]> {
  const { names, ids, starts } = numbered(keys, volumes.length);
  yield 1 / (LONGEST + 1);
  const grams: Gram[] = [];
  // A run is told by the number of the run without its last word, and that of its last word.
  let texts: string[] = names;
  /** By where a run of the length before starts: its number among the frequent, −1 where it is rarer. */
  let runs: Int32Array = ids;
  for (let length = 1; length <= LONGEST; length++) {
    const tally = new Tally(length === 1 ? names.length : 0);
    const next = new Int32Array(ids.length).fill(-1);
    const byPair = new Map<number, number>();
    for (let n = 0; n < volumes.length; n++) {
      if (n % TOLD_EVERY === 0) yield (length + n / volumes.length) / (LONGEST + 1);
      for (let at = starts[n]!; at + length <= starts[n + 1]!; at++) {
        let run = ids[at]!;
        if (length > 1) {
          // Whatever holds a rarer run is rarer itself.
          const [before, after] = [runs[at]!, runs[at + 1]!];
          if (before < 0 || after < 0) continue;
          const pair = before * names.length + ids[at + length - 1]!;
          const known = byPair.get(pair);
          if (known === undefined) byPair.set(pair, (run = byPair.size));
          else run = known;
        }
        next[at] = run;
        tally.count(run, n, volumes[n]!);
      }
    }
    const renumbered = new Int32Array(tally.size).fill(-1);
    const kept: string[] = [];
    const take = (run: number, text: string): void => {
      if (tally.keywords[run]! < least) return;
      renumbered[run] = kept.push(text) - 1;
      grams.push({ text, length, keywords: tally.keywords[run]!, volume: tally.volumes[run]! });
    };
    if (length === 1) names.forEach((name, run) => take(run, name));
    else
      for (const [pair, run] of byPair)
        take(run, `${texts[Math.floor(pair / names.length)]!} ${names[pair % names.length]!}`);
    for (let at = 0; at < next.length; at++) if (next[at]! >= 0) next[at] = renumbered[next[at]!]!;
    [runs, texts] = [next, kept];
  }
  return grams.sort((a, b) => b.keywords - a.keywords || (a.text < b.text ? -1 : 1));
}

const SPACE = 32;
const LINE_END = 10;

/** Words of all keys as numbers, end to end; `starts` says where each key begins, and at last where the last one ends. */
function numbered(keys: string, size: number): { names: string[]; ids: Int32Array; starts: Int32Array } {
  const vocabulary = new Vocabulary(keys);
  const starts = new Int32Array(size + 1);
  let ids = new Int32Array(size * 4 + 16);
  let filled = 0;
  let line = 0;
  let from = 0;
  let hash = FNV_START;
  for (let at = 0; at <= keys.length && size > 0; at++) {
    const code = at < keys.length ? keys.charCodeAt(at) : LINE_END;
    if (code !== SPACE && code !== LINE_END) {
      hash = Math.imul(hash ^ code, FNV_PRIME);
      continue;
    }
    if (at > from) {
      if (filled === ids.length) ids = widened(ids);
      ids[filled++] = vocabulary.number(hash, from, at);
    }
    from = at + 1;
    hash = FNV_START;
    if (code === LINE_END) starts[++line] = filled;
  }
  return { names: vocabulary.names(), ids: ids.subarray(0, filled), starts };
}

const FNV_START = 0x811c9dc5;
const FNV_PRIME = 0x01000193;

/** Numbers of words by where they stand in a text, from 0 in the order of their first place: no string is made to ask. */
class Vocabulary {
  private starts = new Int32Array(1024);
  private ends = new Int32Array(1024);
  private hashes = new Int32Array(1024);
  /** Open addressing: number + 1, 0 for empty; at least half of it is empty. */
  private table = new Int32Array(2048);
  private size = 0;

  constructor(private readonly text: string) {}

  number(hash: number, from: number, to: number): number {
    let slot = hash & (this.table.length - 1);
    for (let entry = this.table[slot]!; entry !== 0; entry = this.table[slot]!) {
      if (this.hashes[entry - 1] === hash && this.isSame(entry - 1, from, to)) return entry - 1;
      slot = (slot + 1) & (this.table.length - 1);
    }
    if (this.size === this.starts.length) {
      this.grow();
      return this.number(hash, from, to);
    }
    this.starts[this.size] = from;
    this.ends[this.size] = to;
    this.hashes[this.size] = hash;
    this.table[slot] = ++this.size;
    return this.size - 1;
  }

  names(): string[] {
    return Array.from({ length: this.size }, (_, n) => this.text.slice(this.starts[n], this.ends[n]));
  }

  private isSame(number: number, from: number, to: number): boolean {
    const start = this.starts[number]!;
    if (this.ends[number]! - start !== to - from) return false;
    for (let at = from; at < to; at++)
      if (this.text.charCodeAt(at) !== this.text.charCodeAt(start + at - from)) return false;
    return true;
  }

  private grow(): void {
    [this.starts, this.ends, this.hashes] = [widened(this.starts), widened(this.ends), widened(this.hashes)];
    this.table = new Int32Array(this.table.length * 2);
    for (let n = 0; n < this.size; n++) {
      let slot = this.hashes[n]! & (this.table.length - 1);
      while (this.table[slot] !== 0) slot = (slot + 1) & (this.table.length - 1);
      this.table[slot] = n + 1;
    }
  }
}

function widened(column: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const wider = new Int32Array(column.length * 2);
  wider.set(column);
  return wider;
}

/** Counts of runs by number: keywords that hold each, and their searches together. */
class Tally {
  keywords: Int32Array;
  volumes: Float64Array;
  size = 0;
  /** The keyword that was counted last for each, so that none counts twice. */
  private last: Int32Array;

  constructor(expected: number) {
    const room = Math.max(1024, expected);
    this.keywords = new Int32Array(room);
    this.volumes = new Float64Array(room);
    this.last = new Int32Array(room).fill(-1);
  }

  count(run: number, keyword: number, volume: number): void {
    if (run >= this.keywords.length) this.grow();
    if (run >= this.size) this.size = run + 1;
    if (this.last[run] === keyword) return;
    this.last[run] = keyword;
    this.keywords[run]!++;
    if (volume === volume) this.volumes[run]! += volume;
  }

  private grow(): void {
    const room = this.keywords.length * 2;
    const [keywords, volumes, last] = [
      new Int32Array(room),
      new Float64Array(room),
      new Int32Array(room).fill(-1),
    ];
    keywords.set(this.keywords);
    volumes.set(this.volumes);
    last.set(this.last);
    [this.keywords, this.volumes, this.last] = [keywords, volumes, last];
  }
}

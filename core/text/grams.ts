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
 * @param keys keyword keys (§1)
 * @param volumes searches a month by keyword, NaN where unknown
 */
export function* countGrams(
  keys: readonly string[],
  volumes: ArrayLike<number>,
  least = 2,
): Generator<number, Gram[]> {
  const { names, ids, starts } = numbered(keys);
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
    for (let n = 0; n < keys.length; n++) {
      if (n % TOLD_EVERY === 0) yield (length + n / keys.length) / (LONGEST + 1);
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

/** Words of all keys as numbers, end to end; `starts` says where each key begins, and at last where the last one ends. */
function numbered(keys: readonly string[]): { names: string[]; ids: Int32Array; starts: Int32Array } {
  const numbers = new Map<string, number>();
  const names: string[] = [];
  const starts = new Int32Array(keys.length + 1);
  let ids = new Int32Array(keys.length * 4 + 16);
  let filled = 0;
  keys.forEach((key, n) => {
    starts[n] = filled;
    for (let from = 0; from < key.length;) {
      const space = key.indexOf(' ', from);
      const to = space < 0 ? key.length : space;
      const word = key.slice(from, to);
      let number = numbers.get(word);
      if (number === undefined) numbers.set(word, (number = names.push(word) - 1));
      if (filled === ids.length) {
        const larger = new Int32Array(ids.length * 2);
        larger.set(ids);
        ids = larger;
      }
      ids[filled++] = number;
      from = to + 1;
    }
  });
  starts[keys.length] = filled;
  return { names, ids: ids.subarray(0, filled), starts };
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

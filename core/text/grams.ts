import { words } from './key';

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
  const grams: Gram[] = [];
  let shorter: ReadonlyMap<string, Tally> | null = null;
  for (let length = 1; length <= LONGEST; length++) {
    const tallies = new Map<string, Tally>();
    for (let n = 0; n < keys.length; n++) {
      if (n % TOLD_EVERY === 0) yield (length - 1 + n / keys.length) / LONGEST;
      tallyKeyword(words(keys[n]!), n, volumes[n]!, length, shorter, tallies);
    }
    const frequent = new Map<string, Tally>();
    for (const [text, tally] of tallies) if (tally.keywords >= least) frequent.set(text, tally);
    for (const [text, { keywords, volume }] of frequent) grams.push({ text, length, keywords, volume });
    shorter = frequent;
  }
  return grams.sort((a, b) => b.keywords - a.keywords || (a.text < b.text ? -1 : 1));
}

interface Tally {
  keywords: number;
  volume: number;
  /** The keyword that was counted last, so that none counts twice. */
  last: number;
}

function tallyKeyword(
  own: readonly string[],
  keyword: number,
  volume: number,
  length: number,
  shorter: ReadonlyMap<string, Tally> | null,
  tallies: Map<string, Tally>,
): void {
  for (let start = 0; start + length <= own.length; start++) {
    const text = length === 1 ? own[start]! : own.slice(start, start + length).join(' ');
    if (shorter !== null) {
      const first = length === 2 ? own[start]! : `${own[start]!} ${own[start + 1]!}`;
      if (!shorter.has(first) || !shorter.has(text.slice(own[start]!.length + 1))) continue;
    }
    let tally = tallies.get(text);
    if (tally === undefined) tallies.set(text, (tally = { keywords: 0, volume: 0, last: -1 }));
    if (tally.last === keyword) continue;
    tally.last = keyword;
    tally.keywords++;
    if (volume === volume) tally.volume += volume;
  }
}

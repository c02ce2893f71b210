import { words } from './key';

/** For each key: in how many other keys it stands as a phrase, and how often those are searched together. */
export interface Containing {
  counts: Uint32Array;
  volumes: Float64Array;
  /** Index of the longest other key that stands in it: of the most words, then letters, then the first; −1 without one. */
  parents: Int32Array;
}

/**
 * Short keywords in longer ones, word order kept (§1): a key counts for each key in which its words stand next to each
 * other, once however often. Unknown volumes add nothing. A million keys take some seconds.
 *
 * @param keys keyword keys, each once
 * @param volumes searches a month, NaN where unknown
 */
export function containing(keys: readonly string[], volumes: ArrayLike<number>): Containing {
  const indexOf = new Map<string, number>();
  keys.forEach((key, index) => {
    indexOf.set(key, index);
  });
  const counts = new Uint32Array(keys.length);
  const sums = new Float64Array(keys.length);
  const last = new Int32Array(keys.length).fill(-1);
  const parents = new Int32Array(keys.length).fill(-1);
  for (let index = 0; index < keys.length; index++) {
    const own = words(keys[index]!);
    let [longest, letters] = [0, 0];
    for (let start = 0; start < own.length; start++) {
      let run = '';
      for (let end = start; end < own.length; end++) {
        run = end === start ? own[end]! : `${run} ${own[end]!}`;
        const shorter = indexOf.get(run);
        if (shorter === undefined || shorter === index || last[shorter] === index) continue;
        last[shorter] = index;
        counts[shorter]!++;
        const volume = volumes[index]!;
        if (volume === volume) sums[shorter]! += volume;
        const length = end - start + 1;
        if (length < longest || (length === longest && run.length <= letters)) continue;
        [longest, letters, parents[index]] = [length, run.length, shorter];
      }
    }
  }
  return { counts, volumes: sums, parents };
}

/**
 * Grain: words of a key beyond those of the seed keyword it is nearest to. Fillers count: they are words too.
 * @returns whole number from 0; NaN without seeds
 * @example grain('red bike bag', ['bike bag', 'pannier']) // 1
 */
export function grain(key: string, seeds: readonly string[]): number {
  const own = words(key);
  return seeds.reduce((least, seed) => {
    const given = new Set(words(seed));
    const beyond = own.filter((word) => !given.has(word)).length;
    return Number.isNaN(least) ? beyond : Math.min(least, beyond);
  }, NaN);
}

/** What decides between two keywords; unknown figures are `null`. */
export interface KeywordStanding {
  key: string;
  /** Searches a month. */
  volume: number | null;
  priority: number | null;
  /** What priority is made of: searches a month to come, clicks added, their value less what they cost, worth of a click, fit, days of work. */
  demand: number | null;
  gain: number | null;
  value: number | null;
  worth: number;
  fit: number;
  effort: number;
}

export interface Decision {
  /** Which is ahead: 0 the first, 1 the second. */
  ahead: 0 | 1;
  by: 'priority' | 'volume' | 'key';
  /** Factors in which it is ahead and in which it is behind, with how many times as good, the largest first. */
  for: { factor: string; times: number }[];
  against: { factor: string; times: number }[];
}

/**
 * Which of two keywords goes first (method §8): the higher priority; of equal or unknown ones the larger volume, then
 * the smaller key. What is known goes before what is unknown. The factors multiply, so that each is told as a ratio.
 */
export function compareTwo(a: KeywordStanding, b: KeywordStanding): Decision {
  const byPriority = order(a.priority, b.priority);
  const byVolume = order(a.volume, b.volume);
  const by = byPriority !== 0 ? 'priority' : byVolume !== 0 ? 'volume' : 'key';
  const sign = byPriority || byVolume || (a.key < b.key ? 1 : -1);
  const ahead = sign > 0 ? 0 : 1;
  const [winner, loser] = ahead === 0 ? [a, b] : [b, a];
  const told = FACTORS.flatMap(([factor, read]) => {
    const [ours, theirs] = [read(winner), read(loser)];
    return ours === null || theirs === null || ours <= 0 || theirs <= 0 || ours === theirs
      ? []
      : [{ factor, times: ours / theirs }];
  });
  const strongest = (x: { times: number }, y: { times: number }): number =>
    Math.abs(Math.log(y.times)) - Math.abs(Math.log(x.times));
  return {
    ahead,
    by,
    for: told.filter(({ times }) => times > 1).sort(strongest),
    against: told
      .filter(({ times }) => times < 1)
      .map(({ factor, times }) => ({ factor, times: 1 / times }))
      .sort(strongest),
  };
}

const FACTORS: [string, (of: KeywordStanding) => number | null][] = [
  ['demand', ({ demand }) => demand],
  ['clicks added of each search', ({ gain, demand }) => (gain === null || !demand ? null : gain / demand)],
  ['worth of a click', ({ worth }) => worth],
  ['fit', ({ fit }) => fit],
  ['left after cost', leftAfterCost],
  ['less effort', ({ effort }) => (effort > 0 ? 1 / effort : null)],
];

/** Value as a share of what the clicks are worth; below 1 where they are paid for. */
function leftAfterCost({ gain, value, worth, fit }: KeywordStanding): number | null {
  if (gain === null || value === null) return null;
  const brought = gain * worth * fit;
  // The same but for rounding: nothing was paid.
  return brought > 0 && Math.abs(value / brought - 1) > 1e-9 ? value / brought : 1;
}

/** Above 0 where the first is ahead; unknown is behind all that is known. */
function order(a: number | null, b: number | null): number {
  return (a ?? -Infinity) === (b ?? -Infinity) ? 0 : (a ?? -Infinity) - (b ?? -Infinity) > 0 ? 1 : -1;
}

/**
 * How many of the first so many of one front stand in the first so many of the other.
 * @param a addresses by position
 */
export function frontOverlap(a: readonly string[], b: readonly string[], most = 10): string[] {
  const there = new Set(b.slice(0, most));
  return [...new Set(a.slice(0, most))].filter((address) => there.has(address));
}

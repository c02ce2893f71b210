import type { Solver } from '../rounds/fillRound';
import { type Unit, measure } from './measure';

/** A keyword with the words of it that no field holds yet, as typed. */
export interface PackedKeyword {
  missing: readonly string[];
  volume: number;
}
export interface SlotLimits {
  slots: number;
  most: number;
  unit: Unit;
}
export interface Packed {
  /** One line a slot; empty slots are left out. */
  slots: string[];
  words: string[];
  /** Σ searches of the keywords that come to be held whole or spread, and how many these are. */
  volume: number;
  keywords: number;
  /** The words that would come next: what they bring, and the room that is lacking for them. */
  next: { words: string[]; volume: number; lacking: number } | null;
}

/** More words than this are chosen greedily. */
const MOST_EXACT = 150;

/**
 * Words for hidden slots (method §12): those that complete keywords of most searches, joined by single spaces, none twice, each
 * slot within its limit. Exact to 150 words, greedy beyond; into slots by first fit, the longest first.
 *
 * @param keywords each with at least one missing word; others are passed over
 */
export function packSlots(keywords: readonly PackedKeyword[], limits: SlotLimits, solver: Solver): Packed {
  const { slots, most, unit } = limits;
  const size = (word: string): number => measure(word, unit);
  const open = keywords.filter(
    ({ missing, volume }) => volume > 0 && missing.length > 0 && missing.every((word) => size(word) <= most),
  );
  const words = [...new Set(open.flatMap(({ missing }) => missing))];
  // Each word takes a space with it, but the last of each slot; what cannot be laid into slots so tightly is given less room.
  let room = slots * (most + 1);
  for (;;) {
    const chosen =
      words.length <= MOST_EXACT ? exact(open, words, size, room, solver) : greedy(open, size, room);
    const laid = firstFit(chosen, size, slots, most);
    if (laid !== null) return told(open, chosen, laid, size, slots, most);
    const used = chosen.reduce((sum, word) => sum + size(word) + 1, 0);
    room = used - 1;
  }
}

function exact(
  keywords: readonly PackedKeyword[],
  words: readonly string[],
  size: (word: string) => number,
  room: number,
  solver: Solver,
): string[] {
  if (words.length === 0) return [];
  const number = new Map(words.map((word, n) => [word, n]));
  // Keywords that lack the same words are one.
  const groups = new Map<string, { words: number[]; volume: number }>();
  for (const { missing, volume } of keywords) {
    const own = [...new Set(missing.map((word) => number.get(word)!))].sort((a, b) => a - b);
    const group = groups.get(own.join());
    if (group) group.volume += volume;
    else groups.set(own.join(), { words: own, volume });
  }
  const all = [...groups.values()];
  const lines = [
    'Maximize',
    // A little less for each word: none is taken that completes nothing.
    ` obj: ${[...all.map(({ volume }, n) => `+ ${volume.toFixed(6)} k${n}`), ...words.map((_, n) => `- 0.000001 w${n}`)].join('\n   ')}`,
    'Subject To',
    ...all.flatMap((group, n) => group.words.map((word) => ` c${n}_${word}: k${n} - w${word} <= 0`)),
    ` room: ${words.map((word, n) => `+ ${size(word) + 1} w${n}`).join('\n   ')} <= ${room}`,
    'Bounds',
    ...all.map((_, n) => ` 0 <= k${n} <= 1`),
    'Binary',
    ...words.map((_, n) => ` w${n}`),
    'End',
  ];
  const { Columns } = solver.solve(lines.join('\n'), { time_limit: 5 });
  return words.filter(
    (_, n) => Number((Columns[`w${n}`] as { Primal?: number } | undefined)?.Primal ?? 0) > 0.5,
  );
}

/** What brings most for its room first, until nothing fits any more. */
function greedy(keywords: readonly PackedKeyword[], size: (word: string) => number, room: number): string[] {
  const chosen = new Set<string>();
  let left = room;
  for (;;) {
    let best: { words: string[]; ratio: number; needs: number } | null = null;
    for (const { missing, volume } of keywords) {
      const lacking = [...new Set(missing)].filter((word) => !chosen.has(word));
      const needs = lacking.reduce((sum, word) => sum + size(word) + 1, 0);
      if (lacking.length === 0 || needs > left) continue;
      const ratio = volume / needs;
      if (best === null || ratio > best.ratio) best = { words: lacking, ratio, needs };
    }
    if (best === null) return [...chosen];
    best.words.forEach((word) => chosen.add(word));
    left -= best.needs;
  }
}

/** Lays words into slots, the longest first, each into the first that has room; `null` where one finds none. */
function firstFit(
  words: readonly string[],
  size: (word: string) => number,
  slots: number,
  most: number,
): string[][] | null {
  const laid: { words: string[]; used: number }[] = Array.from({ length: slots }, () => ({
    words: [],
    used: 0,
  }));
  for (const word of [...words].sort((a, b) => size(b) - size(a) || (a < b ? -1 : 1))) {
    const slot = laid.find(({ words: own, used }) => used + (own.length > 0 ? 1 : 0) + size(word) <= most);
    if (!slot) return null;
    slot.used += (slot.words.length > 0 ? 1 : 0) + size(word);
    slot.words.push(word);
  }
  return laid.map((slot) => slot.words);
}

function told(
  keywords: readonly PackedKeyword[],
  chosen: readonly string[],
  laid: readonly string[][],
  size: (word: string) => number,
  slots: number,
  most: number,
): Packed {
  const held = new Set(chosen);
  const covered = keywords.filter(({ missing }) => missing.every((word) => held.has(word)));
  const left = slots * (most + 1) - chosen.reduce((sum, word) => sum + size(word) + 1, 0);
  let next: Packed['next'] = null;
  let best = 0;
  for (const { missing, volume } of keywords) {
    const lacking = [...new Set(missing)].filter((word) => !held.has(word));
    if (lacking.length === 0) continue;
    const needs = lacking.reduce((sum, word) => sum + size(word) + 1, 0);
    if (volume / needs > best) {
      best = volume / needs;
      next = { words: lacking, volume, lacking: Math.max(0, needs - Math.max(0, left)) };
    }
  }
  return {
    slots: laid.filter((words) => words.length > 0).map((words) => words.join(' ')),
    words: [...chosen],
    volume: covered.reduce((sum, { volume }) => sum + volume, 0),
    keywords: covered.length,
    next,
  };
}

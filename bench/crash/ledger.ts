/** What the server has confirmed, and what it may or may not have: a request that a kill cut off. */
export class Ledger {
  /** Last confirmed verdict of each keyword; others that may have come since. */
  readonly verdicts = new Map<number, { confirmed: string; perhaps: Set<string> }>();
  /** Lists, notes and the like by name: how many keywords, or 1. */
  readonly named = new Map<string, { table: 'keyword_list' | 'note'; confirmed: boolean }>();
  /** Last confirmed value of each setting, and values that may have come since. */
  readonly settings = new Map<string, { confirmed: number | null; perhaps: Set<number> }>();
  /** Imports by id: rows that each must have in the end. */
  readonly imports = new Map<number, number>();
  readonly jobs = new Set<number>();
  readonly archives = new Map<number, number>();
  readonly lookUps = new Set<number>();
}

/** Draws that can be had again from their seed. */
export function drawer(seed: number): { below: (n: number) => number; of: <T>(items: readonly T[]) => T } {
  let state = seed >>> 0;
  const below = (n: number): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * n);
  };
  return { below, of: (items) => items[below(items.length)]! };
}

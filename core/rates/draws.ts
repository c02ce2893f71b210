/** Seeded draws: the same seed gives the same ones on every machine. */
export interface Draws {
  /** Evenly from 0 to below 1. */
  even: () => number;
  /** Standard normal. */
  normal: () => number;
}

export function draws(seed: number): Draws {
  let state = seed | 0;
  const even = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  let spare: number | null = null;
  const normal = (): number => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    // Box and Muller; 1 − even() is never 0.
    const radius = Math.sqrt(-2 * Math.log(1 - even()));
    const angle = 2 * Math.PI * even();
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
  return { even, normal };
}

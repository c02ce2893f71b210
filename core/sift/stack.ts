/** What a stack of sieves did. */
export interface StackResult {
  /** Keywords that went into each step and that came out. */
  counts: { in: number; out: number }[];
  /** One byte a keyword: 1 where it came through. */
  passes: Uint8Array;
  /** One byte a keyword: number of the step that took it, 1 for the first; 0 where none did. */
  removedBy: Uint8Array;
}

export const MOST_STEPS = 60;

/**
 * Runs keywords through sieves one after another.
 *
 * @param size number of keywords
 * @param steps one byte a keyword for each step, 1 where it passes; `null` for a step that is off
 * @param rescued one byte a keyword, 1 where it comes through whatever the sieves say
 * @throws RangeError for more than {@link MOST_STEPS} steps
 */
export function runStack(
  size: number,
  steps: readonly (Uint8Array | null)[],
  rescued: Uint8Array | null,
): StackResult {
  if (steps.length > MOST_STEPS) throw new RangeError(`a recipe has at most ${MOST_STEPS} sieves`);
  const passes = new Uint8Array(size).fill(1);
  const removedBy = new Uint8Array(size);
  let left = size;
  const counts = steps.map((step, n) => {
    const before = left;
    if (step !== null) left -= take(passes, removedBy, step, rescued, n + 1);
    return { in: before, out: left };
  });
  return { counts, passes, removedBy };
}

/** Takes out what one step does not let through; how many that were. */
function take(
  passes: Uint8Array,
  removedBy: Uint8Array,
  step: Uint8Array,
  rescued: Uint8Array | null,
  number: number,
): number {
  let taken = 0;
  for (let i = 0; i < passes.length; i++) {
    if ((passes[i]! & (step[i]! ^ 1)) === 0 || (rescued !== null && rescued[i] === 1)) continue;
    passes[i] = 0;
    removedBy[i] = number;
    taken++;
  }
  return taken;
}

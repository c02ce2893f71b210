import type { RecipeStep } from '@opsimath/contract/api/sift';

/** The steps with one of them elsewhere; a place beyond the ends is the end. */
export function movedSteps(steps: readonly RecipeStep[], id: string, to: number): RecipeStep[] {
  const step = steps.find((other) => other.id === id);
  if (!step) return [...steps];
  const others = steps.filter((other) => other !== step);
  return others.toSpliced(Math.max(0, Math.min(others.length, to)), 0, step);
}

const STEPS = [1, 10, 50, 200] as const;

/** Step of the ochre ramp for a size of opportunity: 0 the lightest (or unknown), 4 the deepest. */
export function ochreOf(priority: number | null): number {
  if (priority === null) return 0;
  return STEPS.filter((step) => priority >= step).length;
}

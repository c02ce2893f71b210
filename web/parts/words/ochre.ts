const SHARES = [0.02, 0.08, 0.2, 0.5] as const;

/** Step of the ochre ramp for a size of opportunity against the largest: 0 the lightest (or unknown), 4 the deepest. */
export function ochreOf(priority: number | null, top: number): number {
  if (priority === null || top <= 0) return 0;
  return SHARES.filter((share) => priority >= share * top).length;
}

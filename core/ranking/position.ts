/**
 * A position as it is kept in columns (method §4): 1–250, or one of two marks that are never mixed up.
 * *Unknown*: no capture says anything. *Absent*: a capture was looked through to its depth, not found.
 */
export const UNKNOWN = 0;
export const ABSENT = 255;
/** The deepest position a column can hold. */
export const DEEPEST = 250;
/** Capture depth D unless the capture says otherwise. */
export const DEFAULT_DEPTH = 100;
/** The front F unless the project sets it. */
export const DEFAULT_FRONT = 10;

/** Whether a column value is a real position, neither absent nor unknown. */
export function isRanked(position: number): boolean {
  return position !== UNKNOWN && position !== ABSENT;
}

/**
 * The better of two column values for one side: a position beats absent, absent beats unknown
 * only when every other value is unknown too. `better(UNKNOWN, x)` is `x`.
 * @example better(3, 7) // 3
 */
export function better(a: number, b: number): number {
  if (a === UNKNOWN) return b;
  if (b === UNKNOWN) return a;
  return a < b ? a : b;
}

/** The depth bands of method §15, in order. */
export const DEPTH_BANDS = ['1–3', '4–10', '11–20', '21–50', '51–100', 'absent', 'unknown'] as const;
export type DepthBand = (typeof DEPTH_BANDS)[number];

/**
 * Index into {@link DEPTH_BANDS}. Positions deeper than 100 count with 51–100.
 *
 * @example depthBand(12) // 2
 */
export function depthBand(position: number): number {
  if (position === UNKNOWN) return 6;
  if (position === ABSENT) return 5;
  if (position <= 3) return 0;
  if (position <= 10) return 1;
  if (position <= 20) return 2;
  return position <= 50 ? 3 : 4;
}

import type { ClickCurve } from '../ranking/clickThrough';

/** fit of method §8 by verdict. */
export const FIT = { fit: 1, unjudged: 0.7, adjacent: 0.4, off: 0 } as const;

/**
 * Gain G in clicks a month (method §8): V · feature factor · max(0, c(p*) − c(own)).
 * NaN when V is unknown. `own` and `aim` are column values; own must not be unknown.
 */
export function gainInClicks(
  expectedVolume: number,
  factor: number,
  aim: number,
  own: number,
  curve: ClickCurve,
): number {
  return expectedVolume * factor * Math.max(0, curve[aim]! - curve[own]!);
}

/** Expected worth a month (method §8): E = chance · G · worth · fit, in the project's currency. */
export function expectedWorth(chance: number, gain: number, worth: number, fit: number): number {
  return chance * gain * worth * fit;
}

/** Priority (method §8): expected worth a month for a day of work. `effort` in days, above 0. */
export function priority(worthAMonth: number, effortDays: number): number {
  return worthAMonth / effortDays;
}

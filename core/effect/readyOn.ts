import { type EffectWindows, LEAST_DAYS } from './effectOf';

/**
 * The first day on which an effect can be told, when captures go on as they do.
 *
 * @param every days from one capture to the next; `null` where none are planned
 * @param have captures in the window after it so far
 * @returns day number; `null` where that will never be
 */
export function readyOn({
  day,
  today,
  windows,
  every,
  have,
}: {
  day: number;
  today: number;
  windows: EffectWindows;
  every: number | null;
  have: number;
}): number | null {
  if (every === null) return null;
  const first = Math.max(today + 1, day + windows.settle);
  const ready = first + (LEAST_DAYS - have - 1) * every;
  return ready <= day + windows.settle + windows.after - 1 ? ready : null;
}

import type { ClickCurve } from './clickThrough';
import { isOnFront } from './front';

/**
 * Whether a place on the front brings little (method §19): within F, and V·c(p) below a number of clicks a month. What is not
 * known to be searched is not said to bring little.
 *
 * @param expectedVolume V, searches a month; NaN where unknown
 * @param position column value
 */
export function bringsLittle(
  expectedVolume: number,
  position: number,
  curve: ClickCurve,
  { front, littleDemand }: { front: number; littleDemand: number },
): boolean {
  return isOnFront(position, front) && expectedVolume * curve[position]! < littleDemand;
}

/**
 * Whether an hour is a quiet one; quiet hours may pass midnight.
 *
 * @param hour 0–23, of the same clock as the limits
 * @example isQuiet({ quietFrom: 22, quietTo: 7 }, 3) // true
 */
export function isQuiet(
  { quietFrom, quietTo }: { quietFrom: number | null; quietTo: number | null },
  hour: number,
): boolean {
  if (quietFrom === null || quietTo === null || quietFrom === quietTo) return false;
  return quietFrom < quietTo ? hour >= quietFrom && hour < quietTo : hour >= quietFrom || hour < quietTo;
}

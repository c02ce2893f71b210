/**
 * A value as JSON with the names of every object in order, so that equal values give equal texts. What is undefined is left
 * out, as in any JSON.
 */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)))
      : part,
  );
}

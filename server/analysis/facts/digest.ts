/** A short name for a set of rows. */
export function digest(indices: Int32Array | readonly number[]): string {
  let number = indices.length;
  for (const i of indices) number = (Math.imul(number, 31) + i) | 0;
  return `${indices.length}:${number}`;
}

/** Rows on lines: the first of each group of variants, and the others of it in their order. */
export interface VariantLines {
  /** The row that each line stands for. */
  first: Int32Array;
  /** The others of a group, by its first; a row by itself has none. */
  others: ReadonlyMap<number, readonly number[]>;
}

/**
 * Puts variants on the line of the one that comes first (method §1, §8).
 * @param rows rows in the order in which they are shown
 * @param groupOf number of each row's group; negative for a row by itself
 * @example variantLines([4, 2, 7], row => (row === 2 ? -1 : 0)) // { first: Int32Array.of(4, 2), others: new Map([[4, [7]]]) }
 */
export function variantLines(rows: ArrayLike<number>, groupOf: (row: number) => number): VariantLines {
  const firstOf = new Map<number, number>();
  const first: number[] = [];
  const others = new Map<number, number[]>();
  for (let n = 0; n < rows.length; n++) {
    const row = rows[n]!;
    const group = groupOf(row);
    const head = group < 0 ? undefined : firstOf.get(group);
    if (head === undefined) {
      if (group >= 0) firstOf.set(group, row);
      first.push(row);
    } else {
      const held = others.get(head);
      if (held) held.push(row);
      else others.set(head, [row]);
    }
  }
  return { first: Int32Array.from(first), others };
}

/** A part of the lines, with the variants of opened ones below them. */
export function linesBetween(
  { first, others }: VariantLines,
  isOpened: (row: number) => boolean,
  from: number,
  most: number,
): { row: number; under: number | null }[] {
  const found: { row: number; under: number | null }[] = [];
  let line = 0;
  for (const row of first) {
    if (found.length >= most) break;
    const below = isOpened(row) ? (others.get(row) ?? []) : [];
    if (line + 1 + below.length > from) {
      if (line >= from) found.push({ row, under: null });
      for (let n = Math.max(0, from - line - 1); n < below.length && found.length < most; n++)
        found.push({ row: below[n]!, under: row });
    }
    line += 1 + below.length;
  }
  return found;
}

/** One of several orders: figures by row and the way they run. NaN is unknown and comes last both ways. */
export interface SortKey {
  figures: ArrayLike<number>;
  descending: boolean;
}

/**
 * Rows sorted by several keys, the first the most important; equal rows keep the order they come in. Figures are
 * compared as 32-bit floats. Radix sort: linear in the number of rows, nothing is compared.
 *
 * @param rows in the order that decides ties
 */
export function sortRows(rows: Int32Array, keys: readonly SortKey[]): Int32Array {
  let order = rows;
  for (let k = keys.length - 1; k >= 0; k--) order = sortByFigures(order, keys[k]!);
  return order;
}

/** Digits of 11, 11 and 10 bits: their counters stay in the processor's cache. */
const SHIFTS = [0, 11, 22] as const;
const DIGITS = 2048;
const MASK = DIGITS - 1;
const float = new Float32Array(1);
const bits = new Uint32Array(float.buffer);

function sortByFigures(rows: Int32Array, { figures, descending }: SortKey): Int32Array {
  const size = rows.length;
  const space = roomFor(size);
  let keys = orderedKeys(rows, figures, descending, space.keysA);
  const counts = SHIFTS.map(() => new Uint32Array(DIGITS));
  const [low, middle, high] = counts as [Uint32Array, Uint32Array, Uint32Array];
  for (let n = 0; n < size; n++) {
    const value = keys[n]!;
    low[value & MASK]!++;
    middle[(value >>> 11) & MASK]!++;
    high[value >>> 22]!++;
  }
  let order = rows;
  for (let pass = 0; pass < SHIFTS.length; pass++) {
    const starts = counts[pass]!;
    const shift = SHIFTS[pass]!;
    // Small whole numbers have nothing in their lower digits: there is nothing to sort by them.
    if (size === 0 || starts[(keys[0]! >>> shift) & MASK] === size) continue;
    startsOf(starts);
    const nextOrder = order === space.orderA ? space.orderB : space.orderA;
    const nextKeys = keys === space.keysA ? space.keysB : space.keysA;
    for (let n = 0; n < size; n++) {
      const value = keys[n]!;
      const at = starts[(value >>> shift) & MASK]!++;
      nextOrder[at] = order[n]!;
      nextKeys[at] = value;
    }
    order = nextOrder;
    keys = nextKeys;
  }
  return order.slice(0, size);
}

interface Space {
  keysA: Uint32Array;
  keysB: Uint32Array;
  orderA: Int32Array;
  orderB: Int32Array;
}
/** Room to work in, kept from sort to sort: getting fresh memory would take longer than sorting. */
let kept: Space | null = null;

function roomFor(size: number): Space {
  if (kept === null || kept.orderA.length < size) {
    kept = {
      keysA: new Uint32Array(size),
      keysB: new Uint32Array(size),
      orderA: new Int32Array(size),
      orderB: new Int32Array(size),
    };
  }
  return kept;
}

/** Figures of the rows as whole numbers in the same order; unknown becomes the largest either way. */
function orderedKeys(
  rows: Int32Array,
  figures: ArrayLike<number>,
  descending: boolean,
  keys: Uint32Array,
): Uint32Array {
  const values = new Float32Array(keys.buffer);
  for (let n = 0; n < rows.length; n++) values[n] = figures[rows[n]!]!;
  for (let n = 0; n < rows.length; n++) {
    const raw = keys[n]!;
    if ((raw & 0x7fffffff) > 0x7f800000) {
      keys[n] = 0xffffffff;
      continue;
    }
    // Bits of a float in the order of its value; zero has one sign.
    const whole = raw === 0x80000000 ? 0 : raw;
    const ordered = (whole & 0x80000000) !== 0 ? ~whole : whole | 0x80000000;
    keys[n] = descending ? ~ordered : ordered;
  }
  return keys;
}

/** Counts become the places where each digit's entries start. */
function startsOf(counts: Uint32Array): void {
  let sum = 0;
  for (let digit = 0; digit < DIGITS; digit++) {
    const count = counts[digit]!;
    counts[digit] = sum;
    sum += count;
  }
}

/** The figure as it is compared. */
export function asCompared(figure: number): number {
  float[0] = figure;
  return bits[0] === 0x80000000 ? 0 : float[0];
}

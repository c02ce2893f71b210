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

const DIGITS = 65_536;
const float = new Float32Array(1);
const bits = new Uint32Array(float.buffer);

function sortByFigures(rows: Int32Array, { figures, descending }: SortKey): Int32Array {
  const size = rows.length;
  const values = new Float32Array(size);
  const keys = new Uint32Array(values.buffer);
  const low = new Uint32Array(DIGITS);
  const high = new Uint32Array(DIGITS);
  for (let n = 0; n < size; n++) values[n] = figures[rows[n]!]!;
  for (let n = 0; n < size; n++) {
    const raw = keys[n]!;
    // Not a number: the largest key either way.
    const isNumber = (raw & 0x7fffffff) <= 0x7f800000;
    // Bits of a float in the order of its value; zero has one sign.
    const whole = raw === 0x80000000 ? 0 : raw;
    const ordered = (whole & 0x80000000) !== 0 ? ~whole >>> 0 : (whole | 0x80000000) >>> 0;
    const sorted = !isNumber ? 0xffffffff : descending ? ~ordered >>> 0 : ordered;
    keys[n] = sorted;
    low[sorted & 0xffff]!++;
    high[sorted >>> 16]!++;
  }
  startsOf(low);
  startsOf(high);
  const half = new Int32Array(size);
  const halfKeys = new Uint32Array(size);
  for (let n = 0; n < size; n++) {
    const sorted = keys[n]!;
    const at = low[sorted & 0xffff]!++;
    half[at] = rows[n]!;
    halfKeys[at] = sorted;
  }
  const done = new Int32Array(size);
  for (let n = 0; n < size; n++) done[high[halfKeys[n]! >>> 16]!++] = half[n]!;
  return done;
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

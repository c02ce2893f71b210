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
  for (let k = keys.length - 1; k >= 0; k--) {
    const { figures, descending } = keys[k]!;
    const most = mostOfWhole(order, figures);
    order = most >= 0 ? sortByCounting(order, figures, descending, most) : sortByFigures(order, keys[k]!);
  }
  return order;
}

/** The same, compared to the last digit: what is equal as a 32-bit float is looked at once more. */
export function sortRowsExactly(rows: Int32Array, keys: readonly SortKey[]): Int32Array {
  let order = rows;
  for (let k = keys.length - 1; k >= 0; k--) {
    const key = keys[k]!;
    order = sortRows(order, [key]);
    if (key.figures instanceof Float64Array) refine(order, key.figures, key.descending);
  }
  return order;
}

/** Sorts runs of figures that only their last digits tell apart; equal ones keep their order. */
function refine(order: Int32Array, figures: Float64Array, descending: boolean): void {
  for (let start = 0; start < order.length;) {
    const first = figures[order[start]!]!;
    const rounded = Math.fround(first);
    let end = start + 1;
    let differs = false;
    for (; end < order.length && Math.fround(figures[order[end]!]!) === rounded; end++)
      if (figures[order[end]!] !== first) differs = true;
    if (differs) {
      const run = Array.from(order.subarray(start, end));
      run.sort((a, b) => (descending ? figures[b]! - figures[a]! : figures[a]! - figures[b]!));
      order.set(run, start);
    }
    start = end;
  }
}

/** Positions, counts and most volumes are whole numbers below this: one walk sorts them. */
const MOST_COUNTED = 65_535;

/** The largest figure where all known ones are small whole numbers from 0 on; −1 where they are not. */
function mostOfWhole(rows: Int32Array, figures: ArrayLike<number>): number {
  let most = 0;
  for (let n = 0; n < rows.length; n++) {
    const figure = figures[rows[n]!]!;
    if (figure > most) most = figure;
    // Unknown differs from itself; anything else must be its own whole, and not below nought.
    if ((figure & MOST_COUNTED) !== figure && figure === figure) return -1;
  }
  return most;
}

function sortByCounting(
  rows: Int32Array,
  figures: ArrayLike<number>,
  descending: boolean,
  most: number,
): Int32Array {
  const unknown = most + 1;
  const starts = new Int32Array(unknown + 1);
  const places = new Int32Array(rows.length);
  for (let n = 0; n < rows.length; n++) {
    const figure = figures[rows[n]!]!;
    const place = figure !== figure ? unknown : descending ? most - figure : figure;
    places[n] = place;
    starts[place]!++;
  }
  startsOf(starts);
  const order = new Int32Array(rows.length);
  for (let n = 0; n < rows.length; n++) order[starts[places[n]!]!++] = rows[n]!;
  return order;
}

/** Two digits of 16 bits: fewer walks over the rows are worth more than counters that stay in the nearest cache. */
const SHIFTS = [0, 16] as const;
const DIGITS = 65_536;
const MASK = DIGITS - 1;
const float = new Float32Array(1);
const bits = new Uint32Array(float.buffer);

function sortByFigures(rows: Int32Array, { figures, descending }: SortKey): Int32Array {
  const size = rows.length;
  const space = roomFor(size);
  let keys = orderedKeys(rows, figures, descending, space.keysA);
  const counts = digitsOf(keys, size);
  let order = rows;
  for (let pass = 0; pass < SHIFTS.length; pass++) {
    const starts = counts[pass]!;
    const shift = SHIFTS[pass]!;
    // Whole numbers have nothing in their lower digits: there is nothing to sort by them.
    if (size === 0 || starts[(keys[0]! >>> shift) & MASK] === size) continue;
    startsOf(starts);
    const nextOrder = order === space.orderA ? space.orderB : space.orderA;
    const nextKeys = keys === space.keysA ? space.keysB : space.keysA;
    const isLast = pass === SHIFTS.length - 1;
    deal(size, starts, shift, { order, keys }, { order: nextOrder, keys: isLast ? null : nextKeys });
    order = nextOrder;
    keys = nextKeys;
  }
  return order.slice(0, size);
}

// Each long loop has a function of its own: within a larger one the engine would compile it anew at every call.

/** How often each digit occurs, in the lower place and in the higher. */
function digitsOf(keys: Uint32Array, size: number): [Uint32Array, Uint32Array] {
  const low = new Uint32Array(DIGITS);
  const high = new Uint32Array(DIGITS);
  for (let n = 0; n < size; n++) {
    const value = keys[n]!;
    low[value & MASK]!++;
    high[value >>> 16]!++;
  }
  return [low, high];
}

interface Dealt<Keys> {
  order: Int32Array;
  keys: Keys;
}

/** Puts each row where those of its digit begin, which then begin one later. */
function deal(
  size: number,
  starts: Uint32Array,
  shift: number,
  from: Dealt<Uint32Array>,
  to: Dealt<Uint32Array | null>,
): void {
  const { order, keys } = from;
  const { order: nextOrder, keys: nextKeys } = to;
  for (let n = 0; n < size; n++) {
    const value = keys[n]!;
    const at = starts[(value >>> shift) & MASK]!++;
    nextOrder[at] = order[n]!;
    if (nextKeys !== null) nextKeys[at] = value;
  }
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
function startsOf(counts: Uint32Array | Int32Array): void {
  let sum = 0;
  for (let digit = 0; digit < counts.length; digit++) {
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

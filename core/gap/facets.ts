/** One way of dividing rows. A row has some bits; it fits when any wanted one is among them, and when none is wanted. */
export interface Facet {
  /** One entry a row. */
  bits: ArrayLike<number>;
  /** Bits asked for; 0 lets every row through. */
  wanted: number;
  /** How many bits there are, at most 31. */
  size: number;
}

export interface Narrowed {
  /** 1 where a row fits every facet. */
  passes: Uint8Array;
  total: number;
  /** By facet and bit: how many rows there would be if that bit alone were wanted of the facet. */
  counts: Int32Array[];
}

/**
 * Narrows rows by several facets in one pass. Each count answers “how many would there be if this were chosen”: it
 * obeys every other facet but not its own, so that it says the same whatever is chosen of its own.
 *
 * @param size rows
 * @param also 1 where a row may pass at all; `null` for every one
 * @throws RangeError for a facet of more than 31 bits
 */
export function narrow(size: number, facets: readonly Facet[], also: Uint8Array | null): Narrowed {
  for (const facet of facets) if (facet.size > 31) throw new RangeError('A facet has at most 31 bits.');
  const passes = new Uint8Array(size);
  const misses = new Uint8Array(size);
  const missed = new Uint8Array(size);
  facets.forEach(({ bits, wanted }, number) => {
    if (wanted !== 0) noteMisses(bits, wanted, number, misses, missed);
  });
  const total = mark(passes, misses, also);
  const counts = facets.map((facet, number) => countBits(facet, number, { passes, misses, missed, also }));
  return { passes, total, counts };
}

// Each walk over all rows is a function of its own: within a larger one the engine would compile it anew at every call.

function noteMisses(
  bits: ArrayLike<number>,
  wanted: number,
  number: number,
  misses: Uint8Array,
  missed: Uint8Array,
): void {
  for (let i = 0; i < misses.length; i++) {
    if ((bits[i]! & wanted) !== 0) continue;
    misses[i]!++;
    missed[i] = number;
  }
}

function mark(passes: Uint8Array, misses: Uint8Array, also: Uint8Array | null): number {
  let total = 0;
  for (let i = 0; i < passes.length; i++) {
    if (misses[i] !== 0 || (also !== null && also[i] === 0)) continue;
    passes[i] = 1;
    total++;
  }
  return total;
}

/** Rows that miss no facet, or this one only. */
function countBits(
  { bits, size }: Facet,
  number: number,
  {
    misses,
    missed,
    also,
  }: Omit<Narrowed, 'total' | 'counts'> & {
    misses: Uint8Array;
    missed: Uint8Array;
    also: Uint8Array | null;
  },
): Int32Array {
  const counts = new Int32Array(size);
  for (let i = 0; i < misses.length; i++) {
    const many = misses[i]!;
    if (many > 1 || (many === 1 && missed[i] !== number) || (also !== null && also[i] === 0)) continue;
    for (let left = bits[i]!; left !== 0; left &= left - 1) counts[31 - Math.clz32(left & -left)]!++;
  }
  return counts;
}

import { type GapMark, type GapQueryRead, gapMark } from '@opsimath/contract/api/gaps';
import { GAP_KINDS, isNear } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import type { Comparison } from './comparison';

const MARKS: readonly GapMark[] = gapMark.options;

/** Which rows pass, and how many there would be of each kind, paid state and mark. */
export interface Filtered {
  passes: Uint8Array;
  total: number;
  kinds: number[];
  paid: number[];
  marks: number[];
}

/**
 * One pass over the rows. Each count answers "how many would there be if this were chosen": it obeys every
 * other group of the filter but not its own.
 * @param found ids of keywords that contain the sought text; `null` when nothing is sought
 */
export function applyFilter(
  comparison: Comparison,
  filter: Pick<GapQueryRead, 'kinds' | 'paid' | 'marks'>,
  found: ReadonlySet<number> | null,
): Filtered {
  const { gaps, columns, keywords } = comparison;
  const wantedKinds = flags(GAP_KINDS, filter.kinds);
  const wantedPaid = flags(PAID_STATES, filter.paid);
  const wantedMarks = filter.marks.reduce((bits, mark) => bits | (1 << MARKS.indexOf(mark)), 0);
  const result: Filtered = {
    passes: new Uint8Array(keywords.length),
    total: 0,
    kinds: new Array<number>(GAP_KINDS.length).fill(0),
    paid: new Array<number>(PAID_STATES.length).fill(0),
    marks: new Array<number>(MARKS.length).fill(0),
  };
  for (let i = 0; i < keywords.length; i++) {
    if (found !== null && !found.has(keywords[i]!)) continue;
    const kind = gaps.kind[i]!;
    const paid = gaps.paid[i]!;
    const marks = marksOf(kind, columns.ownOrganic[i]!, gaps.doubling[i]!, gaps.movement[i]!);
    const kindFits = wantedKinds === null || wantedKinds[kind]!;
    const paidFits = wantedPaid === null || wantedPaid[paid]!;
    const marksFit = wantedMarks === 0 || (marks & wantedMarks) !== 0;
    if (paidFits && marksFit) result.kinds[kind]!++;
    if (kindFits && marksFit) result.paid[paid]!++;
    if (kindFits && paidFits)
      for (let bit = 0; bit < MARKS.length; bit++) if (marks & (1 << bit)) result.marks[bit]!++;
    if (kindFits && paidFits && marksFit) {
      result.passes[i] = 1;
      result.total++;
    }
  }
  return result;
}

/** The marks of a row as bits in the order of the contract's list. */
function marksOf(kind: number, own: number, doubling: number, movement: number): number {
  return (isNear(kind, own) ? 1 : 0) | (doubling ? 2 : 0) | (movement > 0 ? 2 << movement : 0);
}

// marksOf counts on this order.
if (MARKS.join() !== ['near', 'doubling', ...MOVEMENT_MARKS.slice(1)].join())
  throw new Error('Marks are out of order.');

function flags(all: readonly string[], wanted: readonly string[]): boolean[] | null {
  return wanted.length === 0 ? null : all.map((name) => wanted.includes(name));
}

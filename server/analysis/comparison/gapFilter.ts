import { ACTIONS } from '@opsimath/core/gap/action';
import type { GapFilterRead } from '@opsimath/contract/api/gapQuery';
import {
  GAP_FACETS,
  GAP_MARKS,
  type GapFacet,
  type GapMark,
  HELD_NAMES,
} from '@opsimath/contract/api/gapChoices';
import { type Facet, type Narrowed, narrow } from '@opsimath/core/gap/facets';
import { GAP_KINDS, isNear } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { isOnFront } from '@opsimath/core/ranking/front';
import { bringsLittle } from '@opsimath/core/ranking/littleDemand';
import { DEPTH_BANDS, depthBand } from '@opsimath/core/ranking/position';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { keywordIdsContaining } from '../../data/keywords';
import { listById, listMembers } from '../../data/lists';
import { filled } from '../facts/columnMaps';
import { clustersOf } from './gapClusters';
import type { Comparison } from './comparison';
import { gapFigures } from './gapFigures';
import { ownPageKinds } from './ownPageKinds';
import type { Workspace } from '../kept/workspace';

const LITTLE = 1 << GAP_MARKS.indexOf('little demand');
const BLOCK = 1 << GAP_MARKS.indexOf('block to take');
const BY_HAND = 1 << GAP_MARKS.indexOf('by hand');
const DEFENCE = 1 << GAP_MARKS.indexOf('defence');
const SEVERAL = 1 << GAP_MARKS.indexOf('several of ours');
const SLIPPING = MOVEMENT_MARKS.indexOf('slipping');
/** What each row has of what is the comparison's own; purposes are read in a pool. */
type RowBits = Record<Exclude<GapFacet, 'purposes'>, ArrayLike<number>>;

/** Which rows pass, and how many there would be of each kind, paid state, mark… */
export type Filtered = Pick<Narrowed, 'passes' | 'total'> &
  Record<keyof RowBits, Int32Array> & {
    /** Only where purposes were read. */
    purposes?: Int32Array;
  };

/** Each count answers "how many would there be if this were chosen": it obeys every other group but not its own. */
export async function applyFilter(
  workspace: Workspace,
  comparison: Comparison,
  filter: GapFilterRead,
  purposes: Uint8Array | null = null,
): Promise<Filtered> {
  // What nobody has read divides nothing, and is not walked through.
  const bits: RowBits & { purposes?: Uint8Array } = {
    ...facetBits(comparison),
    ...(purposes && { purposes }),
  };
  const rivals = comparison.sides.rivals.map(({ id }) => id);
  const chosen: Record<GapFacet, { all: readonly unknown[]; wanted: readonly unknown[] }> = {
    kinds: { all: GAP_KINDS, wanted: filter.kinds },
    paid: { all: PAID_STATES, wanted: filter.paid },
    marks: { all: GAP_MARKS, wanted: filter.marks },
    rivals: { all: rivals, wanted: filter.rivals },
    bands: { all: DEPTH_BANDS, wanted: filter.bands },
    pageKinds: { all: PAGE_KINDS, wanted: filter.pageKinds },
    names: { all: HELD_NAMES, wanted: filter.names },
    purposes: { all: PURPOSES, wanted: filter.purposes },
    verdicts: { all: VERDICTS, wanted: filter.verdicts },
    actions: { all: ACTIONS, wanted: filter.actions },
  };
  const read = GAP_FACETS.filter((name) => bits[name] !== undefined);
  const facets = read.map((name): Facet => {
    const { all, wanted } = chosen[name];
    const mask = wanted.reduce<number>((sum, item) => sum | bitOf(all, item), 0);
    return { bits: bits[name]!, wanted: mask, size: all.length };
  });
  const also = await allowed(workspace, comparison, filter);
  const { passes, total, counts } = narrow(comparison.keywords.length, facets, also);
  const named = Object.fromEntries(read.map((name, n) => [name, counts[n]!]));
  return { passes, total, ...named } as Filtered;
}

/** What is not among all cannot be wanted: a rival that is gone, say. */
function bitOf(all: readonly unknown[], item: unknown): number {
  const at = all.indexOf(item);
  return at < 0 ? 0 : 1 << at;
}

/** What a row is marked with. */
export function marksOfRow(comparison: Comparison, i: number): GapMark[] {
  const bits = facetBits(comparison).marks[i]!;
  return GAP_MARKS.filter((_, mark) => (bits & (1 << mark)) !== 0);
}

const kept = new WeakMap<Comparison, RowBits>();

function facetBits(comparison: Comparison): RowBits {
  let bits = kept.get(comparison);
  if (!bits) kept.set(comparison, (bits = makeBits(comparison)));
  return bits;
}

function makeBits(comparison: Comparison): RowBits {
  const { gaps, columns, verdicts, project, curve, openBlocks, byHand, keywords, names } = comparison;
  const { front } = project.settings;
  const size = gaps.kind.length;
  const marks = new Uint16Array(size);
  const toLose = gapFigures(comparison, 'to lose');
  const rivals = new Int32Array(size);
  for (let i = 0; i < size; i++) {
    const own = columns.ownOrganic[i]!;
    marks[i] = marksOf(gaps.kind[i]!, own, gaps.doubling[i]!, gaps.movement[i]!);
    if (bringsLittle(columns.expectedVolume[i]!, own, curve, project.settings)) marks[i]! |= LITTLE;
    if (isOnFront(own, front)) {
      if (openBlocks[i] !== 0) marks[i]! |= BLOCK;
      // Slipping, or sooner off the front than on it: expected to be lost if nothing is done.
      const falling = gaps.movement[i] === SLIPPING || columns.asIs.chance[i]! < 0.5;
      if (falling && toLose[i]! > 0) marks[i]! |= DEFENCE;
    }
    if (columns.ownTargets[i]! > 1) marks[i]! |= SEVERAL;
    if (byHand.size > 0 && byHand.has(keywords[i]!)) marks[i]! |= BY_HAND;
    let held = 0;
    for (let rival = 0; rival < columns.rivalOrganic.length; rival++) {
      const position = columns.rivalOrganic[rival]![i]!;
      if (isOnFront(position, front)) held |= 1 << rival;
    }
    rivals[i] = held;
  }
  const oneBit = (codes: Uint8Array): Uint16Array =>
    filled(new Uint16Array(codes.length), (i) => 1 << codes[i]!);
  return {
    kinds: oneBit(gaps.kind),
    paid: oneBit(gaps.paid),
    marks,
    rivals,
    bands: filled(new Uint8Array(size), (i) => 1 << depthBand(columns.ownOrganic[i]!)),
    pageKinds: pageKindBits(comparison),
    // Neither of ours nor of a rival: the third.
    names: filled(new Uint8Array(size), (i) => names[i]! || 4),
    verdicts: oneBit(verdicts),
    actions: oneBit(gaps.action),
  };
}

/** Nothing where none of ours ranks, and on surfaces that have no pages. */
function pageKindBits({ now, rows, ...comparison }: Comparison): Uint16Array {
  const bits = new Map(
    [...ownPageKinds(comparison)].map(([id, kind]) => [id, 1 << PAGE_KINDS.indexOf(kind)]),
  );
  return filled(new Uint16Array(rows.length), (i) => bits.get(now.ownPlace[rows[i]!]!) ?? 0);
}

/** The marks of a row as bits in the order of the contract's list. */
function marksOf(kind: number, own: number, doubling: number, movement: number): number {
  return (isNear(kind, own) ? 1 : 0) | (doubling ? 2 : 0) | (movement > 0 ? 2 << movement : 0);
}

// marksOf counts on this order.
if (
  GAP_MARKS.join() !==
  [
    'near',
    'doubling',
    ...MOVEMENT_MARKS.slice(1),
    'little demand',
    'block to take',
    'by hand',
    'defence',
    'several of ours',
  ].join()
)
  throw new Error('Marks are out of order.');

/** What is no group with counts: text, numbers, a list, a cluster, a target. `null` lets everything through. */
async function allowed(
  workspace: Workspace,
  comparison: Comparison,
  { find, limits, inList, cluster, target, chosen }: GapFilterRead,
): Promise<Uint8Array | null> {
  const { keywords, market, project } = comparison;
  const tests: Uint8Array[] = [];
  const of = (ids: Iterable<number>): Uint8Array => {
    const wanted = new Set(ids);
    return filled(new Uint8Array(keywords.length), (i) => (wanted.has(keywords[i]!) ? 1 : 0));
  };
  if (chosen.length > 0) tests.push(of(chosen));
  if (find.trim() !== '') tests.push(of(await keywordIdsContaining(workspace.database, market.id, find)));
  if (inList !== undefined) {
    await listById(workspace.database, project.id, inList);
    tests.push(of(await listMembers(workspace.database, inList)));
  }
  if (cluster !== undefined) {
    const clusters = await clustersOf(workspace, comparison);
    const wanted = clusters[keywords.indexOf(cluster)] ?? -1;
    tests.push(filled(new Uint8Array(keywords.length), (i) => (clusters[i] === wanted ? 1 : 0)));
  }
  if (target !== undefined) {
    const place = comparison.sides.ownPlaces.find(({ address }) => address === target)?.id ?? -1;
    const { rows, now } = comparison;
    tests.push(filled(new Uint8Array(rows.length), (i) => (now.ownPlace[rows[i]!] === place ? 1 : 0)));
  }
  for (const { figure, least, most, unknown } of limits)
    tests.push(withinLimits(gapFigures(comparison, figure), least ?? -Infinity, most ?? Infinity, unknown));
  if (tests.length === 0) return null;
  const [first, ...rest] = tests;
  for (const test of rest) for (let i = 0; i < first!.length; i++) first![i]! &= test[i]!;
  return first!;
}

function withinLimits(figures: ArrayLike<number>, least: number, most: number, unknown: boolean): Uint8Array {
  const passes = new Uint8Array(figures.length);
  const otherwise = unknown ? 1 : 0;
  for (let i = 0; i < passes.length; i++) {
    const figure = figures[i]!;
    passes[i] = figure !== figure ? otherwise : figure >= least && figure <= most ? 1 : 0;
  }
  return passes;
}

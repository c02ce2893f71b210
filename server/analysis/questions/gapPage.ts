import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import { type GapQueryRead, gapKind, gapMark, paidState } from '@opsimath/contract/api/gapQuery';
import { type VariantLines, linesBetween } from '@opsimath/core/gap/variantLines';
import { isOnFront } from '@opsimath/core/ranking/front';
import { bringsLittle } from '@opsimath/core/ranking/littleDemand';
import { median } from '@opsimath/core/ranking/statistics';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { Comparison } from '../comparison/comparison';
import { comparedPurposes } from './comparedPurposes';
import { applyFilter, type Filtered } from '../comparison/gapFilter';
import { orderBy } from '../comparison/gapOrder';
import { gapRows } from '../comparison/gapRow';
import type { Standings } from '../facts/standings';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';
import { type OrderedRows, linesOfGaps } from './gapLines';

/** One page of gaps with the counts that work as filters. */
export async function gapPage(
  workspace: Workspace,
  projectId: number,
  query: GapQueryRead,
): Promise<GapPage> {
  const opened = await filteredOrder(workspace, projectId, query);
  const { comparison, order, filtered } = opened;
  const folded = await linesOfGaps(workspace, opened, query);
  const { lines, rows } = folded
    ? await foldedRows(workspace, comparison, folded, query)
    : {
        lines: filtered.total,
        rows: await gapRows(workspace.database, comparison, between(order, filtered, query)),
      };
  return {
    total: filtered.total,
    lines,
    together: folded !== null,
    rows,
    rivals: rivalColumns(comparison),
    totals: totalsOf(comparison, filtered, order),
    own: comparison.sides.ownName,
    front: comparison.project.settings.front,
    resultsPerPage: comparison.project.settings.resultsPerPage ?? comparison.market.resultsPerPage,
    currency: comparison.project.settings.currency,
    rests: {
      segments: comparison.now.rests.length,
      latest: latestDate(comparison.now),
      compareLatest: comparison.before ? latestDate(comparison.before) : null,
    },
  };
}

/** Rows that pass from `offset` on. */
function between(order: Int32Array, { passes }: Filtered, { offset, limit }: GapQueryRead): number[] {
  const indices: number[] = [];
  let passed = 0;
  for (let n = 0; n < order.length && indices.length < limit; n++) {
    const i = order[n]!;
    if (passes[i] !== 0 && passed++ >= offset) indices.push(i);
  }
  return indices;
}

/** Lines from `offset` on, each told what it stands for, and how many there are. */
async function foldedRows(
  { database }: Workspace,
  comparison: Comparison,
  folded: VariantLines,
  { opened, offset, limit }: GapQueryRead,
): Promise<{ lines: number; rows: GapRow[] }> {
  const { keywords, volume } = comparison;
  const wanted = new Set(opened);
  const isOpened = (i: number): boolean => wanted.has(keywords[i]!);
  const shown = linesBetween(folded, isOpened, offset, limit);
  const rows = await gapRows(
    database,
    comparison,
    shown.map(({ row }) => row),
  );
  let lines = folded.first.length;
  for (const [first, others] of folded.others) if (isOpened(first)) lines += others.length;
  return {
    lines,
    rows: rows.map((row, n) => {
      const { row: i, under } = shown[n]!;
      const others = under === null ? folded.others.get(i) : undefined;
      const searches = (others ?? []).reduce((sum, other) => sum + (volume[other]! || 0), 0);
      return {
        ...row,
        under: under === null ? null : keywords[under]!,
        variants: others ? { others: others.length, searches, opened: isOpened(i) } : null,
      };
    }),
  };
}

/** What purposes rest on beside the comparison. */
const PURPOSE_GROUNDS = ['choices', 'lookUp', 'new keywords'] as const;

/** A comparison with its sorted rows and what the filter lets through. */
export async function filteredOrder(
  workspace: Workspace,
  projectId: number,
  query: GapQueryRead,
): Promise<OrderedRows> {
  const { comparison, name, revisions } = await openComparison(workspace, projectId, query);
  const order = await workspace.keep('order', revisions, [name, query.sort], async () =>
    orderBy(comparison, query.sort, await workspace.alphabet(comparison.market, revisions)),
  );
  const { sort: _, offset: _o, limit: _l, variants: _v, opened: _e, also, ...filter } = query;
  const { pool } = filter;
  const byPurpose = pool !== undefined && (also === 'purposes' || filter.purposes.length > 0);
  const filtered = await workspace.keep(
    'filter',
    revisions,
    [name, filter, byPurpose],
    async () => {
      const purposes = byPurpose ? await comparedPurposes(workspace, comparison, pool) : null;
      return applyFilter(workspace, comparison, filter, purposes);
    },
    [...(filter.inList === undefined ? [] : (['lists'] as const)), ...(byPurpose ? PURPOSE_GROUNDS : [])],
  );
  return { comparison, name, order, filtered, revisions };
}

export function rivalColumns(comparison: Comparison): GapPage['rivals'] {
  return comparison.sides.rivals.map((rival, r) => ({
    ...rival,
    looked: comparison.columns.rivalOrganic[r]!.some((position) => position !== UNKNOWN),
  }));
}

/** What passes in numbers. */
export function totalsOf(comparison: Comparison, filtered: Filtered, order: Int32Array): GapPage['totals'] {
  const { priority } = comparison.gaps;
  const { columns, curve, project } = comparison;
  let [topPriority, onFront, little] = [0, 0, 0];
  for (const i of order) {
    if (priority[i]! > topPriority) topPriority = priority[i]!;
    if (filtered.passes[i] === 0) continue;
    const own = columns.ownOrganic[i]!;
    if (isOnFront(own, project.settings.front)) {
      onFront++;
      if (bringsLittle(columns.expectedVolume[i]!, own, curve, project.settings)) little++;
    }
  }
  return {
    keywords: comparison.keywords.length,
    topPriority,
    typicalGain: typicalGain(comparison),
    onFront,
    onFrontWithDemand: onFront - little,
    kinds: named(gapKind.options, filtered.kinds),
    paid: named(paidState.options, filtered.paid),
    marks: named(gapMark.options, filtered.marks),
    rivals: [...filtered.rivals],
    bands: [...filtered.bands],
    pageKinds: [...filtered.pageKinds],
    names: [...filtered.names],
    purposes: filtered.purposes ? [...filtered.purposes] : null,
    verdicts: [...filtered.verdicts],
    actions: [...filtered.actions],
  };
}

/** Rows looked at for what is typical: enough for a median that stands. */
const LOOKED_AT = 4000;

/** What the best action adds a month for each search, on the median of the gaps where that is known. */
function typicalGain({ gaps, volume }: Comparison): number | null {
  const step = Math.max(1, Math.floor(volume.length / LOOKED_AT));
  const gains: number[] = [];
  for (let i = 0; i < volume.length; i += step) {
    const adds = gaps.worthAMonth[i]!;
    if (adds > 0 && volume[i]! > 0) gains.push(adds / volume[i]!);
  }
  return median(gains);
}

function named<Name extends string>(names: readonly Name[], counts: ArrayLike<number>): Record<Name, number> {
  return Object.fromEntries(names.map((name, i) => [name, counts[i]!])) as Record<Name, number>;
}

function latestDate(standings: Standings): string | null {
  return standings.rests.at(-1)?.date ?? null;
}

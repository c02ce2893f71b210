import type { ownQueryQuery } from '@opsimath/contract/api/ownQueries';
import { type OwnQueryPage, type OwnQueryRow } from '@opsimath/contract/api/ownQueries';
import { QUERY_GROUPS, type QueryGroup } from '@opsimath/core/performance/queryGroups';
import { key } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { queryRows } from '../comparison/ownQueryRows';
import type { Workspace } from '../kept/workspace';

type Query = z.output<typeof ownQueryQuery>;
type Row = OwnQueryRow & { key: string };

/** Own search performance by query over a period against the one before, and against what was to be expected (method §18). */
export async function ownQueries(
  workspace: Workspace,
  projectId: number,
  query: Query,
): Promise<OwnQueryPage> {
  const { all, sum, sumBefore, settings, topQuarter, ...days } = await queryRows(workspace, projectId, query);
  const sought = key(query.find);
  const found = all.filter((row) => row.key.includes(sought));
  const { group } = query;
  const shown = group === undefined ? [...found] : found.filter((row) => row.groups.has(group));
  shown.sort(comparer(query));
  const counts = new Map<QueryGroup, number>();
  for (const row of found) for (const one of row.groups) counts.set(one, (counts.get(one) ?? 0) + 1);
  return {
    ...days,
    front: settings.front,
    topQuarter: Number.isFinite(topQuarter) ? topQuarter : null,
    total: shown.length,
    queries: all.length,
    sum,
    sumBefore,
    groups: Object.fromEntries(QUERY_GROUPS.map((name) => [name, counts.get(name) ?? 0])) as Record<
      QueryGroup,
      number
    >,
    rows: shown
      .slice(query.offset, query.offset + query.limit)
      .map(({ key: _, groups: _groups, ...row }) => row),
  };
}

const FIGURES: Record<Query['sort'], (row: Row) => number | null> = {
  clicks: (row) => row.clicks,
  impressions: (row) => row.impressions,
  ctr: (row) => row.ctr.rate,
  position: (row) => row.position,
  expected: (row) => row.expected,
  ratio: (row) => row.ratio?.ratio ?? null,
  change: (row) => (row.before === null ? null : row.clicks - row.before.clicks),
};

/** Unknown comes last both ways; ties: more impressions, then key. */
function comparer({ sort, descending }: Query): (a: Row, b: Row) => number {
  const figure = FIGURES[sort];
  return (a, b) => {
    const [left, right] = [figure(a), figure(b)];
    if ((left === null) !== (right === null)) return left === null ? 1 : -1;
    const by = left === null || right === null ? 0 : descending ? right - left : left - right;
    return by || b.impressions - a.impressions || (a.key < b.key ? -1 : 1);
  };
}

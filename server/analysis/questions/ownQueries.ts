import type { ownQueryQuery } from '@opsimath/contract/api/ownQueries';
import { type OwnQueryPage, type OwnQueryRow } from '@opsimath/contract/api/ownQueries';
import { QUERY_GROUPS, type QueryGroup } from '@opsimath/core/performance/queryGroups';
import { key } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { queryRows } from '../comparison/ownQueryRows';
import { sumOf } from '../facts/ownFigures';
import type { Workspace } from '../kept/workspace';

type Query = z.output<typeof ownQueryQuery>;
type Row = OwnQueryRow & { key: string };

/** Own search performance by query over a period against the one before, and against what was to be expected (method §18). */
export async function ownQueries(
  workspace: Workspace,
  projectId: number,
  query: Query,
): Promise<OwnQueryPage> {
  const { all, isIn, now, before, settings, topQuarter, ...days } = await queryRows(
    workspace,
    projectId,
    query,
  );
  const sought = key(query.find);
  const found = all.filter((row) => row.key.includes(sought));
  const shown = query.group === undefined ? found : found.filter((row) => isIn(row, query.group!));
  shown.sort(comparer(query));
  const earlier = [...before.values()].flat();
  return {
    ...days,
    front: settings.front,
    topQuarter: Number.isFinite(topQuarter) ? topQuarter : null,
    total: shown.length,
    queries: all.length,
    sum: { ...sumOf([...now.values()].flat()), expected: all.reduce((sum, row) => sum + row.expected, 0) },
    sumBefore: earlier.length > 0 ? sumOf(earlier) : null,
    groups: Object.fromEntries(
      QUERY_GROUPS.map((group) => [group, found.filter((row) => isIn(row, group)).length]),
    ) as Record<QueryGroup, number>,
    rows: shown.slice(query.offset, query.offset + query.limit).map(({ key: _, ...row }) => row),
  };
}

/** Unknown comes last both ways; ties: more impressions, then key. */
function comparer({ sort, descending }: Query): (a: Row, b: Row) => number {
  const figure = (row: Row): number | null =>
    ({
      clicks: row.clicks,
      impressions: row.impressions,
      ctr: row.ctr.rate,
      position: row.position,
      expected: row.expected,
      ratio: row.ratio?.ratio ?? null,
      change: row.before === null ? null : row.clicks - row.before.clicks,
    })[sort];
  return (a, b) => {
    const [left, right] = [figure(a), figure(b)];
    if ((left === null) !== (right === null)) return left === null ? 1 : -1;
    const by = left === null || right === null ? 0 : descending ? right - left : left - right;
    return by || b.impressions - a.impressions || (a.key < b.key ? -1 : 1);
  };
}

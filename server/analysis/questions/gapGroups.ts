import type { GapGroups, gapGroupQuery } from '@opsimath/contract/api/gaps';
import { ACTIONS } from '@opsimath/core/gap/action';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import type { Comparison } from '../comparison/comparison';
import { clustersOf } from '../comparison/gapClusters';
import { filteredOrder } from './gapPage';
import type { Workspace } from '../kept/workspace';

/** What passes the filter in groups: by cluster, by the own target that ranks, or by what to do. */
export async function gapGroups(
  workspace: Workspace,
  projectId: number,
  { by, ...query }: z.output<typeof gapGroupQuery>,
): Promise<GapGroups> {
  const { comparison, order, filtered } = await filteredOrder(workspace, projectId, query);
  const numberOf = await numbering(workspace, comparison, by);
  const { gaps, volume, effort, keywords } = comparison;
  /** In the order asked for, so that the first of a group is its best row. */
  const groups = new Map<
    number,
    { members: number; volume: number; month: number; days: number; first: number }
  >();
  for (const i of order) {
    if (filtered.passes[i] === 0) continue;
    const number = numberOf(i);
    let group = groups.get(number);
    if (!group) groups.set(number, (group = { members: 0, volume: 0, month: 0, days: 0, first: i }));
    group.members++;
    group.volume += volume[i]! || 0;
    // Each keyword by itself: what its action brings elsewhere is counted there.
    group.month += gaps.worthAMonth[i]! - gaps.elsewhereValue[i]! || 0;
    group.days += effort[i]!;
  }
  const sorted = [...groups].sort(
    ([, a], [, b]) => b.month - a.month || b.volume - a.volume || a.first - b.first,
  );
  const shown = sorted.slice(query.offset, query.offset + query.limit);
  const firsts = await keywordsById(
    workspace.database,
    shown.map(([, { first }]) => keywords[first]!),
  );
  const addresses = new Map(comparison.sides.ownPlaces.map(({ id, address }) => [id, address]));
  return {
    total: sorted.length,
    groups: shown.map(([number, { members, month, days, first, volume: searched }]) => {
      const id = keywords[first]!;
      const keyword = { id, text: firsts.get(id)!.text };
      const narrowed =
        by === 'action'
          ? { actions: [ACTIONS[number]!] }
          : by === 'cluster'
            ? { cluster: keyword.id }
            : { target: addresses.get(number) ?? '' };
      const name =
        by === 'action' ? ACTIONS[number]! : by === 'cluster' ? keyword.text : (addresses.get(number) ?? '');
      return { name, narrowed, keywords: members, volume: searched, worthAMonth: month, days, best: keyword };
    }),
  };
}

async function numbering(
  workspace: Workspace,
  comparison: Comparison,
  by: z.output<typeof gapGroupQuery>['by'],
): Promise<(i: number) => number> {
  if (by === 'action') return (i) => comparison.gaps.action[i]!;
  if (by === 'target') return (i) => comparison.now.ownPlace[comparison.rows[i]!]!;
  const clusters = await clustersOf(workspace, comparison);
  return (i) => clusters[i]!;
}

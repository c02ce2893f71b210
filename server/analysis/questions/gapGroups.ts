import type { GapGroups, gapGroupQuery } from '@opsimath/contract/api/gaps';
import { ACTIONS } from '@opsimath/core/gap/action';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import type { Comparison } from '../comparison/comparison';
import { clustersOf } from '../comparison/gapClusters';
import { ownPageKinds } from '../comparison/ownPageKinds';
import { filteredOrder } from './gapPage';
import type { Workspace } from '../kept/workspace';

type By = z.output<typeof gapGroupQuery>['by'];

/** What passes the filter in groups: by cluster, by the own target that ranks, by the kind of its page, or by what to do. */
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
      return {
        ...groupOf(by, number, keyword, addresses),
        keywords: members,
        volume: searched,
        worthAMonth: month,
        days,
        best: keyword,
      };
    }),
  };
}

/** What a group is called, and what narrows the table to it. */
function groupOf(
  by: By,
  number: number,
  keyword: { id: number; text: string },
  addresses: ReadonlyMap<number, string>,
): Pick<GapGroups['groups'][number], 'name' | 'narrowed'> {
  switch (by) {
    case 'action':
      return { name: ACTIONS[number]!, narrowed: { actions: [ACTIONS[number]!] } };
    case 'cluster':
      return { name: keyword.text, narrowed: { cluster: keyword.id } };
    case 'page kind':
      return number < 0
        ? { name: '', narrowed: { target: '' } }
        : { name: PAGE_KINDS[number]!, narrowed: { pageKinds: [PAGE_KINDS[number]!] } };
    case 'target':
      return { name: addresses.get(number) ?? '', narrowed: { target: addresses.get(number) ?? '' } };
  }
}

async function numbering(
  workspace: Workspace,
  comparison: Comparison,
  by: By,
): Promise<(i: number) => number> {
  if (by === 'action') return (i) => comparison.gaps.action[i]!;
  if (by === 'target') return (i) => comparison.now.ownPlace[comparison.rows[i]!]!;
  if (by === 'page kind') {
    const kinds = ownPageKinds(comparison);
    return (i) => {
      const kind = kinds.get(comparison.now.ownPlace[comparison.rows[i]!]!);
      return kind === undefined ? -1 : PAGE_KINDS.indexOf(kind);
    };
  }
  const clusters = await clustersOf(workspace, comparison);
  return (i) => clusters[i]!;
}

import type { GapQueryRead } from '@opsimath/contract/api/gapQuery';
import type { WhatToDo, whatToDoQuery } from '@opsimath/contract/api/whatToDo';
import { FIRST, spreadOfSum } from '@opsimath/core/gap/spreadOfWorth';
import type { Work } from '@opsimath/core/plan/workList';
import type { z } from 'zod';
import { entryOf } from '../comparison/comparison';
import { MOST_CLUSTERED } from '../comparison/gapClusters';
import { openWork } from '../comparison/openWork';
import { WORK_SEED, linesOf, partsOfWork } from '../comparison/workLines';
import type { Workspace } from '../kept/workspace';
import { filteredOrder } from './gapPage';

/** The same gaps from the side of the work: one line an action, each keyword’s gain counted once (method §8). */
export async function whatToDo(
  workspace: Workspace,
  projectId: number,
  query: z.output<typeof whatToDoQuery>,
): Promise<WhatToDo> {
  const read: GapQueryRead = { ...query, sort: [{ sort: 'priority', descending: true }] };
  const { comparison: chosen, filtered } = await filteredOrder(workspace, projectId, read);
  // What is worth doing is planned over all keywords; the scope and its filter say whose work is shown.
  const { comparison, list: all } = await openWork(workspace, projectId, query);
  const list = all.filter(({ lead }) => {
    const entry = chosen === comparison ? lead : entryOf(chosen, comparison.keywords[lead]!);
    return entry >= 0 && filtered.passes[entry] === 1;
  });
  const { project, models } = comparison;
  const sum = (of: (work: Work) => number, works = list): number =>
    works.reduce((total, work) => total + of(work), 0);
  const first = list.slice(0, FIRST);
  return {
    total: list.length,
    value: sum(({ value }) => value),
    days: sum(({ effort }) => effort),
    first:
      first.length === 0
        ? null
        : {
            lines: first.length,
            value: sum(({ value }) => value, first),
            days: sum(({ effort }) => effort, first),
            ...spreadOfSum(
              first.flatMap((work) => partsOfWork(comparison, work)),
              WORK_SEED,
            ),
          },
    currency: project.settings.currency,
    front: project.settings.front,
    horizon: models.forecast.horizon,
    withoutClusters: comparison.keywords.length > MOST_CLUSTERED,
    lines: await linesOf(workspace, comparison, list.slice(query.offset, query.offset + query.limit)),
  };
}

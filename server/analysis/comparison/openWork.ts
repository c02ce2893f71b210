import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { type Work, type WorkCandidate, workList } from '@opsimath/core/plan/workList';
import type { Revisions } from '../../data/grounds';
import type { Workspace } from '../kept/workspace';
import type { Comparison } from './comparison';
import { openComparison } from './openComparison';
import { workCandidates } from './workCandidates';

export interface OpenWork {
  /** Of all keywords of the market. */
  comparison: Comparison;
  candidates: readonly WorkCandidate[];
  /** Those that are worth doing, the most for a day first, each gain counted once. */
  list: readonly Work[];
  revisions: Revisions;
}

/** What could be done about all keywords of a market between two dates. */
export async function openWork(
  workspace: Workspace,
  projectId: number,
  { market, date, compare }: Pick<ComparisonScope, 'market' | 'date' | 'compare'>,
): Promise<OpenWork> {
  const { comparison, name, revisions } = await openComparison(workspace, projectId, {
    market,
    date,
    compare,
  });
  const work = await workspace.keep('work', revisions, [name], async () => {
    const candidates = await workCandidates(workspace, comparison);
    return { candidates, list: workList(candidates) };
  });
  return { comparison, revisions, ...work };
}

import type { PoolRow } from '@opsimath/contract/api/pool';
import { entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { positionOf } from '../facts/positionOf';
import type { Workspace } from '../kept/workspace';
import type { Pool } from './pool';

/**
 * Where we and rivals stand, by keyword id, for a pool that looked up no targets of its own; `null` for any other.
 * All that is known by the pool's day counts, as in Gaps.
 */
export async function standingBeside(
  workspace: Workspace,
  { targets, projectId, market, date }: Pick<Pool, 'targets' | 'projectId' | 'market' | 'date'>,
): Promise<((keyword: number) => PoolRow['standing']) | null> {
  if (targets.length > 0) return null;
  const { comparison } = await openComparison(workspace, projectId, { market: market.code, date });
  const { ownOrganic, ownPaid, rivalOrganic, rivalPaid } = comparison.columns;
  return (keyword) => {
    const entry = entryOf(comparison, keyword);
    if (entry < 0) return null;
    return {
      own: positionOf(ownOrganic[entry]!),
      ownPaid: positionOf(ownPaid[entry]!),
      rivals: rivalOrganic.map((rival) => positionOf(rival[entry]!)),
      rivalsPaid: rivalPaid.map((rival) => positionOf(rival[entry]!)),
    };
  };
}

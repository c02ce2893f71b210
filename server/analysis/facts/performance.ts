import { dayOf, isoDayOf } from '@opsimath/core/day';
import type { Dossier } from '@opsimath/contract/api/dossier';
import { type OwnPeriod, periodDays } from '@opsimath/core/demand/period';
import type { Revisions } from '../../data/grounds';
import { findSegments } from '../../data/segments/segments';
import { ownFigures, sumOf } from './ownFigures';
import type { Workspace } from '../kept/workspace';

/** Own search performance of one keyword over a period; named lengths end with the newest day held on or before a date. */
export async function performanceOf(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
  keywordId: number,
  date: string,
  period: OwnPeriod,
): Promise<Pick<Dossier, 'performance' | 'performanceUntil'>> {
  const { rows, newest } = await ownFigures(workspace, revisions, projectId, marketId, date);
  if (newest === 0) return { performance: null, performanceUntil: null };
  const performanceUntil = isoDayOf(newest);
  const { from, to } = periodDays(period, performanceUntil);
  const [first, last] = [dayOf(from), dayOf(to)];
  const inside = rows.filter(({ keyword, day }) => keyword === keywordId && day >= first && day <= last);
  if (inside.length === 0) return { performance: null, performanceUntil };
  const segments = await findSegments(workspace.database, { marketId, kind: 'performance', projectId });
  return { performance: { from, to, ...sumOf(inside), source: segments.at(-1)!.source }, performanceUntil };
}

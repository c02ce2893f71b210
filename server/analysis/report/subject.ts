import type { Target, TargetKeywords } from '@opsimath/contract/api/targets';
import { listTargets } from '../../data/targets';
import { targetKeywords } from '../questions/targetKeywords';
import type { ReportGround } from './ground';

/** The target that a report is about: the first of ours on the surface. */
export const subjectOf = ({ workspace, projectId, comparison, once }: ReportGround): Promise<Target | null> =>
  once('subject', async () => {
    const targets = await listTargets(workspace.database, projectId);
    return (
      targets.find(({ side, surface }) => side === 'own' && surface === comparison.market.surface) ?? null
    );
  });

/** All keywords of it. */
export const keywordsOfSubject = (
  { workspace, projectId, scope: { market, date }, once }: ReportGround,
  target: Target,
): Promise<TargetKeywords> =>
  once('keywords of subject', () => targetKeywords(workspace, projectId, target.id, { market, date }));

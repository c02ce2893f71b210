import { keywordKeysText } from '../../data/keywordKeys';
import { KnownProblem } from '../../problems/problem';
import type { Comparison } from './comparison';
import { inWordWorker } from '../words/inWordWorker';
import { firstPlaces } from '../facts/firstPlaces';
import type { Standings } from '../facts/standings';
import type { Workspace } from '../kept/workspace';

/** More keywords than these are not made clusters of. */
export const MOST_CLUSTERED = 100_000;
/** A comparison that only verdicts changed stands on the same standings. */
const kept = new WeakMap<Standings, Promise<Int32Array>>();

/** The cluster number (method §10) of every row of a comparison, by the result pages it rests on. */
export function clustersOf(workspace: Workspace, comparison: Comparison): Promise<Int32Array> {
  const { now, keywords } = comparison;
  if (keywords.length > MOST_CLUSTERED)
    throw new KnownProblem(
      'too-many-for-clusters',
      `${keywords.length} keywords are compared; clusters are made of up to ${MOST_CLUSTERED}.`,
      'Compare a list or a look-up instead.',
    );
  let clusters = kept.get(now);
  if (!clusters) {
    kept.set(now, (clusters = makeClusters(workspace, comparison)));
    clusters.catch(() => kept.delete(now));
  }
  return clusters;
}

async function makeClusters(
  { database, store }: Workspace,
  { now, keywords, market }: Comparison,
): Promise<Int32Array> {
  const first = await firstPlaces(store, now, keywords);
  const keys = await keywordKeysText(database, market.id, keywords);
  return inWordWorker('clusters', { first, keys, language: market.language });
}

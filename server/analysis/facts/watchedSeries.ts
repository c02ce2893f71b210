import type { PublishedChange } from '@opsimath/contract/api/drafts';
import type { Revisions } from '../../data/grounds';
import { listChanges } from '../../data/publishedChanges';
import { trackedKeywords } from '../../data/tracked';
import type { Workspace } from '../kept/workspace';
import { type DaySeries, daySeries } from './daySeries';
import type { Sides } from './sides';

/** What is followed in a market: keywords that are tracked, changes, and every day of the keywords of both. */
export interface Watched {
  /** Ids, ascending. */
  tracked: number[];
  /** The newest first. */
  changes: PublishedChange[];
  series: DaySeries;
  /** Row of the series by keyword. */
  rowOf: ReadonlyMap<number, number>;
}

/** @param also keywords that are wanted beside them */
export async function watchedSeries(
  workspace: Workspace,
  projectId: number,
  revisions: Revisions,
  market: { id: number },
  sides: Sides,
  also: readonly number[] = [],
): Promise<Watched> {
  const { database } = workspace;
  const tracked = await trackedKeywords(database, projectId, market.id);
  const changes = await listChanges(database, projectId, market.id);
  const aimed = changes.flatMap(({ keywords }) => keywords.map(({ id }) => id));
  // One set for whoever asks: what a segment says of it is read once.
  const series = await daySeries(
    workspace,
    revisions,
    market.id,
    sides,
    new Set([...tracked, ...aimed, ...also]),
  );
  return { tracked, changes, series, rowOf: new Map(Array.from(series.keywords, (id, row) => [id, row])) };
}

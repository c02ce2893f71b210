import type { ProjectSettings } from '@opsimath/contract/api/projects';
import { expectedVolume } from '@opsimath/core/demand/season';
import type { Revisions } from '../../data/grounds';
import { keywordIdRange } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { findSegments } from '../../data/segments/segments';
import type { Workspace } from '../kept/workspace';
import { borrowedUntil } from './borrowed';
import { type Metrics, gatherMetrics, seasonOf } from './metrics';

/** How much keywords of a market are searched as of a date, the same in every stage (method §2, §8). */
interface Demand {
  metrics: Metrics;
  /** Searches a month, lent by another surface where the settings want that; NaN where unknown. */
  volumeOf: (keyword: number) => number;
  /** V: searches a month expected over the coming three months; NaN where unknown. */
  expectedOf: (keyword: number) => number;
}

/** Demand as known on a date; where nothing was known by then, as it was first known after it. */
export async function demandUntil(
  workspace: Workspace,
  revisions: Revisions,
  market: MarketRow,
  date: string,
  { volumeBorrowed }: Pick<ProjectSettings, 'volumeBorrowed'>,
): Promise<Demand> {
  const { database, store } = workspace;
  const range = (await keywordIdRange(database, market.id)) ?? { least: 0, most: -1 };
  const metrics = await workspace.keep('metrics', revisions, [market.id, date], async () =>
    gatherMetrics(store, await findSegments(database, { marketId: market.id, kind: 'metrics' }), date, range),
  );
  const lent = volumeBorrowed ? await borrowedUntil(workspace, market, date, revisions) : null;
  const month = monthOf(date);
  const volumeOf = (keyword: number): number => {
    const known = metrics.volume[keyword - range.least] ?? NaN;
    return Number.isNaN(known) ? (lent?.volumes.get(keyword) ?? NaN) : known;
  };
  return {
    metrics,
    volumeOf,
    expectedOf: (keyword) =>
      expectedVolume(volumeOf(keyword), seasonOf(metrics, keyword - range.least), month),
  };
}

/** Calendar month of an ISO day, 0 = January. */
export function monthOf(date: string): number {
  return new Date(`${date}T00:00:00Z`).getUTCMonth();
}

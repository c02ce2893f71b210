import type { Dossier } from '@opsimath/contract/api/gaps';
import { type OwnPeriod, periodDays } from '@opsimath/core/demand/period';
import { findSegments } from '../data/segments/segments';
import type { Workspace } from './workspace';

const isoDay = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);

/**
 * Own search performance of one keyword over a period; named lengths end with the newest day held on or before a date.
 * The same page and day in two imports counts once, as the newer import says.
 */
export async function performanceOf(
  workspace: Workspace,
  projectId: number,
  marketId: number,
  keywordId: number,
  date: string,
  period: OwnPeriod,
): Promise<Pick<Dossier, 'performance' | 'performanceUntil'>> {
  const { store } = workspace;
  const segments = await findSegments(workspace.database, { marketId, kind: 'performance', projectId });
  const last = Math.floor(Date.parse(date) / 86_400_000);
  const byDayAndPage = new Map<
    string,
    { day: number; impressions: number; clicks: number; position: number }
  >();
  let newest = 0;
  for (const segment of segments.sort((a, b) => a.id - b.id)) {
    const keyword = await store.column<Int32Array>(segment.id, 'keyword');
    const day = await store.column<Int32Array>(segment.id, 'day');
    for (let row = 0; row < day.length; row++)
      if (day[row]! <= last && day[row]! > newest) newest = day[row]!;
    const place = await store.column<Int32Array>(segment.id, 'place');
    const impressions = await store.column<Int32Array>(segment.id, 'impressions');
    const clicks = await store.column<Int32Array>(segment.id, 'clicks');
    const position = await store.column<Float64Array>(segment.id, 'position');
    for (let row = keyword.indexOf(keywordId); row >= 0; row = keyword.indexOf(keywordId, row + 1)) {
      byDayAndPage.set(`${day[row]!}:${place[row]!}`, {
        day: day[row]!,
        impressions: impressions[row]!,
        clicks: clicks[row]!,
        position: position[row]!,
      });
    }
  }
  if (newest === 0) return { performance: null, performanceUntil: null };
  const performanceUntil = isoDay(newest);
  const { from, to } = periodDays(period, performanceUntil);
  const rows = [...byDayAndPage.values()].filter(({ day }) => isoDay(day) >= from && isoDay(day) <= to);
  if (rows.length === 0) return { performance: null, performanceUntil };
  const impressions = rows.reduce((sum, row) => sum + row.impressions, 0);
  const weighed = rows.filter((row) => !Number.isNaN(row.position));
  const weight = weighed.reduce((sum, row) => sum + row.impressions, 0);
  const performance = {
    from,
    to,
    impressions,
    clicks: rows.reduce((sum, row) => sum + row.clicks, 0),
    position:
      weight > 0 ? weighed.reduce((sum, row) => sum + row.position * row.impressions, 0) / weight : null,
    source: segments.at(-1)!.source,
  };
  return { performance, performanceUntil };
}

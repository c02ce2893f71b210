import { findSegments } from '../data/segments/segments';
import type { Workspace } from './workspace';

/** One row of own search performance. */
export interface OwnFigure {
  keyword: number;
  place: number;
  day: number;
  impressions: number;
  clicks: number;
  /** Average; NaN where the file did not say. */
  position: number;
}

export const DAY_MS = 86_400_000;
export const isoDayOf = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);
export const dayOf = (isoDay: string): number => Math.floor(Date.parse(isoDay) / DAY_MS);

/**
 * Own search performance of a market on or before a date, each query, page and day once, as the newest import says; and
 * its newest day, 0 while nothing is held.
 */
export async function ownFigures(
  { database, store }: Workspace,
  projectId: number,
  marketId: number,
  date: string,
): Promise<{ rows: OwnFigure[]; newest: number }> {
  const segments = await findSegments(database, { marketId, kind: 'performance', projectId });
  const last = dayOf(date);
  const rows = new Map<string, OwnFigure>();
  let newest = 0;
  for (const segment of segments.sort((a, b) => a.id - b.id)) {
    const keyword = await store.column<Int32Array>(segment.id, 'keyword');
    const place = await store.column<Int32Array>(segment.id, 'place');
    const day = await store.column<Int32Array>(segment.id, 'day');
    const impressions = await store.column<Int32Array>(segment.id, 'impressions');
    const clicks = await store.column<Int32Array>(segment.id, 'clicks');
    const position = await store.column<Float64Array>(segment.id, 'position');
    for (let row = 0; row < day.length; row++) {
      if (day[row]! > last) continue;
      newest = Math.max(newest, day[row]!);
      rows.set(`${keyword[row]!}:${place[row]!}:${day[row]!}`, {
        keyword: keyword[row]!,
        place: place[row]!,
        day: day[row]!,
        impressions: impressions[row]!,
        clicks: clicks[row]!,
        position: position[row]!,
      });
    }
  }
  return { rows: [...rows.values()], newest };
}

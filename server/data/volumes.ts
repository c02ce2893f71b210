import type { Database } from './storage/connection';
import { findSegments, readColumns } from './segments/segments';

/** Newest known volume by keyword id, from metrics on or before a date. */
export async function volumesAt(
  database: Database,
  marketId: number,
  date: string,
): Promise<Map<number, number>> {
  const volumes = new Map<number, number>();
  for (const segment of await findSegments(database, { marketId, kind: 'metrics', until: date })) {
    const { keyword, volume } = await readColumns(database, segment.id, ['keyword', 'volume']);
    keyword.forEach((id, i) => {
      if (volume[i]! >= 0) volumes.set(id, volume[i]!);
    });
  }
  return volumes;
}

/** Newest known volume of one keyword on or before a date; `null` when unknown. */
export async function newestVolume(
  database: Database,
  marketId: number,
  keywordId: number,
  date: string,
): Promise<number | null> {
  const segments = await findSegments(database, { marketId, kind: 'metrics', until: date });
  for (const segment of segments.reverse()) {
    const { keyword, volume } = await readColumns(database, segment.id, ['keyword', 'volume']);
    const row = keyword.indexOf(keywordId);
    if (row >= 0 && volume[row]! >= 0) return volume[row]!;
  }
  return null;
}

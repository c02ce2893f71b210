import { dayOf } from '@opsimath/core/day';
import { type StoredSegment, findSegments } from '../../data/segments/segments';
import type { Revisions } from '../../data/grounds';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import type { Workspace } from '../kept/workspace';

/** Own search performance of one query, page and day: rows for several devices or countries together. */
export interface OwnFigure {
  keyword: number;
  place: number;
  day: number;
  impressions: number;
  clicks: number;
  /** Average, weighted by impressions; NaN where the file did not say. */
  position: number;
}

/**
 * Segments by the file they came from, oldest file first. Rows of one file that share their key add up; a newer file
 * replaces the keys that it names. A file is taken in part by part, each a segment.
 */
export function byFile(segments: readonly StoredSegment[]): StoredSegment[][] {
  const files = new Map<string, StoredSegment[]>();
  for (const segment of [...segments].sort((a, b) => a.id - b.id)) {
    const name = segment.importId ? `#${segment.importId}` : segment.source;
    const file = files.get(name);
    if (file) file.push(segment);
    else files.set(name, [segment]);
  }
  return [...files.values()];
}

/**
 * Own search performance of a market on or before a date, each query, page and day once; and its newest day, 0 while
 * nothing is held.
 */
export async function ownFigures(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
  date: string,
): Promise<{ rows: OwnFigure[]; newest: number }> {
  // A newer file replaces what an older one says of a day whenever it came: what is held decides, then the date.
  const all = await workspace.keep('own figures', revisions, [projectId, marketId], async () => {
    const segments = await findSegments(workspace.database, { marketId, kind: 'performance', projectId });
    return figuresOf(workspace.store, segments);
  });
  const last = dayOf(date);
  if (all.newest <= last) return all;
  const rows = all.rows.filter(({ day }) => day <= last);
  return { rows, newest: rows.reduce((newest, { day }) => Math.max(newest, day), 0) };
}

/** Own search performance of some segments, by file. */
async function figuresOf(
  store: ColumnStore,
  segments: readonly StoredSegment[],
): Promise<{ rows: OwnFigure[]; newest: number }> {
  const rows = new Map<string, { file: number; figure: OwnFigure }>();
  let newest = 0;
  const giveWay = givingWay();
  for (const [file, parts] of byFile(segments).entries())
    for (const segment of parts) {
      const keyword = await store.column<Int32Array>(segment.id, 'keyword');
      const place = await store.column<Int32Array>(segment.id, 'place');
      const day = await store.column<Int32Array>(segment.id, 'day');
      const impressions = await store.column<Int32Array>(segment.id, 'impressions');
      const clicks = await store.column<Int32Array>(segment.id, 'clicks');
      const position = await store.column<Float64Array>(segment.id, 'position');
      for (let row = 0; row < day.length; row++) {
        if (row % 4096 === 0) await giveWay();
        newest = Math.max(newest, day[row]!);
        const name = `${keyword[row]!}:${place[row]!}:${day[row]!}`;
        const figure: OwnFigure = {
          keyword: keyword[row]!,
          place: place[row]!,
          day: day[row]!,
          impressions: impressions[row]!,
          clicks: clicks[row]!,
          position: position[row]!,
        };
        const known = rows.get(name);
        // Of the same file it adds up; an older file's is replaced.
        rows.set(name, { file, figure: known?.file === file ? together(known.figure, figure) : figure });
      }
    }
  return { rows: Array.from(rows.values(), ({ figure }) => figure), newest };
}

function together(a: OwnFigure, b: OwnFigure): OwnFigure {
  return {
    ...a,
    impressions: a.impressions + b.impressions,
    clicks: a.clicks + b.clicks,
    position: meanPosition(a, b),
  };
}

/** Of what is known; without any impressions both count the same. */
function meanPosition(a: OwnFigure, b: OwnFigure): number {
  if (Number.isNaN(a.position)) return b.position;
  if (Number.isNaN(b.position)) return a.position;
  const all = a.impressions + b.impressions;
  if (all === 0) return (a.position + b.position) / 2;
  return (a.position * a.impressions + b.position * b.impressions) / all;
}

export interface OwnSum {
  clicks: number;
  impressions: number;
  position: number | null;
}

/** Sums of some rows; the position is weighted by impressions. */
export function sumOf(rows: readonly Pick<OwnFigure, 'clicks' | 'impressions' | 'position'>[]): OwnSum {
  let [clicks, impressions, weight, weighed] = [0, 0, 0, 0];
  for (const row of rows) {
    clicks += row.clicks;
    impressions += row.impressions;
    if (Number.isNaN(row.position)) continue;
    weight += row.impressions;
    weighed += row.position * row.impressions;
  }
  return { clicks, impressions, position: weight > 0 ? weighed / weight : null };
}

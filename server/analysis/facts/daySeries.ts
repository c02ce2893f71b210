import { ABSENT, better } from '@opsimath/core/ranking/position';
import { LRUCache } from 'lru-cache';
import { type StoredSegment, findSegments } from '../../data/segments/segments';
import type { Revisions } from '../../data/grounds';
import { contentName } from '../kept/contentName';
import { givingWay } from '../kept/giveWay';
import type { Workspace } from '../kept/workspace';
import { captureColumnsOf } from './captures';
import type { Sides } from './sides';

/** Where everybody stood for some keywords on every day on which one of them was captured. Entry i is `keywords[i]`. */
export interface DaySeries {
  /** Ids, ascending. */
  keywords: Int32Array;
  /** ISO, ascending. */
  days: string[];
  /** Ours, then each rival’s; a column a day. */
  organic: Uint8Array[][];
  paid: Uint8Array[][];
  /** Place that holds our organic position; 0 for none. */
  ownPlace: Int32Array[];
}

/** What one segment says of them: only those it names. */
interface SegmentPart {
  rows: Int32Array;
  organic: Uint8Array[];
  paid: Uint8Array[];
  ownPlace: Int32Array;
}

/** Segments never change: what one says is worked out once. */
const MOST_PARTS = 4000;
const parts = new LRUCache<string, SegmentPart>({ max: MOST_PARTS });

/** @param ids of keywords of one market, each once */
export async function daySeries(
  workspace: Workspace,
  revisions: Revisions,
  marketId: number,
  sides: Sides,
  ids: Iterable<number>,
): Promise<DaySeries> {
  const keywords = Int32Array.from(ids).sort();
  const name = contentName(keywords);
  return workspace.keep('day series', revisions, [marketId, name], () =>
    gather(workspace, marketId, sides, keywords),
  );
}

async function gather(
  workspace: Workspace,
  marketId: number,
  sides: Sides,
  keywords: Int32Array,
): Promise<DaySeries> {
  const segments = await findSegments(workspace.database, { marketId, kind: 'captures' });
  const count = 1 + sides.rivals.length;
  const days: string[] = [];
  const series: DaySeries = {
    keywords,
    days,
    organic: Array.from({ length: count }, () => []),
    paid: Array.from({ length: count }, () => []),
    ownPlace: [],
  };
  const whose = `${contentName(new Int32Array(sides.masks.buffer))} ${contentName(keywords)}`;
  const giveWay = givingWay();
  for (const segment of segments) {
    await giveWay();
    const id = `${segment.id} ${whose}`;
    let part = parts.get(id);
    if (!part) parts.set(id, (part = await read(workspace, segment, sides, keywords)));
    if (part.rows.length === 0) continue;
    if (days.at(-1) !== segment.date) {
      days.push(segment.date);
      for (const column of [...series.organic, ...series.paid]) column.push(new Uint8Array(keywords.length));
      series.ownPlace.push(new Int32Array(keywords.length));
    }
    part.rows.forEach((row, n) => {
      for (let side = 0; side < count; side++) {
        series.organic[side]!.at(-1)![row] = part.organic[side]![n]!;
        series.paid[side]!.at(-1)![row] = part.paid[side]![n]!;
      }
      series.ownPlace.at(-1)![row] = part.ownPlace[n]!;
    });
  }
  return series;
}

async function read(
  { store }: Workspace,
  segment: StoredSegment,
  sides: Sides,
  keywords: Int32Array,
): Promise<SegmentPart> {
  const rowOf = new Map(Array.from(keywords, (id, row) => [id, row]));
  const columns = await captureColumnsOf(store, segment);
  const found: [row: number, at: number][] = [];
  columns.keyword.forEach((id, at) => {
    const row = rowOf.get(id);
    if (row !== undefined) found.push([row, at]);
  });
  const count = 1 + sides.rivals.length;
  const blank = (): Uint8Array[] =>
    Array.from({ length: count }, () => new Uint8Array(found.length).fill(ABSENT));
  const part: SegmentPart = {
    rows: Int32Array.from(found, ([row]) => row),
    organic: blank(),
    paid: blank(),
    ownPlace: new Int32Array(found.length),
  };
  found.forEach(([, at], n) => {
    const from = columns.slotStart[at]!;
    for (let slot = from; slot < from + columns.slotCount[at]!; slot++) {
      const place = columns.place[slot]!;
      const mask = place === 0 ? 0 : (sides.masks[place] ?? 0);
      if (mask === 0) continue;
      const [organic, paid] = [columns.organic[slot]!, columns.paid[slot]!];
      for (let side = 0; side < count; side++) {
        if ((mask & (1 << side)) === 0) continue;
        if (organic > 0) {
          if (side === 0 && organic < part.organic[0]![n]!) part.ownPlace[n] = place;
          part.organic[side]![n] = better(part.organic[side]![n]!, organic);
        }
        if (paid > 0) part.paid[side]![n] = better(part.paid[side]![n]!, paid);
      }
    }
  });
  return part;
}

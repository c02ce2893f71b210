import type { HistoryPoint, ShownPage } from '@opsimath/contract/api/dossier';
import { ABSENT, UNKNOWN, better, isRanked } from '@opsimath/core/ranking/position';
import { placeVersions } from '../../data/places';
import { FEATURE_CODES, FIGURE_COLUMNS, PHRASE } from '../../data/segments/captureColumns';
import { findSegments, type StoredSegment } from '../../data/segments/segments';
import { positionOf } from './positionOf';
import type { Sides } from './sides';
import { captureColumnsOf } from './captures';
import type { Workspace } from '../kept/workspace';

interface Point {
  source: string;
  /** Organic and paid of us, then of each rival. */
  organic: number[];
  paid: number[];
  captured: boolean;
  /** Paid slots of the page, whoever’s. */
  ads: number;
}

/** Where everybody stood for one keyword on every day of which something is known; a capture speaks for its day alone. */
export async function keywordHistory(
  workspace: Workspace,
  marketId: number,
  keywordId: number,
  sides: Sides,
): Promise<{ history: HistoryPoint[]; captureDates: string[] }> {
  const points = new Map<string, Point>();
  for (const segment of await findSegments(workspace.database, { marketId })) {
    const known = points.get(segment.date);
    if (segment.kind === 'captures') {
      const point = await capturedPoint(workspace, segment, keywordId, sides);
      if (point) points.set(segment.date, point);
    } else if (segment.kind === 'rankings' && !known?.captured) {
      const point = await lookedUpPoint(workspace, segment, keywordId, sides);
      if (point) points.set(segment.date, known ? joined(known, point) : point);
    }
  }
  const dates = [...points.keys()].sort();
  return {
    history: dates.map((date) => {
      const { source, organic, paid, captured, ads } = points.get(date)!;
      return {
        date,
        source,
        own: positionOf(organic[0]!),
        ownPaid: positionOf(paid[0]!),
        rivals: organic.slice(1).map(positionOf),
        rivalsPaid: paid.slice(1).map(positionOf),
        ads: captured ? ads : null,
      };
    }),
    captureDates: dates.filter((date) => points.get(date)!.captured),
  };
}

async function capturedPoint(
  workspace: Workspace,
  segment: StoredSegment,
  keywordId: number,
  sides: Sides,
): Promise<Point | null> {
  const row = (await workspace.store.column<Int32Array>(segment.id, 'keyword')).indexOf(keywordId);
  if (row < 0) return null;
  const columns = await captureColumnsOf(workspace.store, segment);
  const point = emptyPoint(segment, sides, ABSENT, true);
  for (let slot = columns.slotStart[row]!; slot < columns.slotStart[row]! + columns.slotCount[row]!; slot++) {
    addSlot(point, sides.masks[columns.place[slot]!] ?? 0, columns.organic[slot]!, columns.paid[slot]!);
    if (isRanked(columns.paid[slot]!)) point.ads++;
  }
  return point;
}

async function lookedUpPoint(
  workspace: Workspace,
  segment: StoredSegment,
  keywordId: number,
  sides: Sides,
): Promise<Point | null> {
  const keyword = await workspace.store.column<Int32Array>(segment.id, 'keyword');
  let row = keyword.indexOf(keywordId);
  if (row < 0) return null;
  const place = await workspace.store.column<Int32Array>(segment.id, 'place');
  const organic = await workspace.store.column<Uint8Array>(segment.id, 'organic');
  const paid = await workspace.store.column<Uint8Array>(segment.id, 'paid');
  const point = emptyPoint(segment, sides, UNKNOWN, false);
  for (; row >= 0; row = keyword.indexOf(keywordId, row + 1)) {
    addSlot(point, sides.masks[place[row]!] ?? 0, organic[row]!, paid[row]!);
  }
  return point;
}

function emptyPoint(segment: StoredSegment, sides: Sides, value: number, captured: boolean): Point {
  const all = (): number[] => new Array<number>(sides.rivals.length + 1).fill(value);
  const source = captured ? `capture, ${segment.source}` : `look-up, ${segment.source}`;
  return { source, organic: all(), paid: all(), captured, ads: 0 };
}

function addSlot(point: Point, mask: number, organic: number, paid: number): void {
  for (let bit = 0; bit < point.organic.length; bit++) {
    if ((mask & (1 << bit)) === 0) continue;
    point.organic[bit] = better(point.organic[bit]!, organic);
    point.paid[bit] = better(point.paid[bit]!, paid);
  }
}

function joined(a: Point, b: Point): Point {
  return {
    ...a,
    organic: a.organic.map((position, i) => better(position, b.organic[i]!)),
    paid: a.paid.map((position, i) => better(position, b.paid[i]!)),
  };
}

const FIGURE_NAMES = [...new Set(Object.values(FIGURE_COLUMNS).flat())];

/** The newest captured result page of a keyword on or before a date, slot by slot. */
export async function resultPage(
  workspace: Workspace,
  marketId: number,
  keywordId: number,
  date: string,
  sides: Sides,
): Promise<ShownPage | null> {
  const { store, database } = workspace;
  const segments = await findSegments(database, { marketId, kind: 'captures', until: date });
  for (const segment of segments.reverse()) {
    const row = (await store.column<Int32Array>(segment.id, 'keyword')).indexOf(keywordId);
    if (row < 0) continue;
    const columns = await captureColumnsOf(store, segment);
    const version = await store.column<Int32Array>(segment.id, 'version');
    const place = columns.place;
    const slotNumber = await store.column<Uint8Array>(segment.id, 'slot');
    const feature = await store.column<Uint8Array>(segment.id, 'feature');
    const authority = await store.column<Uint8Array>(segment.id, 'authority');
    const phrase = await store.column<Uint8Array>(segment.id, 'phrase');
    const results = await store.column<Float64Array>(segment.id, 'results');
    const age = await store.columnIfAny<Int32Array>(segment.id, 'age');
    const figures = await Promise.all(
      FIGURE_NAMES.map(async (name) => ({
        name,
        column: await store.columnIfAny<Float64Array>(segment.id, name),
      })),
    );
    const slots = Array.from({ length: columns.slotCount[row]! }, (_, n) => columns.slotStart[row]! + n);
    const texts = await placeVersions(
      database,
      slots.map((slot) => version[slot]!),
    );
    return {
      date: segment.date,
      source: segment.source,
      depth: columns.depth[row]!,
      results: Number.isNaN(results[row]!) ? null : results[row]!,
      slots: slots.map((slot) => {
        const words = texts.get(version[slot]!) ?? null;
        const mask = place[slot] === 0 ? 0 : (sides.masks[place[slot]!] ?? 0);
        const rival = sides.rivals.findIndex((_, r) => (mask & (2 << r)) !== 0);
        const kind =
          columns.organic[slot]! > 0
            ? 'organic'
            : columns.paid[slot]! > 0
              ? 'paid'
              : FEATURE_CODES[feature[slot]!]!;
        return {
          slot: slotNumber[slot]!,
          kind: kind === '' ? 'related searches' : kind,
          position: columns.organic[slot]! || columns.paid[slot]! || null,
          side: mask & 1 ? 'own' : rival >= 0 ? 'rival' : 'other',
          letter: rival >= 0 ? sides.rivals[rival]!.letter : null,
          owner: words?.owner ?? null,
          what: words?.kind ?? null,
          address: words?.address ?? null,
          title: words?.title ?? null,
          description: words?.description ?? null,
          authority: words === null || authority[slot] === 255 ? null : authority[slot]!,
          phraseInTitle: words === null ? null : phrase[slot] === PHRASE.asTyped,
          age: words === null || !age || age[slot]! < 0 ? null : age[slot]!,
          figures: Object.fromEntries(
            figures.flatMap(({ name, column }) => {
              const value = column?.[slot];
              return value === undefined || Number.isNaN(value) ? [] : [[name, value]];
            }),
          ),
        };
      }),
    };
  }
  return null;
}

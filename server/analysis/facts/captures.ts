import { featureFactor } from '@opsimath/core/ranking/clickThrough';
import { isOnFront } from '@opsimath/core/ranking/front';
import { ABOVE, PHRASE } from '../../data/segments/captureColumns';
import type { StoredSegment } from '../../data/segments/segments';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import { type SlotFigures, authorityOf, slotFigures } from './slotFigures';

/** The columns of a capture segment that say who stands where. */
export interface CaptureColumns {
  segment: StoredSegment;
  keyword: Int32Array;
  depth: Uint8Array;
  slotStart: Int32Array;
  slotCount: Int32Array;
  place: Int32Array;
  organic: Uint8Array;
  paid: Uint8Array;
}

/** Reads the positional columns of a capture segment. */
export async function captureColumnsOf(store: ColumnStore, segment: StoredSegment): Promise<CaptureColumns> {
  return {
    segment,
    keyword: await store.column(segment.id, 'keyword'),
    depth: await store.column(segment.id, 'depth'),
    slotStart: await store.column(segment.id, 'slotStart'),
    slotCount: await store.column(segment.id, 'slotCount'),
    place: await store.column(segment.id, 'place'),
    organic: await store.column(segment.id, 'organic'),
    paid: await store.column(segment.id, 'paid'),
  };
}

/** The newest capture of every keyword of a market: entry i is keyword id `base + i`. */
export interface Captures {
  base: number;
  /** Which capture is newest: index into `captures` + 1, 0 for none, and its entry there. */
  capture: Uint16Array;
  captureRow: Int32Array;
  captures: CaptureColumns[];
}

/** Reads which capture of each keyword is the newest one. Of one day the last of the segments as they were found counts. */
export async function newestCaptures(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  range: { least: number; most: number },
): Promise<Captures> {
  const size = Math.max(0, range.most - range.least + 1);
  const newest: Captures = {
    base: range.least,
    capture: new Uint16Array(size),
    captureRow: new Int32Array(size),
    captures: [],
  };
  const ordered = segments
    .filter(({ kind }) => kind === 'captures')
    .sort((a, b) => a.date.localeCompare(b.date));
  const giveWay = givingWay();
  for (const segment of ordered) {
    noteCapture(newest, await captureColumnsOf(store, segment));
    await giveWay();
  }
  return newest;
}

/** Takes a newer capture in: it counts for every keyword that it names. */
export function noteCapture(newest: Captures, columns: CaptureColumns): void {
  const number = newest.captures.push(columns);
  for (let row = 0; row < columns.keyword.length; row++) {
    const i = columns.keyword[row]! - newest.base;
    newest.capture[i] = number;
    newest.captureRow[i] = row;
  }
}

/** One organic result of a captured page. */
interface CapturedResult {
  /** Index into the slot columns of its segment. */
  slot: number;
  position: number;
  /** 0 where nobody said whose it is. */
  place: number;
  own: boolean;
  authority: number | null;
  phraseInTitle: boolean;
}

/** One page: its segment's columns and the entry there. */
export interface CapturedPage {
  /** Index into `captures`. */
  number: number;
  columns: CaptureColumns;
  figures: SlotFigures;
  row: number;
  /** Its slots: from … to, the last left out. */
  from: number;
  to: number;
}

/** Reads newest captures page by page, each result with its features. Nobody else walks over slots of several pages. */
export class CaptureReader {
  private constructor(
    readonly newest: Captures,
    private readonly figures: readonly SlotFigures[],
    private readonly masks: Uint32Array,
  ) {}

  /** @param masks by place id: bit 0 is ours */
  static async over(
    store: ColumnStore,
    newest: Captures,
    masks: Uint32Array = new Uint32Array(0),
  ): Promise<CaptureReader> {
    const figures: SlotFigures[] = [];
    for (const { segment } of newest.captures) figures.push(await slotFigures(store, segment.id));
    return new CaptureReader(newest, figures, masks);
  }

  /** The newest page of a keyword by id; `null` where it was never captured. */
  page(keyword: number): CapturedPage | null {
    const i = keyword - this.newest.base;
    const number = (this.newest.capture[i] ?? 0) - 1;
    if (number < 0) return null;
    return this.pageAt(number, this.newest.captureRow[i]!);
  }

  /** Ids of captured keywords, ascending; every n-th where there are more than can be taken. */
  sample(most: number): number[] {
    const captured: number[] = [];
    this.newest.capture.forEach((number, i) => {
      if (number > 0) captured.push(this.newest.base + i);
    });
    const step = Math.max(1, Math.ceil(captured.length / most));
    return captured.filter((_, n) => n % step === 0);
  }

  /** Any page: entry `row` of the capture of this number. */
  pageAt(number: number, row: number): CapturedPage {
    const columns = this.newest.captures[number]!;
    const from = columns.slotStart[row]!;
    return {
      number,
      columns,
      figures: this.figures[number]!,
      row,
      from,
      to: from + columns.slotCount[row]!,
    };
  }

  /** Organic results of a page down to a position, in the order of its slots. */
  results({ columns, figures, from, to }: CapturedPage, deepest: number): CapturedResult[] {
    const found: CapturedResult[] = [];
    for (let slot = from; slot < to; slot++) {
      const position = columns.organic[slot]!;
      if (!isOnFront(position, deepest)) continue;
      const place = columns.place[slot]!;
      found.push({
        slot,
        position,
        place,
        own: place !== 0 && ((this.masks[place] ?? 0) & 1) !== 0,
        authority: authorityOf(figures, slot),
        phraseInTitle: figures.phrase[slot] === PHRASE.asTyped,
      });
    }
    return found;
  }

  /** What stands above the organic results takes clicks away (method §3). */
  featureFactor({ figures, row }: CapturedPage): number {
    const above = figures.above[row]!;
    return featureFactor({
      answerBox: (above & ABOVE.answerBox) !== 0,
      imageBlock: (above & ABOVE.imageBlock) !== 0,
      videoBlock: (above & ABOVE.videoBlock) !== 0,
      paidSlots: figures.paidAbove[row]!,
    });
  }

  /** How many of a page's slots are paid for. */
  paidSlots({ columns, from, to }: CapturedPage): number {
    let paid = 0;
    for (let slot = from; slot < to; slot++) if (columns.paid[slot]! > 0) paid++;
    return paid;
  }
}

import { dayOf } from '@opsimath/core/day';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import type { HandFact } from '../../data/handPositions';
import type { StoredSegment } from '../../data/segments/segments';
import { type CaptureColumns, type Captures, captureColumnsOf, noteCapture } from './captures';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import type { Sides } from './sides';

/** Positions of one side, by keyword index. */
export interface SideStanding {
  organic: Uint8Array;
  paid: Uint8Array;
}

/** Where every side stands on a date, for all keywords of a market: entry i is keyword id `base + i`. */
export interface Standings extends Captures {
  size: number;
  own: SideStanding;
  rivals: SideStanding[];
  /** 1 where paid slots are known from a capture. */
  paidLooked: Uint8Array;
  /** Best own slot in that capture as an index into its slot columns; −1 for none. */
  ownSlot: Int32Array;
  /** Place that holds our position; 0 for none. */
  ownPlace: Int32Array;
  /** How many own places the capture holds. */
  ownTargets: Uint8Array;
  /** Segments that were read. */
  rests: StoredSegment[];
}

/**
 * Works out standings from segments on or before a date. Older facts are overwritten by newer ones, keyword by
 * keyword; on one day a capture overwrites a look-up, for it has looked at everybody.
 * Only a capture makes anybody absent: a look-up that does not name a keyword says nothing of it.
 */
export async function buildStandings(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  sides: Sides,
  range: { least: number; most: number },
  hand: readonly HandFact[] = [],
): Promise<Standings> {
  let last: Standings | null = null;
  for await (const { standings } of standingsByDay(store, segments, sides, range, hand)) last = standings;
  return last ?? emptyStandings(range.least, range.most - range.least + 1, sides.rivals.length);
}

/**
 * The same, as it stood at the end of every day of which something is known, ascending. It is one object throughout: who
 * wants to keep what it says of a day takes it before going on.
 */
export async function* standingsByDay(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  sides: Sides,
  range: { least: number; most: number },
  hand: readonly HandFact[] = [],
): AsyncGenerator<{ date: string; standings: Standings }> {
  const size = range.most - range.least + 1;
  const standings = emptyStandings(range.least, size, sides.rivals.length);
  const lookedOn = [standings.own, ...standings.rivals].map(() => ({
    organic: new Int32Array(size),
    paid: new Int32Array(size),
  }));
  const bitOf = new Map(sides.own.map(({ id }) => [id, 0]));
  sides.rivals.forEach(({ id }, r) => bitOf.set(id, r + 1));
  const facts = segments
    .filter((segment) => segment.kind === 'rankings' || segment.kind === 'captures')
    .map((segment): Fact => ({ date: segment.date, order: kindOrder(segment), segment }));
  for (const entry of hand) facts.push({ date: entry.date, order: BY_HAND, entry });
  facts.sort((a, b) => a.date.localeCompare(b.date) || a.order - b.order);
  const giveWay = givingWay();
  for (const [n, { date, segment, entry }] of facts.entries()) {
    await giveWay();
    if (entry) applyByHand(standings, entry, bitOf);
    if (segment) standings.rests.push(segment);
    if (segment?.kind === 'captures') {
      const columns = await captureColumnsOf(store, segment);
      noteCapture(standings, columns);
      applyCaptures(standings, columns, sides.masks);
    } else if (segment) {
      await applyRankings(standings, store, segment, sides.masks, lookedOn);
    }
    if (facts[n + 1]?.date !== date) yield { date, standings };
  }
}

interface Fact {
  date: string;
  order: number;
  segment?: StoredSegment;
  entry?: HandFact;
}

/** On one day: look-ups, then what was seen by hand, then captures, which have looked at everybody. */
const BY_HAND = 1;
function kindOrder(segment: StoredSegment): number {
  return segment.kind === 'rankings' ? 0 : 2;
}

function emptyStandings(base: number, size: number, rivals: number): Standings {
  const side = (): SideStanding => ({ organic: new Uint8Array(size), paid: new Uint8Array(size) });
  return {
    base,
    size,
    own: side(),
    rivals: Array.from({ length: rivals }, side),
    paidLooked: new Uint8Array(size),
    capture: new Uint16Array(size),
    captureRow: new Int32Array(size),
    captures: [],
    ownSlot: new Int32Array(size).fill(-1),
    ownPlace: new Int32Array(size),
    ownTargets: new Uint8Array(size),
    rests: [],
  };
}

/** A capture tells of everybody: first all are absent to its depth, then its slots say who stands where. */
function applyCaptures(standings: Standings, columns: CaptureColumns, masks: Uint32Array): void {
  const { base, own, rivals } = standings;
  for (let row = 0; row < columns.keyword.length; row++) {
    const i = columns.keyword[row]! - base;
    own.organic[i] = own.paid[i] = ABSENT;
    for (const rival of rivals) rival.organic[i] = rival.paid[i] = ABSENT;
    standings.paidLooked[i] = 1;
    standings.ownSlot[i] = -1;
    standings.ownPlace[i] = 0;
    standings.ownTargets[i] = 0;
    const start = columns.slotStart[row]!;
    for (let slot = start; slot < start + columns.slotCount[row]!; slot++) {
      const mask = masks[columns.place[slot]!] ?? 0;
      if (mask === 0) continue;
      const organic = columns.organic[slot]!;
      const paid = columns.paid[slot]!;
      if (mask & 1) {
        if (organic > 0) {
          standings.ownTargets[i]!++;
          if (organic < own.organic[i]!) {
            own.organic[i] = organic;
            standings.ownSlot[i] = slot;
            standings.ownPlace[i] = columns.place[slot]!;
          }
        }
        if (paid > 0 && paid < own.paid[i]!) own.paid[i] = paid;
      }
      for (let rival = 0; rival < rivals.length; rival++) {
        if ((mask & (2 << rival)) === 0) continue;
        const side = rivals[rival]!;
        if (organic > 0 && organic < side.organic[i]!) side.organic[i] = organic;
        if (paid > 0 && paid < side.paid[i]!) side.paid[i] = paid;
      }
    }
  }
}

/** A position seen by hand says where one side stands, and nothing of the others. */
function applyByHand(
  { base, size, own, rivals }: Standings,
  { keyword, target, organic, paid }: HandFact,
  bitOf: ReadonlyMap<number, number>,
): void {
  const i = keyword - base;
  const bit = bitOf.get(target);
  const side = bit === undefined ? undefined : bit === 0 ? own : rivals[bit - 1];
  if (!side || i < 0 || i >= size) return;
  if (organic !== null) side.organic[i] = organic;
  if (paid !== null) side.paid[i] = paid;
}

/** Rows of a look-up: each says where one place stands. The day's first row of a side replaces what was older. */
async function applyRankings(
  standings: Standings,
  store: ColumnStore,
  segment: StoredSegment,
  masks: Uint32Array,
  lookedOn: { organic: Int32Array; paid: Int32Array }[],
): Promise<void> {
  const keyword = await store.column<Int32Array>(segment.id, 'keyword');
  const place = await store.column<Int32Array>(segment.id, 'place');
  const organic = await store.column<Uint8Array>(segment.id, 'organic');
  const paid = await store.column<Uint8Array>(segment.id, 'paid');
  const day = dayOf(segment.date);
  const sides = [standings.own, ...standings.rivals];
  for (let row = 0; row < keyword.length; row++) {
    const mask = masks[place[row]!] ?? 0;
    if (mask === 0) continue;
    const i = keyword[row]! - standings.base;
    for (let bit = 0; bit < sides.length; bit++) {
      if ((mask & (1 << bit)) === 0) continue;
      const side = sides[bit]!;
      const stamp = lookedOn[bit]!;
      if (organic[row]! > 0) {
        if (stamp.organic[i] !== day) side.organic[i] = UNKNOWN;
        stamp.organic[i] = day;
        if (side.organic[i] === UNKNOWN || organic[row]! < side.organic[i]!) {
          side.organic[i] = organic[row]!;
          if (bit === 0) standings.ownPlace[i] = place[row]!;
        }
      }
      if (paid[row]! > 0) {
        if (stamp.paid[i] !== day) side.paid[i] = UNKNOWN;
        stamp.paid[i] = day;
        if (side.paid[i] === UNKNOWN || paid[row]! < side.paid[i]!) side.paid[i] = paid[row]!;
      }
    }
  }
}

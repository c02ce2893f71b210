import { ABSENT, UNKNOWN, better } from '@opsimath/core/ranking/position';
import type { MarketRow } from '../../data/markets';
import { type PlaceRow, placesUnder } from '../../data/places';
import { findSegments } from '../../data/segments/segments';
import { captureColumnsOf } from './captures';
import type { Workspace } from '../kept/workspace';

/** What is known of one target on one day: column values by keyword id. */
export interface DayFacts {
  date: string;
  /** Best organic position; absent only where a capture says so. */
  organic: Map<number, number>;
  paid: Map<number, number>;
  /** Place that holds the organic position. */
  holder: Map<number, number>;
  /** Keywords whose paid slots were looked at on this day. */
  paidLooked: Set<number>;
  /** Keywords whose result page was captured on this day. */
  captured: Set<number>;
  /** The whole target was looked up on this day. */
  lookedUp: boolean;
}

/** Where a target stood on every day up to a date of which a look-up or capture says anything, oldest first. */
export async function targetFacts(
  workspace: Workspace,
  market: MarketRow,
  address: string,
  until: string,
): Promise<{ days: DayFacts[]; places: Map<number, PlaceRow> }> {
  const { database, store } = workspace;
  const places = new Map((await placesUnder(database, [address])).map((place) => [place.id, place] as const));
  const days = new Map<string, DayFacts>();
  const dayOf = (date: string): DayFacts => {
    let day = days.get(date);
    if (!day) {
      day = {
        date,
        organic: new Map(),
        paid: new Map(),
        holder: new Map(),
        paidLooked: new Set(),
        captured: new Set(),
        lookedUp: false,
      };
      days.set(date, day);
    }
    return day;
  };
  const note = (day: DayFacts, keyword: number, place: number, organic: number, paid: number): void => {
    if (organic > 0) {
      const known = day.organic.get(keyword) ?? UNKNOWN;
      const best = better(known, organic);
      day.organic.set(keyword, best);
      if (best === organic && known !== organic) day.holder.set(keyword, place);
    }
    if (paid > 0) day.paid.set(keyword, better(day.paid.get(keyword) ?? UNKNOWN, paid));
  };
  for (const segment of await findSegments(database, { marketId: market.id, until })) {
    if (segment.kind === 'rankings') {
      const keyword = await store.column<Int32Array>(segment.id, 'keyword');
      const place = await store.column<Int32Array>(segment.id, 'place');
      const organic = await store.column<Uint8Array>(segment.id, 'organic');
      const paid = await store.column<Uint8Array>(segment.id, 'paid');
      const wasLookedUp = segment.subject === address;
      if (wasLookedUp) dayOf(segment.date).lookedUp = true;
      for (let row = 0; row < keyword.length; row++) {
        if (!places.has(place[row]!)) continue;
        const day = dayOf(segment.date);
        note(day, keyword[row]!, place[row]!, organic[row]!, paid[row]!);
        if (wasLookedUp) day.paidLooked.add(keyword[row]!);
      }
    } else if (segment.kind === 'captures') {
      const columns = await captureColumnsOf(store, segment);
      const day = dayOf(segment.date);
      for (let row = 0; row < columns.keyword.length; row++) {
        const id = columns.keyword[row]!;
        // A capture has looked at everybody: what a look-up of the day said gives way.
        day.organic.set(id, ABSENT);
        day.paid.set(id, ABSENT);
        day.paidLooked.add(id);
        day.captured.add(id);
        const end = columns.slotStart[row]! + columns.slotCount[row]!;
        for (let slot = columns.slotStart[row]!; slot < end; slot++) {
          const place = columns.place[slot]!;
          if (places.has(place)) note(day, id, place, columns.organic[slot]!, columns.paid[slot]!);
        }
      }
    }
  }
  return { days: [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1)), places };
}

/** The newest known standing of every keyword: newer days overwrite older ones. */
export function newestStanding(days: readonly DayFacts[]): Pick<DayFacts, 'organic' | 'paid' | 'holder'> {
  const organic = new Map<number, number>();
  const paid = new Map<number, number>();
  const holder = new Map<number, number>();
  for (const day of days) {
    for (const [id, position] of day.organic) organic.set(id, position);
    for (const [id, slot] of day.paid) paid.set(id, slot);
    for (const [id, place] of day.holder) holder.set(id, place);
  }
  return { organic, paid, holder };
}

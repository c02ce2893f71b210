import { presumedAbsent } from '@opsimath/core/ranking/presumed';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import { dayOf } from '@opsimath/core/day';
import type { CompleteLookUp } from '../../data/completeLookUps';
import type { StoredSegment } from '../../data/segments/segments';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import type { Sides } from './sides';
import type { SideStanding, Standings } from './standings';

/** Which sides are presumed absent: by entry of the standings, bit 0 ours, bit r + 1 rival r. */
export type Presumed = Uint32Array;

/**
 * Makes sides absent that are unknown although they were looked up completely (method §4): a look-up of the same source, at
 * most seven days apart, names the keyword for another side. What is known stays as it is: a capture settles it.
 */
export async function presumeAbsent(
  store: ColumnStore,
  standings: Standings,
  segments: readonly StoredSegment[],
  complete: readonly CompleteLookUp[],
  sides: Sides,
): Promise<Presumed> {
  const presumed = new Uint32Array(standings.size);
  const rankings = segments.filter(({ kind }) => kind === 'rankings');
  const giveWay = givingWay();
  const all: SideStanding[] = [standings.own, ...standings.rivals];
  for (const [bit, side] of all.entries()) {
    const roots = rootsOf(bit === 0 ? sides.own : [sides.rivals[bit - 1]!]);
    for (const look of wholeSideLookUps(complete, roots)) {
      for (const segment of rankings) {
        const source = segment.importId ? segment.source : null;
        if (
          !presumedAbsent(
            { source: look.source, day: dayOf(look.date) },
            { source, day: dayOf(segment.date) },
          )
        )
          continue;
        const keyword = await store.column<Int32Array>(segment.id, 'keyword');
        const place = await store.column<Int32Array>(segment.id, 'place');
        const organic = await store.column<Uint8Array>(segment.id, 'organic');
        for (let row = 0; row < keyword.length; row++) {
          if (row % 65_536 === 0) await giveWay();
          if (organic[row] === 0) continue;
          const mask = (sides.masks[place[row]!] ?? 0) & ~(1 << bit);
          const i = keyword[row]! - standings.base;
          if (mask === 0 || (side.organic[i] !== UNKNOWN && (presumed[i]! & (1 << bit)) === 0)) continue;
          side.organic[i] = ABSENT;
          presumed[i]! |= 1 << bit;
        }
      }
    }
  }
  return presumed;
}

/** Addresses of a side that lie under no other of it: together they are the whole side. */
function rootsOf(targets: readonly { address: string }[]): string[] {
  const addresses = targets.map(({ address }) => address);
  return addresses.filter(
    (address) =>
      !addresses.some((other) => other !== address && address.startsWith(`${other.replace(/[/*]+$/, '')}/`)),
  );
}

/** Days on which every root of a side was looked up completely, from one source. */
function wholeSideLookUps(complete: readonly CompleteLookUp[], roots: readonly string[]): CompleteLookUp[] {
  const [first, ...rest] = roots;
  return complete.filter(
    ({ address, date, source }) =>
      address === first &&
      rest.every((root) =>
        complete.some((other) => other.address === root && other.date === date && other.source === source),
      ),
  );
}

import type { OverTime } from '@opsimath/contract/api/overTime';
import { placesById } from '../data/places';
import type { Comparison } from './comparison';
import type { Standings } from './standings';
import type { Workspace } from './workspace';

const MOST = 20;

/**
 * Owners on some front now that were on none at the earlier date, over the keywords captured at both; those of most
 * keywords first.
 */
export async function newcomers(
  { database }: Workspace,
  { now, sides, metrics, project }: Comparison,
  before: Standings,
  shown: Int32Array,
): Promise<OverTime['newcomers']> {
  const { front } = project.settings;
  const both = shown.filter((row) => now.capture[row]! > 0 && before.capture[row]! > 0);
  const here = frontPlaces(now, both, front);
  const earlier = frontPlaces(before, both, front);
  const places = await placesById(
    database,
    new Set([...here.map(({ place }) => place), ...earlier.map(({ place }) => place)]),
  );
  const ownerOf = (place: number): string => places.get(place)?.parent ?? places.get(place)?.address ?? '';
  const known = new Set(earlier.map(({ place }) => ownerOf(place)));
  const byOwner = new Map<string, { rows: Set<number>; best: number; known: boolean }>();
  for (const { place, position, row } of here) {
    const owner = ownerOf(place);
    if (owner === '' || known.has(owner)) continue;
    let entry = byOwner.get(owner);
    if (!entry) byOwner.set(owner, (entry = { rows: new Set(), best: position, known: false }));
    entry.rows.add(row);
    entry.best = Math.min(entry.best, position);
    entry.known ||= (sides.masks[place] ?? 0) !== 0;
  }
  return [...byOwner]
    .map(([owner, { rows, best, known: inRoster }]) => ({
      owner,
      keywords: rows.size,
      best,
      volume: [...rows].reduce((sum, row) => sum + (metrics.volume[row]! || 0), 0),
      known: inRoster,
    }))
    .sort((a, b) => b.keywords - a.keywords || b.volume - a.volume || (a.owner < b.owner ? -1 : 1))
    .slice(0, MOST);
}

function frontPlaces(
  standings: Standings,
  rows: Int32Array,
  front: number,
): { place: number; position: number; row: number }[] {
  const found: { place: number; position: number; row: number }[] = [];
  for (const row of rows) {
    const { slotStart, slotCount, organic, place } = standings.captures[standings.capture[row]! - 1]!;
    const at = standings.captureRow[row]!;
    for (let slot = slotStart[at]!; slot < slotStart[at]! + slotCount[at]!; slot++)
      if (organic[slot]! >= 1 && organic[slot]! <= front)
        found.push({ place: place[slot]!, position: organic[slot]!, row });
  }
  return found;
}

import type { OverTime } from '@opsimath/contract/api/overTime';
import { placesById } from '../../data/places';
import type { Comparison } from '../comparison/comparison';
import type { Standings } from '../facts/standings';
import type { Workspace } from '../thread/workspace';

const MOST = 20;

/** Owners that came onto fronts since the earlier date, over the keywords captured at both; most gained first. */
export async function newcomers(
  { database }: Workspace,
  { now, sides, metrics, project }: Comparison,
  before: Standings,
  shown: Int32Array,
): Promise<OverTime['newcomers']> {
  const { front } = project.settings;
  const both = shown.filter((row) => now.capture[row]! > 0 && before.capture[row]! > 0);
  const [here, earlier] = [frontPlaces(now, both, front), frontPlaces(before, both, front)];
  const places = await placesById(database, new Set([...here, ...earlier].map(({ place }) => place)));
  const ownerOf = (place: number): string => places.get(place)?.parent ?? places.get(place)?.address ?? '';
  const owners = new Map<string, { now: Map<number, number>; then: Set<number>; known: boolean }>();
  const entryOf = (place: number) => {
    const owner = ownerOf(place);
    let entry = owners.get(owner);
    if (!entry) owners.set(owner, (entry = { now: new Map(), then: new Set(), known: false }));
    entry.known ||= (sides.masks[place] ?? 0) !== 0;
    return entry;
  };
  for (const { place, position, row } of here) {
    const entry = entryOf(place);
    entry.now.set(row, Math.min(entry.now.get(row) ?? position, position));
  }
  for (const { place, row } of earlier) entryOf(place).then.add(row);
  owners.delete('');
  return [...owners]
    .map(([owner, entry]) => {
      const came = [...entry.now].filter(([row]) => !entry.then.has(row));
      return {
        owner,
        came: came.length,
        left: [...entry.then].filter((row) => !entry.now.has(row)).length,
        now: entry.now.size,
        best: came.reduce((best, [, position]) => Math.min(best, position), Infinity),
        volume: came.reduce((sum, [row]) => sum + (metrics.volume[row]! || 0), 0),
        known: entry.known,
        isNew: entry.then.size === 0,
      };
    })
    .filter(({ came, left }) => came > left)
    .sort(
      (a, b) => b.came - b.left - (a.came - a.left) || b.volume - a.volume || (a.owner < b.owner ? -1 : 1),
    )
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

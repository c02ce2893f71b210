import type { OverTime } from '@opsimath/contract/api/overTime';
import { placesById } from '../../data/places';
import type { Comparison } from '../comparison/comparison';
import { CaptureReader } from '../facts/captures';
import type { Standings } from '../facts/standings';
import type { Workspace } from '../kept/workspace';

const MOST = 20;

/** Owners that came onto fronts since the earlier date, over the keywords captured at both; most gained first. */
export async function newcomers(
  workspace: Workspace,
  { now, sides, metrics, project }: Comparison,
  before: Standings,
  shown: Int32Array,
): Promise<OverTime['newcomers']> {
  const { front } = project.settings;
  const both = shown.filter((row) => now.capture[row]! > 0 && before.capture[row]! > 0);
  const here = await frontPlaces(workspace, now, both, front);
  const earlier = await frontPlaces(workspace, before, both, front);
  const places = await placesById(
    workspace.database,
    new Set([...here, ...earlier].map(({ place }) => place)),
  );
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

async function frontPlaces(
  { store }: Workspace,
  standings: Standings,
  rows: Int32Array,
  front: number,
): Promise<{ place: number; position: number; row: number }[]> {
  const reader = await CaptureReader.over(store, standings);
  const found: { place: number; position: number; row: number }[] = [];
  for (const row of rows) {
    const page = reader.page(standings.base + row);
    for (const { place, position } of page === null ? [] : reader.results(page, front))
      found.push({ place, position, row });
  }
  return found;
}

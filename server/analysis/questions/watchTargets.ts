import type { WatchTargets } from '@opsimath/contract/api/watch';
import { isRanked } from '@opsimath/core/ranking/position';
import { holderCourse } from '@opsimath/core/watch/holderCourse';
import { indexHistory } from '../../data/indexChecks';
import { keywordsById } from '../../data/keywords';
import { trackedKeywords } from '../../data/tracked';
import { type Comparison, demandOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { type DayFacts, targetFacts } from '../facts/targetFacts';
import type { Workspace } from '../kept/workspace';

const MOST_TARGETS = 100;
const MOST_SHARED = 100;
const MOST_KEYWORDS = 60;

/** Where one of ours stood for a keyword on a day. */
interface Held {
  date: string;
  place: number;
  position: number;
}

/**
 * Which keywords that are followed each target of ours serves, for which of them several targets of ours came up, with who held
 * them from when on, and whether search knows the targets.
 */
export async function watchTargets(
  workspace: Workspace,
  projectId: number,
  { market: code, date }: { market: string; date: string },
): Promise<WatchTargets> {
  const { database } = workspace;
  const { comparison } = await openComparison(workspace, projectId, { market: code, date });
  const { market, sides } = comparison;
  const tracked = new Set(await trackedKeywords(database, projectId, market.id));
  const courses = new Map<number, Held[]>();
  for (const { address } of sides.own) {
    const { days } = await targetFacts(workspace, market, address, date);
    for (const day of days) addDay(courses, day, tracked);
  }
  const texts = await keywordsById(database, courses.keys());
  const places = new Map(sides.ownPlaces.map((place) => [place.id, place]));
  return {
    targets: await serving({ workspace, projectId, comparison }, courses, (id) => texts.get(id)?.text ?? ''),
    shared: [...courses]
      .flatMap(([id, held]) => {
        const course = holderCourse(held);
        return new Set(course.map(({ place }) => place)).size < 2 ? [] : [{ id, course }];
      })
      .map(({ id, course }) => {
        const demand = demandOf(comparison, id);
        return {
          id,
          text: texts.get(id)?.text ?? '',
          demand: Number.isNaN(demand) ? null : demand,
          course: course.map(({ from, place, position }) => ({
            ...{ from, position },
            address: places.get(place)?.address ?? '',
          })),
        };
      })
      .sort((a, b) => (b.demand ?? -1) - (a.demand ?? -1) || a.id - b.id)
      .slice(0, MOST_SHARED),
  };
}

function addDay(courses: Map<number, Held[]>, day: DayFacts, tracked: ReadonlySet<number>): void {
  for (const [id, place] of day.holder) {
    const position = day.organic.get(id);
    if (!tracked.has(id) || position === undefined || !isRanked(position)) continue;
    const held = courses.get(id);
    const entry = { date: day.date, place, position };
    if (held) held.push(entry);
    else courses.set(id, [entry]);
  }
}

/** Targets by how many keywords they hold now, each with the checks of whether search knows it. */
async function serving(
  { workspace, projectId, comparison }: { workspace: Workspace; projectId: number; comparison: Comparison },
  courses: ReadonlyMap<number, readonly Held[]>,
  textOf: (id: number) => string,
): Promise<WatchTargets['targets']> {
  const { market, sides, date } = comparison;
  const places = new Map(sides.ownPlaces.map((place) => [place.id, place]));
  const byPlace = new Map<number, WatchTargets['targets'][number]['keywords']>();
  for (const [id, held] of courses) {
    const { place, position } = held.reduce((newest, one) => (one.date >= newest.date ? one : newest));
    byPlace.set(place, [...(byPlace.get(place) ?? []), { id, text: textOf(id), position }]);
  }
  const shown = [...byPlace].sort(([a, m], [b, n]) => n.length - m.length || a - b).slice(0, MOST_TARGETS);
  const addresses = shown.map(([place]) => places.get(place)?.address ?? '');
  const history = await indexHistory(workspace.database, projectId, market.id, addresses, date);
  return shown.map(([place, keywords], n) => ({
    address: addresses[n]!,
    title: places.get(place)?.title ?? '',
    keywords: keywords.sort((a, b) => a.position - b.position || a.id - b.id).slice(0, MOST_KEYWORDS),
    index: history.get(addresses[n]!) ?? [],
  }));
}

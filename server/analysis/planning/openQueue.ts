import type { WorkScope } from '@opsimath/contract/api/rounds';
import { dayOf } from '@opsimath/core/day';
import { type Taken, leftToDo } from '@opsimath/core/plan/leftToDo';
import type { WorkCandidate } from '@opsimath/core/plan/workList';
import { type RoundRow, listRounds } from '../../data/rounds';
import { type TaskRow, listTasks } from '../../data/tasks';
import { type Comparison, entryOf } from '../comparison/comparison';
import { openWork } from '../comparison/openWork';
import type { Workspace } from '../kept/workspace';

/** Rounds of a project with their tasks, and what is left to do in a market beside them. */
export interface OpenQueue {
  comparison: Comparison;
  rounds: RoundRow[];
  tasks: TaskRow[];
  left: WorkCandidate[];
  all: readonly WorkCandidate[];
}

export async function openQueue(
  workspace: Workspace,
  projectId: number,
  scope: WorkScope,
): Promise<OpenQueue> {
  const { comparison, candidates } = await openWork(workspace, projectId, scope);
  const rounds = await listRounds(workspace.database, projectId);
  const tasks = await listTasks(workspace.database, projectId);
  const left = leftToDo(candidates, takenBy(comparison, tasks));
  return { comparison, rounds, tasks, left, all: candidates };
}

/**
 * What tasks have taken on. One that is published has done its part once the horizon of the forecast has passed: until then
 * captures may still show the page as it was. One dropped only stays away.
 */
function takenBy(comparison: Comparison, tasks: readonly TaskRow[]): Taken {
  const { sides, market, date, models } = comparison;
  const placeOf = new Map(sides.ownPlaces.map(({ id, address }) => [address, id]));
  const [gained, leads, places] = [new Set<number>(), new Set<string>(), new Set<string>()];
  for (const { marketId, keywordId, action, address, serves, state, published } of tasks) {
    if (marketId !== market.id) continue;
    if (published !== null && dayOf(date) - dayOf(published) > models.forecast.horizon) continue;
    leads.add(`${entryOf(comparison, keywordId)} ${action}`);
    if (state === 'dropped') continue;
    const place = placeOf.get(address);
    if (place !== undefined) places.add(`${place} ${action}`);
    for (const { keyword, clicks } of serves) if (clicks > 0) gained.add(entryOf(comparison, keyword));
  }
  return { gained, leads, places };
}

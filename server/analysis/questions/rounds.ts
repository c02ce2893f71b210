import type { Round, RoundsView, Task, roundsQuery } from '@opsimath/contract/api/rounds';
import { isPaidAction } from '@opsimath/core/gap/action';
import { key } from '@opsimath/core/text/key';
import { workList } from '@opsimath/core/plan/workList';
import { peakMonth } from '@opsimath/core/demand/trend';
import { forNextYear, yearIn } from '@opsimath/core/demand/nextYear';
import { startBy } from '@opsimath/core/demand/startBy';
import type { z } from 'zod';
import { keywordIdsOfKnown, keywordsById } from '../../data/keywords';
import { type RoundRow, roundById } from '../../data/rounds';
import { type TaskRow, listTasks } from '../../data/tasks';
import { type Comparison, entryOf } from '../comparison/comparison';
import { linesOf } from '../comparison/workLines';
import { seasonOf } from '../facts/metrics';
import type { Workspace } from '../kept/workspace';
import { measuredTasks } from './effects';
import { openQueue } from '../planning/openQueue';

const MOST_KEYWORDS = 60;

/** The board: rounds with their tasks, what was set aside, and what is left to do (method §11). */
export async function roundsView(
  workspace: Workspace,
  projectId: number,
  query: z.output<typeof roundsQuery>,
): Promise<RoundsView> {
  const { comparison, rounds, tasks, left } = await openQueue(workspace, projectId, query);
  const { project } = comparison;
  const queue = workList(left);
  const { market, date } = query;
  const measured = await measuredTasks(workspace, projectId, { market, date });
  const told = await toldTasks(workspace, comparison, tasks, measured);
  return {
    currency: project.settings.currency,
    front: project.settings.front,
    rounds: rounds.map((round) =>
      toldRound(
        round,
        told.filter((task) => task.round === round.id),
      ),
    ),
    aside: told.filter(({ state }) => state !== 'in'),
    again: await againNextYear(workspace, comparison, tasks),
    queue: {
      total: queue.length,
      days: queue.reduce((sum, { effort }) => sum + effort, 0),
      value: queue.reduce((sum, { value }) => sum + value, 0),
      lines: await linesOf(workspace, comparison, queue.slice(0, query.limit)),
    },
  };
}

/** One round with its tasks, whatever is compared. */
export async function roundToldAlone(
  workspace: Workspace,
  projectId: number,
  roundId: number,
  today: string,
): Promise<Round> {
  const round = await roundById(workspace.database, projectId, roundId);
  const tasks = (await listTasks(workspace.database, projectId)).filter((task) => task.roundId === roundId);
  const measured = new Set<number>();
  for (const market of new Set(tasks.flatMap((task) => (task.published === null ? [] : [task.market]))))
    for (const id of await measuredTasks(workspace, projectId, { market, date: today })) measured.add(id);
  return toldRound(round, await toldTasks(workspace, null, tasks, measured));
}

function toldRound({ id, name, starts, ends, most, people }: RoundRow, tasks: Task[]): Round {
  const sum = (of: (task: Task) => number): number => tasks.reduce((total, task) => total + of(task), 0);
  const value = sum((task) => task.value);
  // Pieces of work spread on their own: their squares add up.
  const below = Math.sqrt(sum((task) => (task.value - task.low) ** 2));
  const above = Math.sqrt(sum((task) => (task.high - task.value) ** 2));
  const winning = tasks.flatMap(({ keywords }) =>
    keywords.filter(({ clicks }) => clicks > 0).map((one) => one.id),
  );
  return {
    id,
    name,
    starts,
    ends,
    most,
    people: people.map((person) => ({
      ...person,
      used: tasks.reduce((days, task) => days + (task.person === person.name ? task.effort : 0), 0),
    })),
    value,
    low: value - below,
    high: value + above,
    days: sum(({ effort }) => effort),
    keywords: new Set(winning).size,
    tasks,
  };
}

async function toldTasks(
  { database }: Workspace,
  comparison: Comparison | null,
  tasks: readonly TaskRow[],
  measured: ReadonlySet<number>,
): Promise<Task[]> {
  const named = tasks.map(({ serves, keywordId }) =>
    [...serves]
      .sort(
        (a, b) =>
          Number(b.keyword === keywordId) - Number(a.keyword === keywordId) ||
          Math.abs(b.value) - Math.abs(a.value),
      )
      .slice(0, MOST_KEYWORDS),
  );
  const texts = await keywordsById(database, new Set(named.flat().map(({ keyword }) => keyword)));
  const twins = new Map<number, TaskRow[]>();
  for (const task of tasks) twins.set(task.keywordId, [...(twins.get(task.keywordId) ?? []), task]);
  return tasks.map((task, n): Task => {
    const { roundId, market, keywordId, keyword, serves, published, draft } = task;
    const twin = twins
      .get(keywordId)!
      .find((other) => other !== task && isPaidAction(other.action) !== isPaidAction(task.action));
    return {
      id: task.id,
      round: roundId,
      place: task.place,
      market,
      action: task.action,
      lead: { id: keywordId, text: keyword },
      address: task.address,
      title: task.title,
      keywords: named[n]!.map(({ keyword: id, clicks, value }) => ({
        id,
        text: texts.get(id)?.text ?? '',
        clicks,
        value,
      })),
      won: serves.filter(({ clicks }) => clicks >= 1).length,
      lost: serves.filter(({ clicks }) => clicks <= -1).length,
      clicks: task.clicks,
      value: task.value,
      low: task.low,
      high: task.high,
      effort: task.effort,
      reason: task.reason,
      foretold: task.foretold,
      person: task.person,
      due: task.due,
      startBy: startOf(comparison, task),
      year: yearIn(keyword),
      use: task.use,
      state: task.state,
      step: measured.has(task.id)
        ? 'measured'
        : published !== null
          ? 'published'
          : draft === null
            ? 'picked'
            : 'drafted',
      draft,
      twin: twin?.id ?? null,
      until: task.until,
      why: task.why,
      revision: task.revision,
    };
  });
}

/** What dated keywords will be typed as next; those that are in work already as such are left out. */
async function againNextYear(
  { database }: Workspace,
  comparison: Comparison,
  tasks: readonly TaskRow[],
): Promise<RoundsView['again']> {
  const { market, date, project, metrics, rows } = comparison;
  const worked = new Set(tasks.map(({ keyword }) => key(keyword)));
  const next = new Map<string, { task: TaskRow; text: string }>();
  for (const task of tasks) {
    const text = task.marketId === market.id ? forNextYear(task.keyword, date) : null;
    if (text !== null && !worked.has(key(text))) next.set(key(text), { task, text });
  }
  const ids = await keywordIdsOfKnown(database, market.id, [...next.keys()]);
  return [...next.values()].map(({ task, text }, n) => {
    const entry = entryOf(comparison, task.keywordId);
    const peak = entry < 0 ? null : peakMonth(seasonOf(metrics, rows[entry]!));
    const first = `${yearIn(text)}-01-01`;
    // Its season in its year; without one, in time for the year’s first day.
    const from = startBy(peak ?? 0, first, project.settings.leadDays);
    return { task: task.id, text, id: ids[n]! > 0 ? ids[n]! : null, from };
  });
}

/** The day by which work on a task has to begin, by the season of its keyword. */
function startOf(comparison: Comparison | null, { marketId, keywordId }: TaskRow): string | null {
  if (comparison === null) return null;
  const { market, metrics, rows, date, project } = comparison;
  if (marketId !== market.id) return null;
  const entry = entryOf(comparison, keywordId);
  if (entry < 0) return null;
  const peak = peakMonth(seasonOf(metrics, rows[entry]!));
  return peak === null ? null : startBy(peak, date, project.settings.leadDays);
}

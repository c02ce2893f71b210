import type { TASK_STATES, TASK_USES, TaskChange } from '@opsimath/contract/api/rounds';
import type { Action } from '@opsimath/core/gap/action';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { roundById } from './rounds';
import { task } from './schema';
import type { Database } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** A task as it is kept, with the words of its keyword and market, and how far it is by the facts. */
export interface TaskRow {
  id: number;
  roundId: number | null;
  place: number;
  marketId: number;
  market: string;
  action: Action;
  keywordId: number;
  keyword: string;
  address: string;
  title: string;
  serves: { keyword: number; clicks: number; value: number }[];
  clicks: number;
  value: number;
  low: number;
  high: number;
  effort: number;
  reason: string;
  foretold: string;
  person: string;
  due: string | null;
  use: (typeof TASK_USES)[number];
  state: (typeof TASK_STATES)[number];
  until: string | null;
  why: string;
  revision: number;
  draft: number | null;
  /** Day on which it was published. */
  published: string | null;
}

/** A task that is about to be picked. */
export type NewTask = Pick<
  typeof task.$inferInsert,
  | 'marketId'
  | 'action'
  | 'keywordId'
  | 'address'
  | 'title'
  | 'serves'
  | 'clicks'
  | 'value'
  | 'low'
  | 'high'
  | 'effort'
  | 'reason'
  | 'foretold'
  | 'person'
>;

/** All tasks of a project but those that went back to the queue, in the order of their rounds. */
export async function listTasks(database: Database, projectId: number): Promise<TaskRow[]> {
  const found = await database.client.execute({
    sql: `SELECT task.id, round_id AS roundId, task.place, task.market_id AS marketId, market.code AS market, action,
                 keyword_id AS keywordId, keyword.text AS keyword, task.address, title, serves, clicks, value, low, high, effort,
                 reason, foretold, task.person, due, use, task.state, until, why, task.revision,
                 (SELECT max(id) FROM draft WHERE task_id = task.id) AS draft,
                 (SELECT max(date) FROM published_change WHERE task_id = task.id AND state <> 'asked') AS published
          FROM task JOIN keyword ON keyword.id = keyword_id JOIN market ON market.id = task.market_id
          WHERE task.project_id = ? AND task.state <> 'out' ORDER BY task.place, task.id`,
    args: [projectId],
  });
  return rawRows<Omit<TaskRow, 'serves'> & { serves: string }>(found).map((row) => ({
    ...row,
    serves: JSON.parse(row.serves) as TaskRow['serves'],
  }));
}

/** Adds picked work behind what its round holds; gives the ids in the same order. */
export function addTasks(
  database: Database,
  projectId: number,
  roundId: number,
  tasks: readonly NewTask[],
): Promise<number[]> {
  return database.together(async (steps) => {
    await roundById(steps, projectId, roundId);
    const [last] = await steps.rows
      .select({ place: sql<number | null>`max(place)` })
      .from(task)
      .where(eq(task.roundId, roundId));
    const ids: number[] = [];
    for (const [n, one] of tasks.entries()) {
      const place = (last?.place ?? 0) + n + 1;
      const [added] = await steps.rows
        .insert(task)
        .values({ ...one, projectId, roundId, place })
        .returning({ id: task.id });
      ids.push(added!.id);
    }
    return ids;
  });
}

/**
 * Changes tasks, all or none. A task that comes into a round stands in it (and is neither put off nor dropped); one that is put
 * off, dropped or out stands in none.
 *
 * @returns the same changes the other way round
 */
export function changeTasks(
  database: Database,
  projectId: number,
  changes: readonly TaskChange[],
): Promise<TaskChange[]> {
  return database.together(async (steps) => {
    const held = await steps.rows
      .select()
      .from(task)
      .where(
        and(
          eq(task.projectId, projectId),
          inArray(
            task.id,
            changes.map(({ id }) => id),
          ),
        ),
      );
    const before = new Map(held.map((row) => [row.id, row]));
    const back: TaskChange[] = [];
    for (const { id, round: roundId, ...change } of changes) {
      const row = before.get(id);
      if (!row)
        throw new KnownProblem('no-such-task', 'This piece of work is gone.', 'Open the rounds again.');
      if (roundId !== undefined && roundId !== null) await roundById(steps, projectId, roundId);
      const state = change.state ?? (roundId === undefined || roundId === null ? row.state : 'in');
      const stands = state === 'in';
      const next = {
        ...change,
        state,
        roundId: stands ? (roundId === undefined ? row.roundId : roundId) : null,
        ...(stands ? { until: null, why: '' } : {}),
      };
      if (stands && next.roundId === null)
        throw new KnownProblem('no-round', 'Say which round it goes into.', 'Move it into a round.');
      await steps.rows
        .update(task)
        .set({ ...next, revision: row.revision + 1 })
        .where(eq(task.id, id));
      const { place, person, due, use, title, address, effort, until, why } = row;
      back.unshift({
        id,
        round: row.roundId,
        state: row.state,
        place,
        person,
        due,
        use,
        title,
        address,
        effort,
        until,
        why,
      });
    }
    return back;
  });
}

/** The figures of another action for a task. */
export async function replaceMeasure(
  database: Database,
  projectId: number,
  id: number,
  { marketId: _market, keywordId: _keyword, person: _person, ...measure }: NewTask,
): Promise<void> {
  const changed = await database.rows
    .update(task)
    .set({ ...measure, revision: sql`revision + 1` })
    .where(and(eq(task.projectId, projectId), eq(task.id, id)))
    .returning({ id: task.id });
  if (changed.length === 0)
    throw new KnownProblem('no-such-task', 'This piece of work is gone.', 'Open the rounds again.');
}

/** Keywords that somebody keeps to organic work. */
export async function organicOnly(database: Database, projectId: number): Promise<ReadonlySet<number>> {
  const found = await database.client.execute({
    sql: `SELECT DISTINCT keyword_id AS id FROM task WHERE project_id = ? AND use = 'organic' AND state <> 'out'`,
    args: [projectId],
  });
  return new Set(found.rows.map(({ id }) => Number(id)));
}

/** A task of a target that was only planned, once that has an address. */
export async function joinTarget(database: Database, taskId: number, address: string): Promise<void> {
  await database.rows
    .update(task)
    .set({ address, revision: sql`revision + 1` })
    .where(and(eq(task.id, taskId), eq(task.address, '')));
}

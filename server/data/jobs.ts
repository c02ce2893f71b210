import type { Job, JobProgress } from '@opsimath/contract/api/jobs';
import { jobProgress } from '@opsimath/contract/api/jobs';
import type { InStatement } from '@libsql/client';
import { desc, eq, inArray, sql } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { job } from './schema';

type JobRow = typeof job.$inferSelect;

export const NO_PROGRESS: JobProgress = {
  step: 'waiting',
  done: 0,
  total: null,
  units: 0,
  secondsLeft: null,
};

export function readJob(row: JobRow): Job {
  const { request: _request, restarts: _restarts, progress, ...rest } = row;
  return { ...rest, progress: jobProgress.parse(progress) };
}

export async function createJob(
  database: Database,
  projectId: number,
  kind: Job['kind'],
  request: object,
): Promise<number> {
  const [created] = await database.rows
    .insert(job)
    .values({
      projectId,
      kind,
      state: 'queued',
      request: request as Record<string, unknown>,
      progress: { ...NO_PROGRESS },
    })
    .returning({ id: job.id });
  return created!.id;
}

export async function jobById(database: Database, id: number): Promise<JobRow> {
  const [found] = await database.rows.select().from(job).where(eq(job.id, id));
  if (!found) throw new KnownProblem('no-such-job', `There is no job ${id}.`);
  return found;
}

export async function jobsById(database: Database, ids: number[]): Promise<Map<number, Job>> {
  if (ids.length === 0) return new Map();
  const found = await database.rows.select().from(job).where(inArray(job.id, ids));
  return new Map(found.map((row) => [row.id, readJob(row)]));
}

export async function projectJobs(database: Database, projectId: number): Promise<Job[]> {
  const found = await database.rows
    .select()
    .from(job)
    .where(eq(job.projectId, projectId))
    .orderBy(desc(job.id))
    .limit(50);
  return found.map(readJob);
}

/** Jobs that a stopped server left behind, oldest first. */
export async function unfinishedJobs(database: Database): Promise<number[]> {
  const found = await database.rows
    .select({ id: job.id })
    .from(job)
    .where(inArray(job.state, ['queued', 'running']))
    .orderBy(job.id);
  return found.map(({ id }) => id);
}

export async function setJobState(
  database: Database,
  id: number,
  state: Job['state'],
  message: string | null,
): Promise<void> {
  const finished = state === 'queued' || state === 'running' ? null : new Date().toISOString();
  await database.rows.update(job).set({ state, message, finishedAt: finished }).where(eq(job.id, id));
}

/**
 * Notes that a job is being started: nothing is asked for and nothing paid before this stands. Gives how often it was
 * started in a row without coming on.
 */
export async function noteStart(database: Database, id: number): Promise<number> {
  const [row] = await database.rows
    .update(job)
    .set({ state: 'running', message: null, finishedAt: null, restarts: sql`${job.restarts} + 1` })
    .where(eq(job.id, id))
    .returning({ restarts: job.restarts });
  return row?.restarts ?? 0;
}

/** Progress as a statement, so that it is written with the facts it speaks of. A job that comes on may start again. */
export function progressStatement(id: number, progress: JobProgress): InStatement {
  return {
    sql: 'UPDATE job SET progress = ?, restarts = 0 WHERE id = ?',
    args: [JSON.stringify(progress), id],
  };
}

/** The end of a job as a statement, to run with the last of what it did. */
export function endStatement(
  id: number,
  state: 'done' | 'failed' | 'cancelled',
  message: string | null,
): InStatement {
  return {
    sql: `UPDATE job SET state = ?, message = ?, restarts = 0, finished_at = strftime('%Y-%m-%dT%H:%M:%fZ','now') WHERE id = ?`,
    args: [state, message, id],
  };
}

import type { Job, JobProgress } from '@opsimath/contract/api/jobs';
import { jobProgress } from '@opsimath/contract/api/jobs';
import type { InStatement } from '@libsql/client';
import { desc, eq, inArray } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { Database } from './connection';
import { job } from './schema';

export type JobRow = typeof job.$inferSelect;

export const NO_PROGRESS: JobProgress = {
  step: 'waiting',
  done: 0,
  total: null,
  units: 0,
  secondsLeft: null,
};

export function readJob(row: JobRow): Job {
  const { request: _request, progress, ...rest } = row;
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
  if (!found) throw new KnownProblem(404, 'no-such-job', `There is no job ${id}.`);
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

/** Progress as a statement, so that it is written with the facts it speaks of. */
export function progressStatement(id: number, progress: JobProgress): InStatement {
  return { sql: 'UPDATE job SET progress = ? WHERE id = ?', args: [JSON.stringify(progress), id] };
}

import { and, asc, eq, sql } from 'drizzle-orm';
import type { z } from 'zod';
import type { roundAddition, roundChange } from '@opsimath/contract/api/rounds';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { round, task } from './schema';

export type RoundRow = typeof round.$inferSelect;

export function listRounds(database: Database, projectId: number): Promise<RoundRow[]> {
  return database.rows
    .select()
    .from(round)
    .where(eq(round.projectId, projectId))
    .orderBy(asc(round.starts), asc(round.id));
}

export async function roundById(database: Database, projectId: number, id: number): Promise<RoundRow> {
  const [found] = await database.rows
    .select()
    .from(round)
    .where(and(eq(round.projectId, projectId), eq(round.id, id)));
  if (!found) throw new KnownProblem('no-such-round', 'This round is gone.', 'Open the rounds again.');
  return found;
}

export async function addRound(
  database: Database,
  projectId: number,
  addition: z.output<typeof roundAddition>,
): Promise<number> {
  const [added] = await database.rows
    .insert(round)
    .values({ projectId, ...addition })
    .returning({ id: round.id });
  return added!.id;
}

export async function changeRound(
  database: Database,
  projectId: number,
  id: number,
  change: z.output<typeof roundChange>,
): Promise<void> {
  const { starts, ends } = { ...(await roundById(database, projectId, id)), ...change };
  if (starts > ends)
    throw new KnownProblem('round-ends-first', 'This round would end before it begins.', 'Set another day.');
  await database.rows.update(round).set(change).where(eq(round.id, id));
}

/** Takes a round away; what was in it goes back to the queue. */
export async function removeRound(database: Database, projectId: number, id: number): Promise<void> {
  await roundById(database, projectId, id);
  await database.together(async (steps) => {
    await steps.rows
      .update(task)
      .set({ state: 'out', roundId: null, revision: sql`revision + 1` })
      .where(and(eq(task.roundId, id), eq(task.state, 'in')));
    await steps.rows.delete(round).where(eq(round.id, id));
  });
}

import { type LookUp, type LookUpRequest, lookUpRequest } from '@opsimath/contract/api/lookUps';
import type { InStatement } from '@libsql/client';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { Database } from './connection';
import { jobsById } from './jobs';
import { lookUp, lookUpTarget, market } from './schema';

export type LookUpTargetRow = typeof lookUpTarget.$inferSelect;

export interface LookUpRow {
  id: number;
  projectId: number;
  marketId: number;
  date: string;
  request: LookUpRequest;
}

export async function createLookUp(
  database: Database,
  projectId: number,
  marketId: number,
  name: string,
  request: LookUpRequest,
): Promise<number> {
  const [created] = await database.rows
    .insert(lookUp)
    .values({
      projectId,
      marketId,
      name,
      date: request.date,
      request: request as unknown as Record<string, unknown>,
    })
    .returning({ id: lookUp.id });
  const id = created!.id;
  for (const address of new Set(request.targets)) {
    const heldBy = await heldRankings(database, marketId, request, address);
    await database.rows.insert(lookUpTarget).values({
      lookUpId: id,
      address,
      heldBy: heldBy?.lookUpId ?? id,
      state: heldBy ? 'done' : 'waiting',
      rows: heldBy?.rows ?? 0,
    });
  }
  return id;
}

/** The look-up that already holds a target's rankings for this market, date and kind of slots. */
export async function heldRankings(
  database: Database,
  marketId: number,
  request: Pick<LookUpRequest, 'date' | 'want'>,
  address: string,
): Promise<{ lookUpId: number; rows: number } | null> {
  const found = await database.client.execute({
    sql: `SELECT look_up_target.look_up_id AS lookUpId, look_up_target.rows FROM look_up_target
          JOIN look_up ON look_up.id = look_up_target.look_up_id
          WHERE look_up.market_id = ? AND look_up.date = ? AND look_up_target.address = ? AND look_up_target.state = 'done'
            AND look_up_target.held_by = look_up_target.look_up_id
            AND json_extract(look_up.request, '$.want') IN (?, 'both')
          ORDER BY look_up.id LIMIT 1`,
    args: [marketId, request.date, address, request.want],
  });
  return (found.rows[0] as unknown as { lookUpId: number; rows: number } | undefined) ?? null;
}

export async function setLookUpJob(database: Database, id: number, jobId: number): Promise<void> {
  await database.rows.update(lookUp).set({ jobId }).where(eq(lookUp.id, id));
}

export async function lookUpById(database: Database, id: number): Promise<LookUpRow> {
  const [found] = await database.rows.select().from(lookUp).where(eq(lookUp.id, id));
  if (!found)
    throw new KnownProblem(404, 'no-such-look-up', `There is no look-up ${id}.`, 'Open one from the list.');
  return { ...found, request: lookUpRequest.parse(found.request) };
}

export async function lookUpTargets(database: Database, id: number): Promise<LookUpTargetRow[]> {
  return database.rows
    .select()
    .from(lookUpTarget)
    .where(eq(lookUpTarget.lookUpId, id))
    .orderBy(sql`rowid`);
}

export async function listLookUps(database: Database, projectId: number, only?: number): Promise<LookUp[]> {
  const rows = await database.rows
    .select({ lookUp, code: market.code })
    .from(lookUp)
    .innerJoin(market, eq(market.id, lookUp.marketId))
    .where(and(eq(lookUp.projectId, projectId), only === undefined ? undefined : eq(lookUp.id, only)))
    .orderBy(desc(lookUp.id));
  const ids = rows.map((row) => row.lookUp.id);
  const targets =
    ids.length > 0
      ? await database.rows
          .select()
          .from(lookUpTarget)
          .where(inArray(lookUpTarget.lookUpId, ids))
          .orderBy(sql`rowid`)
      : [];
  const jobs = await jobsById(
    database,
    rows.flatMap((row) => (row.lookUp.jobId === null ? [] : [row.lookUp.jobId])),
  );
  return rows.map(({ lookUp: row, code }) => ({
    id: row.id,
    market: code,
    name: row.name,
    date: row.date,
    request: lookUpRequest.parse(row.request),
    keywords: row.keywords,
    units: row.units,
    createdAt: row.createdAt,
    job: row.jobId === null ? null : (jobs.get(row.jobId) ?? null),
    targets: targets
      .filter((entry) => entry.lookUpId === row.id)
      .map(({ address, state, rows: count, heldBy, message }) => ({
        address,
        state,
        rows: count,
        heldBy,
        message,
      })),
  }));
}

/** Where a target's walk stands, as a statement to run with the rows it speaks of. */
export function walkStatement(
  lookUpId: number,
  address: string,
  walk: { state: LookUpTargetRow['state']; cursor: string | null; newRows: number; message: string | null },
): InStatement {
  return {
    sql: `UPDATE look_up_target SET state = ?, cursor = ?, rows = rows + ?, message = ? WHERE look_up_id = ? AND address = ?`,
    args: [walk.state, walk.cursor, walk.newRows, walk.message, lookUpId, address],
  };
}

export function spendStatement(lookUpId: number, units: number): InStatement {
  return { sql: 'UPDATE look_up SET units = units + ? WHERE id = ?', args: [units, lookUpId] };
}

export async function setPoolSize(database: Database, lookUpId: number, keywords: number): Promise<void> {
  await database.rows.update(lookUp).set({ keywords }).where(eq(lookUp.id, lookUpId));
}

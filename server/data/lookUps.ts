import { type LookUpRequest, lookUpRequest } from '@opsimath/contract/api/lookUps';
import type { FoundBy } from '@opsimath/contract/api/foundBy';
import { and, desc, eq, sql } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { marketById } from './markets';
import { lookUp, lookUpFind, lookUpTarget } from './schema';
import { rawRows } from './storage/rawRows';

export type LookUpTargetRow = typeof lookUpTarget.$inferSelect;

export interface LookUpRow {
  id: number;
  projectId: number;
  marketId: number;
  date: string;
  request: LookUpRequest;
}

/** A look-up with all its parts, or none of it. */
export function createLookUp(
  database: Database,
  projectId: number,
  marketId: number,
  name: string,
  request: LookUpRequest,
): Promise<number> {
  return database.together(async (steps) => {
    const [created] = await steps.rows
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
      const heldBy = await heldRankings(steps, marketId, request, address);
      await steps.rows.insert(lookUpTarget).values({
        lookUpId: id,
        address,
        heldBy: heldBy?.lookUpId ?? id,
        state: heldBy ? 'done' : 'waiting',
        rows: heldBy?.rows ?? 0,
      });
    }
    const finds = findsOf(request);
    if (finds.length > 0)
      await steps.rows
        .insert(lookUpFind)
        .values(finds.map(({ way, seed }) => ({ lookUpId: id, way, seed, state: 'waiting' as const })));
    return id;
  });
}

/** Every single way of finding keywords that a request asks for. */
function findsOf(request: LookUpRequest): { way: FoundBy; seed: string }[] {
  return [
    ...request.seeds.flatMap((seed) => request.ways.map((way) => ({ way, seed }))),
    ...request.words.flatMap((way) => [...new Set(request.targets)].map((seed) => ({ way, seed }))),
    ...(request.keywords.length > 0
      ? [{ way: request.combined ? ('combined' as const) : ('list' as const), seed: '' }]
      : []),
  ];
}

export async function lookUpFinds(
  database: Database,
  id: number,
): Promise<(typeof lookUpFind.$inferSelect)[]> {
  return database.rows
    .select()
    .from(lookUpFind)
    .where(eq(lookUpFind.lookUpId, id))
    .orderBy(sql`rowid`);
}

/** The newest look-up of a name for a market and date; `null` when there is none. */
export async function lookUpByName(
  database: Database,
  projectId: number,
  marketId: number,
  date: string,
  name: string,
): Promise<number | null> {
  const [found] = await database.rows
    .select({ id: lookUp.id })
    .from(lookUp)
    .where(
      and(
        eq(lookUp.projectId, projectId),
        eq(lookUp.marketId, marketId),
        eq(lookUp.date, date),
        eq(lookUp.name, name),
      ),
    )
    .orderBy(desc(lookUp.id));
  return found?.id ?? null;
}

/** Another look-up that holds a target's rows by now takes this one's place. */
export async function holdBy(
  database: Database,
  lookUpId: number,
  address: string,
  held: { lookUpId: number; rows: number },
): Promise<void> {
  await database.rows
    .update(lookUpTarget)
    .set({ heldBy: held.lookUpId, state: 'done', rows: held.rows })
    .where(and(eq(lookUpTarget.lookUpId, lookUpId), eq(lookUpTarget.address, address)));
}

/** The look-up that already holds a target's rankings for this market, date and kind of slots. */
export async function heldRankings(
  database: Database,
  marketId: number,
  request: Pick<LookUpRequest, 'date' | 'want' | 'depth' | 'leastVolume'>,
  address: string,
): Promise<{ lookUpId: number; rows: number } | null> {
  const found = await database.client.execute({
    sql: `SELECT look_up_target.look_up_id AS lookUpId, look_up_target.rows FROM look_up_target
          JOIN look_up ON look_up.id = look_up_target.look_up_id
          WHERE look_up.market_id = ? AND look_up.date = ? AND look_up_target.address = ? AND look_up_target.state = 'done'
            AND look_up_target.held_by = look_up_target.look_up_id
            AND json_extract(look_up.request, '$.want') IN (?, 'both')
            AND coalesce(json_extract(look_up.request, '$.depth'), 100) >= ?
            AND coalesce(json_extract(look_up.request, '$.leastVolume'), 0) <= ?
            AND json_extract(look_up.request, '$.importId') IS NULL
          ORDER BY look_up.id LIMIT 1`,
    args: [marketId, request.date, address, request.want, request.depth, request.leastVolume],
  });
  return rawRows<{ lookUpId: number; rows: number }>(found)[0] ?? null;
}

/** Look-ups of a project in a market. */
export async function lookUpIdsOf(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<number[]> {
  const found = await database.rows
    .select({ id: lookUp.id })
    .from(lookUp)
    .where(and(eq(lookUp.projectId, projectId), eq(lookUp.marketId, marketId)))
    .orderBy(lookUp.id);
  return found.map(({ id }) => id);
}

/** Whether a look-up stands for a table that was brought in. */
export async function isImported(database: Database, id: number): Promise<boolean> {
  const [found] = await database.rows
    .select({ imported: sql<number>`json_extract(${lookUp.request}, '$.importId') IS NOT NULL` })
    .from(lookUp)
    .where(eq(lookUp.id, id));
  return found?.imported === 1;
}

export async function setLookUpJob(database: Database, id: number, jobId: number): Promise<void> {
  await database.rows.update(lookUp).set({ jobId }).where(eq(lookUp.id, id));
}

export async function lookUpById(database: Database, id: number): Promise<LookUpRow> {
  const [found] = await database.rows.select().from(lookUp).where(eq(lookUp.id, id));
  if (!found)
    throw new KnownProblem('no-such-look-up', `There is no look-up ${id}.`, 'Open one from the list.');
  return { ...found, request: lookUpRequest.parse(found.request) };
}

export async function lookUpTargets(database: Database, id: number): Promise<LookUpTargetRow[]> {
  return database.rows
    .select()
    .from(lookUpTarget)
    .where(eq(lookUpTarget.lookUpId, id))
    .orderBy(sql`rowid`);
}

/** The look-up that holds the rankings of an imported file; the same one when the import goes on after a stop. */
export async function importedLookUp(
  database: Database,
  entry: {
    id: number;
    projectId: number;
    fileName: string;
    jobId: number | null;
    reading: { complete?: boolean | undefined };
  },
  marketId: number,
): Promise<number> {
  const found = await database.client.execute({
    sql: `SELECT id FROM look_up WHERE project_id = ? AND json_extract(request, '$.importId') = ?`,
    args: [entry.projectId, entry.id],
  });
  if (found.rows[0]) return Number(found.rows[0].id);
  const { code } = await marketById(database, marketId);
  const date = new Date().toISOString().slice(0, 10);
  const [created] = await database.rows
    .insert(lookUp)
    .values({
      projectId: entry.projectId,
      marketId,
      jobId: entry.jobId,
      name: entry.fileName,
      // Grows to the newest date of the rows.
      date: '1970-01-01',
      request: {
        market: code,
        date,
        extent: 'positions',
        importId: entry.id,
        complete: entry.reading.complete === true,
      },
    })
    .returning({ id: lookUp.id });
  return created!.id;
}

/** The newest look-up of a market; `null` when there is none. */
export async function newestLookUp(
  database: Database,
  projectId: number,
  marketId: number,
): Promise<number | null> {
  const [found] = await database.rows
    .select({ id: lookUp.id })
    .from(lookUp)
    .where(and(eq(lookUp.projectId, projectId), eq(lookUp.marketId, marketId)))
    .orderBy(desc(lookUp.id))
    .limit(1);
  return found?.id ?? null;
}

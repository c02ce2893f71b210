import { type LookUp, lookUpRequest } from '@opsimath/contract/api/lookUps';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Database } from './storage/connection';
import { jobsById } from './jobs';
import { lookUp, lookUpFind, lookUpTarget, market } from './schema';

/** Look-ups of a project, newest first, with how far each of their parts came. */
export async function listLookUps(database: Database, projectId: number, only?: number): Promise<LookUp[]> {
  const rows = await database.rows
    .select({ lookUp, code: market.code, surface: market.surface })
    .from(lookUp)
    .innerJoin(market, eq(market.id, lookUp.marketId))
    .where(
      and(
        eq(lookUp.projectId, projectId),
        only === undefined ? isNull(lookUp.removedAt) : eq(lookUp.id, only),
      ),
    )
    .orderBy(desc(lookUp.id));
  const ids = rows.map((row) => row.lookUp.id);
  const targets = await database.rows
    .select()
    .from(lookUpTarget)
    .where(inArray(lookUpTarget.lookUpId, ids))
    .orderBy(sql`rowid`);
  const finds = await database.rows
    .select()
    .from(lookUpFind)
    .where(inArray(lookUpFind.lookUpId, ids))
    .orderBy(sql`rowid`);
  const jobs = await jobsById(
    database,
    rows.flatMap((row) => (row.lookUp.jobId === null ? [] : [row.lookUp.jobId])),
  );
  return rows.map(({ lookUp: row, code, surface }) => ({
    id: row.id,
    market: code,
    surface,
    name: row.name,
    kind: kindOf(row.request),
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
    parts: finds
      .filter((entry) => entry.lookUpId === row.id)
      .map(({ way, seed, state, found, message }) => ({ way, seed, state, found, message })),
  }));
}

/** Names a look-up anew, takes it out of the list, or brings it back; what it found stays known either way. */
export async function changeLookUp(
  database: Database,
  id: number,
  { name, removed }: { name?: string | undefined; removed?: boolean | undefined },
): Promise<void> {
  if (name === undefined && removed === undefined) return;
  await database.rows
    .update(lookUp)
    .set({
      ...(name !== undefined && { name }),
      ...(removed !== undefined && { removedAt: removed ? sql`CURRENT_TIMESTAMP` : null }),
    })
    .where(eq(lookUp.id, id));
}

function kindOf(stored: Record<string, unknown>): LookUp['kind'] {
  if (stored.importId !== undefined) return 'import';
  const request = lookUpRequest.parse(stored);
  const kinds = (
    [
      ['targets', request.targets],
      ['seeds', request.seeds],
      ['list', request.keywords],
    ] as const
  ).filter(([, entries]) => entries.length > 0);
  return kinds.length === 1 ? kinds[0]![0] : 'mixed';
}

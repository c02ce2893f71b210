import type { Side, Target } from '@opsimath/contract/api/targets';
import { type SourceFullRecord, type TargetKind, sourceFullRecord } from '@opsimath/contract/source/answers';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import { KnownProblem } from '../problem';
import type { Database } from './connection';
import { project, target, targetVersion } from './schema';

export interface TargetRow {
  id: number;
  side: Side;
  kind: TargetKind;
  address: string;
  name: string;
}

export async function listTargets(database: Database, projectId: number): Promise<Target[]> {
  const rows = await database.rows
    .select()
    .from(target)
    .where(eq(target.projectId, projectId))
    .orderBy(target.id);
  if (rows.length === 0) return [];
  const versions = await database.rows
    .select()
    .from(targetVersion)
    .where(
      inArray(
        targetVersion.targetId,
        rows.map((row) => row.id),
      ),
    )
    .orderBy(desc(targetVersion.date), desc(targetVersion.id));
  return rows.map((row) => {
    const own = versions.filter((version) => version.targetId === row.id);
    return {
      id: row.id,
      side: row.side,
      kind: row.kind as TargetKind,
      address: row.address,
      name: row.name,
      record: own[0] ? sourceFullRecord.parse(own[0].record) : null,
      recordDate: own[0]?.date ?? null,
      versions: own.length,
    };
  });
}

/** Adds a target with its record. The same address twice is one target: `null` when it stood already. */
export async function addTarget(
  database: Database,
  projectId: number,
  entry: { side: Side; kind: TargetKind; address: string; name: string },
  record: SourceFullRecord | null,
  date: string,
): Promise<number | null> {
  const [added] = await database.rows
    .insert(target)
    .values({ projectId, ...entry })
    .onConflictDoNothing()
    .returning({ id: target.id });
  if (!added) return null;
  if (record) await saveVersion(database, added.id, record, date);
  await database.rows
    .update(project)
    .set({ revision: sql`${project.revision} + 1` })
    .where(eq(project.id, projectId));
  return added.id;
}

/** Keeps a record as a new version if it differs from the newest one. */
export async function saveVersion(
  database: Database,
  targetId: number,
  record: SourceFullRecord,
  date: string,
): Promise<void> {
  const [newest] = await database.rows
    .select()
    .from(targetVersion)
    .where(eq(targetVersion.targetId, targetId))
    .orderBy(desc(targetVersion.date), desc(targetVersion.id))
    .limit(1);
  if (newest && JSON.stringify(newest.record) === JSON.stringify(record)) return;
  await database.rows
    .insert(targetVersion)
    .values({ targetId, date, record: record as unknown as Record<string, unknown> });
}

export async function removeTarget(database: Database, projectId: number, id: number): Promise<void> {
  const removed = await database.rows
    .delete(target)
    .where(and(eq(target.projectId, projectId), eq(target.id, id)))
    .returning({ id: target.id });
  if (removed.length === 0) throw new KnownProblem(404, 'no-such-target', `The project has no target ${id}.`);
  await database.rows
    .update(project)
    .set({ revision: sql`${project.revision} + 1` })
    .where(eq(project.id, projectId));
}

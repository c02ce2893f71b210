import type { TargetVersion } from '@opsimath/contract/api/targets';
import { type SourceFullRecord, sourceFullRecord } from '@opsimath/contract/source/answers';
import { desc, eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { fieldChanges } from './records';
import type { Database } from './storage/connection';
import { target, targetVersion } from './schema';

/** Keeps a record as a new version if it differs in words from the newest one; figures alone are written over. */
export function saveVersion(
  database: Database,
  targetId: number,
  record: SourceFullRecord,
  date: string,
): Promise<TargetVersion['changes']> {
  return database.together(async (steps) => {
    // It may have been taken away while its record was fetched.
    const [stands] = await steps.rows.select({ id: target.id }).from(target).where(eq(target.id, targetId));
    if (!stands)
      throw new KnownProblem(
        'no-such-target',
        `There is no target ${targetId}.`,
        'It may have been taken away.',
      );
    const [newest] = await steps.rows
      .select()
      .from(targetVersion)
      .where(eq(targetVersion.targetId, targetId))
      .orderBy(desc(targetVersion.date), desc(targetVersion.id))
      .limit(1);
    const values = { targetId, date, record: record as unknown as Record<string, unknown> };
    if (!newest) {
      await steps.rows.insert(targetVersion).values(values);
      return [];
    }
    const before = sourceFullRecord.parse(newest.record);
    const changes = fieldChanges(before, record);
    if (changes.length === 0 && JSON.stringify(before.figures) === JSON.stringify(record.figures)) return [];
    await steps.rows.insert(targetVersion).values(values);
    return changes;
  });
}

export async function targetVersions(database: Database, targetId: number): Promise<TargetVersion[]> {
  const rows = await database.rows
    .select()
    .from(targetVersion)
    .where(eq(targetVersion.targetId, targetId))
    .orderBy(targetVersion.date, targetVersion.id);
  const records = rows.map((row) => sourceFullRecord.parse(row.record));
  return rows
    .map((row, i) => ({
      date: row.date,
      record: records[i]!,
      changes: i === 0 ? [] : fieldChanges(records[i - 1]!, records[i]!),
    }))
    .reverse();
}

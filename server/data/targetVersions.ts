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
        'It may have been removed.',
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

/** What targets have changed of their titles and prices between two days, as their records were seen. */
export async function wordsAndPrices(
  database: Database,
  targets: readonly number[],
  since: string,
  until: string,
): Promise<{ address: string; name: string; day: string; what: 'the title' | 'the price' }[]> {
  const found = await database.client.execute({
    sql: `SELECT address, target.name, target_version.date AS day,
                 record ->> 'title' AS title, record -> 'figures' ->> 'price' AS price,
                 lag(record ->> 'title') OVER versions AS titleBefore,
                 lag(record -> 'figures' ->> 'price') OVER versions AS priceBefore,
                 row_number() OVER versions AS nth
          FROM target_version JOIN target ON target.id = target_id
          WHERE target.id IN (SELECT value FROM json_each(?)) AND target_version.date <= ?
          WINDOW versions AS (PARTITION BY target_id ORDER BY target_version.date, target_version.id)`,
    args: [JSON.stringify(targets), until],
  });
  return found.rows.flatMap((row) => {
    const told = { address: String(row.address), name: String(row.name), day: String(row.day) };
    if (told.day < since || Number(row.nth) === 1) return [];
    return [
      ...(row.title !== row.titleBefore ? [{ ...told, what: 'the title' as const }] : []),
      ...(row.price !== row.priceBefore ? [{ ...told, what: 'the price' as const }] : []),
    ];
  });
}

import type { GapRow } from '@opsimath/contract/api/gaps';
import { unwantedIn, unwantedOf } from '../../data/unwantedWords';
import { leavesAmong } from '../../data/wordLeaves';
import type { Database } from '../../data/storage/connection';
import type { Comparison } from './comparison';

/** What of some keywords is better not aimed at, and who allowed it, by keyword id. */
export async function warningsOf(
  database: Database,
  { project, market }: Comparison,
  keywords: ReadonlyMap<number, { key: string }>,
): Promise<Map<number, GapRow['warnings']>> {
  const words = await unwantedIn(database, project.id, market);
  const found = new Map<number, GapRow['warnings']>();
  if (words.length === 0) return found;
  const held = [...keywords].flatMap(([id, keyword]) => {
    const of = unwantedOf(words, keyword.key);
    return of.length === 0 ? [] : [{ id, of }];
  });
  const leaves = await leavesAmong(
    database,
    project.id,
    held.map(({ id }) => id),
  );
  for (const { id, of } of held)
    found.set(
      id,
      of.map(({ text, level, reason }) => {
        const leave = leaves.get(id)?.findLast(({ word }) => word === text);
        return {
          ...{ text, level, reason },
          allowed: leave ? { person: leave.person, at: leave.at, reason: leave.reason } : null,
        };
      }),
    );
  return found;
}

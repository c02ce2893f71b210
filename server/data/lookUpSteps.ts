import type { InStatement } from '@libsql/client';
import { eq } from 'drizzle-orm';
import type { Database } from './storage/connection';
import type { LookUpTargetRow } from './lookUps';
import { lookUp } from './schema';

/** How one way of finding ended, as a statement to run with what it found. */
export function findStatement(
  lookUpId: number,
  find: { way: string; seed: string; state: 'done' | 'failed'; found: number; message: string | null },
): InStatement {
  return {
    sql: 'UPDATE look_up_find SET state = ?, found = ?, message = ? WHERE look_up_id = ? AND way = ? AND seed = ?',
    args: [find.state, find.found, find.message, lookUpId, find.way, find.seed],
  };
}

/** What failed is asked for again when the look-up goes on. */
export async function retryFailedParts(database: Database, id: number): Promise<void> {
  await database.client.batch(
    [
      {
        sql: `UPDATE look_up_find SET state = 'waiting', message = NULL WHERE look_up_id = ? AND state = 'failed'`,
        args: [id],
      },
      {
        sql: `UPDATE look_up_target SET state = 'waiting', message = NULL WHERE look_up_id = ? AND state = 'failed'`,
        args: [id],
      },
    ],
    'write',
  );
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

/** A target that could not be fetched: what came of it stays, its cursor too. */
export function failStatement(lookUpId: number, address: string, message: string): InStatement {
  return {
    sql: `UPDATE look_up_target SET state = 'failed', message = ? WHERE look_up_id = ? AND address = ?`,
    args: [message, lookUpId, address],
  };
}

export function spendStatement(lookUpId: number, units: number): InStatement {
  return { sql: 'UPDATE look_up SET units = units + ? WHERE id = ?', args: [units, lookUpId] };
}

export async function setPoolSize(database: Database, lookUpId: number, keywords: number): Promise<void> {
  await database.rows.update(lookUp).set({ keywords }).where(eq(lookUp.id, lookUpId));
}

import { randomUUID } from 'node:crypto';
import type { Database, InStatement } from './storage/connection';

/** What is asked for of the services at a price. */
interface Asked {
  marketId: number;
  date: string;
  kind: 'result pages' | 'metrics' | 'rankings' | 'keywords' | 'auction' | 'translations';
  /** Tells it from all others of its kind, market and date. */
  detail: string;
  /** Keywords that are asked for together. */
  keywords?: readonly number[];
}

/** The number of a request, and what says that its answer is stored: run it with the facts. */
export interface PaidRequest {
  requestId: string;
  settled: InStatement;
}

/**
 * Writes down what is about to be paid for. Whoever asks for the same before the answer is stored, another job or this
 * one after a kill, gets the same number, and the services charge it once.
 */
export async function payOnce(database: Database, asked: Asked): Promise<PaidRequest> {
  const { marketId, date, kind, detail, keywords } = asked;
  const about = `${marketId} ${date} ${kind} ${detail}`;
  const answer = await database.client.execute({
    sql: `INSERT INTO paid_request (about, request_id, market_id, date, kind, keywords) VALUES (?, ?, ?, ?, ?, ?)
          ON CONFLICT (about) DO UPDATE SET about = excluded.about RETURNING request_id AS requestId`,
    args: [about, randomUUID(), marketId, date, kind, keywords ? JSON.stringify(keywords) : null],
  });
  return {
    requestId: String(answer.rows[0]!.requestId),
    settled: { sql: 'DELETE FROM paid_request WHERE about = ?', args: [about] },
  };
}

/**
 * Batches in which keywords are to be asked for. Those that were paid for and whose answer never came to be stored come
 * first and in the same batches, so that they are not paid for again.
 */
export async function batchesOf(
  database: Database,
  { marketId, date, kind }: Pick<Asked, 'marketId' | 'date' | 'kind'>,
  wanted: readonly number[],
  most: number,
): Promise<number[][]> {
  const answer = await database.client.execute({
    sql: `SELECT keywords FROM paid_request
          WHERE market_id = ? AND date = ? AND kind = ? AND keywords IS NOT NULL ORDER BY rowid`,
    args: [marketId, date, kind],
  });
  const missing = new Set(wanted);
  const batches = answer.rows
    .map((row) => JSON.parse(String(row.keywords)) as number[])
    .filter((batch) => batch.some((id) => missing.has(id)));
  for (const id of batches.flat()) missing.delete(id);
  const others = [...missing];
  for (let at = 0; at < others.length; at += most) batches.push(others.slice(at, at + most));
  return batches;
}

/** Keywords that are asked for together, as what tells the request from others. */
export function together(ids: readonly number[]): Pick<Asked, 'detail' | 'keywords'> {
  return { detail: ids.join(','), keywords: ids };
}

import { randomUUID } from 'node:crypto';
import type { Database, InStatement } from '../data/connection';

/** What is asked for of the services at a price. */
export interface Asked {
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

/** Keywords that were asked for together and whose answer never came to be stored, in the order asked. */
export async function unsettledKeywords(
  database: Database,
  marketId: number,
  date: string,
  kind: Asked['kind'],
): Promise<number[][]> {
  const answer = await database.client.execute({
    sql: `SELECT keywords FROM paid_request
          WHERE market_id = ? AND date = ? AND kind = ? AND keywords IS NOT NULL ORDER BY rowid`,
    args: [marketId, date, kind],
  });
  return answer.rows.map((row) => JSON.parse(String(row.keywords)) as number[]);
}

/** Keywords that are asked for together, as what tells the request from others. */
export function together(ids: readonly number[]): Pick<Asked, 'detail' | 'keywords'> {
  return { detail: ids.join(','), keywords: ids };
}

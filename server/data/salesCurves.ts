import type { SalesCurvesAnswer } from '@opsimath/contract/source/answers';
import type { SalesCurve } from '@opsimath/core/ranking/sales';
import { type Database, writeTogether } from './storage/connection';

/** Newest curves of a market on or before a date, by category; `null` when none were ever fetched. */
export async function salesCurves(
  database: Database,
  marketId: number,
  date: string,
): Promise<Map<string, SalesCurve> | null> {
  const found = await database.client.execute({
    sql: `SELECT category, points FROM sales_curve WHERE market_id = ?1 AND date =
            (SELECT max(date) FROM sales_curve WHERE market_id = ?1 AND date <= ?2)`,
    args: [marketId, date],
  });
  if (found.rows.length === 0) return null;
  return new Map(
    found.rows.map((row) => [String(row.category), JSON.parse(String(row.points)) as SalesCurve]),
  );
}

export async function keepSalesCurves(
  database: Database,
  marketId: number,
  date: string,
  { curves }: SalesCurvesAnswer,
): Promise<void> {
  await writeTogether(
    database,
    curves.map(({ category, points }) => ({
      sql: 'INSERT OR REPLACE INTO sales_curve (market_id, date, category, points) VALUES (?, ?, ?, ?)',
      args: [marketId, date, category, JSON.stringify(points)],
    })),
  );
}

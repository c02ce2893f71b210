import { rawRows } from './storage/rawRows';
import type { Database } from './storage/connection';

/** A look-up that fetched everything of a target down to the market's depth, whatever it found. */
export interface CompleteLookUp {
  address: string;
  date: string;
  /** Where its facts came from; those of look-ups that found nothing came from where all of the services do. */
  source: string | null;
}

/**
 * Targets that were looked up completely in a market (method §4): organic rows down to the market's depth, whatever their
 * volume, every page of them. A table counts as complete only if whoever brought it in said so.
 */
export async function completeLookUps(database: Database, marketId: number): Promise<CompleteLookUp[]> {
  const answer = await database.client.execute({
    sql: `SELECT DISTINCT look_up_target.address AS address, look_up.date AS date,
                 CASE WHEN json_extract(look_up.request, '$.importId') IS NULL THEN NULL ELSE look_up.name END AS source
          FROM look_up_target
          JOIN look_up ON look_up.id = look_up_target.look_up_id
          JOIN market ON market.id = look_up.market_id
          WHERE look_up.market_id = ? AND look_up_target.state = 'done'
            AND (json_extract(look_up.request, '$.complete') = 1
              OR (json_extract(look_up.request, '$.importId') IS NULL
                AND coalesce(json_extract(look_up.request, '$.want'), 'both') IN ('organic', 'both')
                AND coalesce(json_extract(look_up.request, '$.depth'), 100) >= market.depth
                AND coalesce(json_extract(look_up.request, '$.leastVolume'), 0) = 0))
          ORDER BY look_up.date, look_up_target.address`,
    args: [marketId],
  });
  return rawRows<CompleteLookUp>(answer);
}

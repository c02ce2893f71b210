import type { CampaignsAnswer, MatchType } from '@opsimath/contract/source/answers';
import { type Database, type InStatement, writeTogether } from './storage/connection';
import { keywordIdsOf } from './keywords';
import { rawRows } from './storage/rawRows';

export interface OwnBid {
  keyword: number;
  campaign: string;
  match: MatchType;
  bid: number;
  landing: string;
}

/** Keeps what the account bids on as of a day; the same day is told anew. */
export async function keepOwnBids(
  database: Database,
  projectId: number,
  marketId: number,
  { campaigns, date }: CampaignsAnswer,
): Promise<number> {
  const bids = campaigns.flatMap(({ name, dailyBudget, keywords }) =>
    keywords.map((keyword) => ({ ...keyword, campaign: name, dailyBudget })),
  );
  const ids = await keywordIdsOf(
    database,
    marketId,
    bids.map(({ keyword }) => keyword),
  );
  await writeTogether(database, [
    {
      sql: 'DELETE FROM own_bid WHERE project_id = ? AND market_id = ? AND date = ?',
      args: [projectId, marketId, date],
    },
    ...bids.flatMap(({ campaign, match, bid, landing, dailyBudget }, n): InStatement[] =>
      ids[n]! > 0
        ? [
            {
              sql: `INSERT OR REPLACE INTO own_bid
                      (project_id, market_id, date, campaign, keyword_id, match, bid, landing, daily_budget)
                    VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
              args: [projectId, marketId, date, campaign, ids[n]!, match, bid, landing, dailyBudget],
            },
          ]
        : [],
    ),
  ]);
  return bids.length;
}

/** Every bid that the account gave for some keywords up to a date, the oldest first. */
export async function bidHistory(
  database: Database,
  projectId: number,
  keywords: readonly number[],
  date: string,
): Promise<{ keyword: number; match: MatchType; date: string; bid: number }[]> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, match, date, max(bid) AS bid FROM own_bid
          WHERE project_id = ? AND date <= ? AND keyword_id IN (SELECT value FROM json_each(?))
          GROUP BY keyword_id, match, date ORDER BY date`,
    args: [projectId, date, JSON.stringify(keywords)],
  });
  return rawRows<{ keyword: number; match: MatchType; date: string; bid: number }>(found);
}

/** What we bid on by the newest answer on or before a date; `null` where none was had by then. */
export async function ownBids(
  database: Database,
  projectId: number,
  marketId: number,
  date: string,
): Promise<{ date: string; bids: OwnBid[] } | null> {
  const [known] = (
    await database.client.execute({
      sql: `SELECT max(date) AS day FROM own_bid WHERE project_id = ?1 AND market_id = ?2 AND date <= ?3`,
      args: [projectId, marketId, date],
    })
  ).rows;
  if (known?.day === null || known === undefined) return null;
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, campaign, match, bid, landing FROM own_bid
          WHERE project_id = ? AND market_id = ? AND date = ? ORDER BY campaign, keyword_id, match`,
    args: [projectId, marketId, known.day!],
  });
  return { date: String(known.day), bids: rawRows<OwnBid>(found).map((row) => ({ ...row })) };
}

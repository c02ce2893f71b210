import type { Auction } from '@opsimath/core/ads/paidForecast';
import { DAY_MS } from '@opsimath/core/day';
import type { AuctionsAnswer } from '@opsimath/contract/source/answers';
import { type Database, type InStatement, writeTogether } from './storage/connection';

/** The days up to a date, the oldest first. */
export function daysUntil(date: string, days: number): string[] {
  const last = Date.parse(date);
  return Array.from({ length: days }, (_, n) =>
    new Date(last - (days - 1 - n) * DAY_MS).toISOString().slice(0, 10),
  );
}

/** Which auctions of these keywords and days were never observed, by keyword, then day. */
export async function auctionsMissing(
  database: Database,
  marketId: number,
  keywords: readonly number[],
  days: readonly string[],
): Promise<{ keyword: number; date: string }[]> {
  const held = await database.client.execute({
    sql: `SELECT DISTINCT keyword_id AS keyword, date FROM auction_slot
          WHERE market_id = ? AND keyword_id IN (SELECT value FROM json_each(?)) AND date BETWEEN ? AND ?`,
    args: [marketId, JSON.stringify(keywords), days[0]!, days.at(-1)!],
  });
  const known = new Set(held.rows.map((row) => `${Number(row.keyword)}:${String(row.date)}`));
  return [...new Set(keywords)].flatMap((keyword) =>
    days.flatMap((date) => (known.has(`${keyword}:${date}`) ? [] : [{ keyword, date }])),
  );
}

/** A day without a slot is kept as one at position 0, so that it is not asked for again. */
export async function keepAuction(
  database: Database,
  marketId: number,
  keyword: number,
  date: string,
  { slots }: AuctionsAnswer,
  also: readonly InStatement[] = [],
): Promise<void> {
  const nobody = { position: 0, advertiser: '', address: '', title: '', cost: 0 };
  await writeTogether(database, [
    ...(slots.length > 0 ? slots : [nobody]).map(
      ({ position, advertiser, address, title, cost }): InStatement => ({
        sql: `INSERT OR REPLACE INTO auction_slot
                (market_id, keyword_id, date, position, advertiser, address, title, cost)
              VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
        args: [marketId, keyword, date, position, advertiser, address, title, cost],
      }),
    ),
    ...also,
  ]);
}

/** The lowest winning bid of every observed day up to a date, by keyword; days without a slot are left out. */
export async function lowestWinning(
  database: Database,
  marketId: number,
  from: string,
  date: string,
): Promise<Map<number, number[]>> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, min(cost) AS cost FROM auction_slot
          WHERE market_id = ? AND position > 0 AND date BETWEEN ? AND ? GROUP BY keyword_id, date ORDER BY date`,
    args: [marketId, from, date],
  });
  const days = new Map<number, number[]>();
  for (const { keyword, cost } of found.rows)
    days.set(Number(keyword), [...(days.get(Number(keyword)) ?? []), Number(cost)]);
  return days;
}

/** Observed auctions of some days by keyword, a list of slots with their prices a day; a day without a slot is an empty one. */
export async function observedAuctions(
  database: Database,
  marketId: number,
  from: string,
  date: string,
): Promise<Map<number, Auction[]>> {
  const found = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, date, position AS slot, cost AS price FROM auction_slot
          WHERE market_id = ? AND date BETWEEN ? AND ? ORDER BY keyword_id, date, position`,
    args: [marketId, from, date],
  });
  const auctions = new Map<number, { slot: number; price: number }[][]>();
  let before = '';
  for (const row of found.rows) {
    const keyword = Number(row.keyword);
    const days = auctions.get(keyword) ?? [];
    auctions.set(keyword, days);
    const day = `${keyword} ${String(row.date)}`;
    if (day !== before) days.push([]);
    before = day;
    if (Number(row.slot) > 0) days.at(-1)!.push({ slot: Number(row.slot), price: Number(row.price) });
  }
  return auctions;
}

import type { SourceMarket } from '@opsimath/contract/source/answers';
import type { AddressPlatform } from '@opsimath/core/text/address';
import { eq } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { market } from './schema';

export type MarketRow = typeof market.$inferSelect;

export async function saveMarkets(database: Database, markets: readonly SourceMarket[]): Promise<void> {
  for (const entry of markets) {
    await database.rows.insert(market).values(entry).onConflictDoUpdate({ target: market.code, set: entry });
  }
}

/** Keeps a place within a market as a market of its own. Its place is no other's, so that it is never taken for the whole. */
export async function savePlaceWithin(
  database: Database,
  whole: MarketRow,
  code: string,
  name: string,
): Promise<MarketRow> {
  const { id: _, ...rest } = whole;
  const entry = {
    ...rest,
    code,
    place: `${whole.place}@${code.slice(code.indexOf('@') + 1)}`,
    placeName: `${name}, ${whole.placeName}`,
    within: whole.code,
  };
  await database.rows.insert(market).values(entry).onConflictDoNothing();
  return marketByCode(database, code);
}

export async function listMarkets(database: Database): Promise<MarketRow[]> {
  return database.rows.select().from(market).orderBy(market.id);
}

export async function marketByCode(database: Database, code: string): Promise<MarketRow> {
  const [found] = await database.rows.select().from(market).where(eq(market.code, code));
  if (!found)
    throw new KnownProblem('no-such-market', `There is no market ${code}.`, 'Choose one in the scope bar.');
  return found;
}

/** How the targets of platforms are addressed, each platform once. */
export async function addressPlatforms(database: Database): Promise<AddressPlatform[]> {
  const byHost = new Map<string, AddressPlatform>();
  for (const { surface, platform } of await listMarkets(database))
    if (platform) byHost.set(platform.host, { surface, ...platform });
  return [...byHost.values()];
}

export async function marketById(database: Database, id: number): Promise<MarketRow> {
  const [found] = await database.rows.select().from(market).where(eq(market.id, id));
  return found!;
}

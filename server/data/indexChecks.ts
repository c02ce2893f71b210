import type { IndexOverview } from '@opsimath/contract/api/targets';
import type { IndexState } from '@opsimath/contract/source/answers';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** Own addresses that should be found: own targets of the surface, and what sitemaps name. */
export async function expectedPages(
  database: Database,
  projectId: number,
  kinds: readonly string[],
): Promise<string[]> {
  const found = await database.client.execute({
    sql: `SELECT address FROM target WHERE project_id = ?1 AND side = 'own' AND kind IN (SELECT value FROM json_each(?2))
          UNION SELECT address FROM sitemap_page WHERE project_id = ?1 AND ?3 ORDER BY address`,
    args: [projectId, JSON.stringify(kinds), kinds.includes('page') ? 1 : 0],
  });
  return found.rows.map((row) => String(row.address));
}

export async function keepIndexStates(
  database: Database,
  projectId: number,
  marketId: number,
  date: string,
  states: readonly IndexState[],
): Promise<void> {
  await writeTogether(
    database,
    states.map(({ address, state, since }) => ({
      sql: `INSERT OR REPLACE INTO index_check (project_id, market_id, address, checked_on, state, since)
            VALUES (?, ?, ?, ?, ?, ?)`,
      args: [projectId, marketId, address, date, state, since],
    })),
  );
}

/** Newest index state of own addresses on or before a date; addresses never checked are left out. */
export async function indexStatesOf(
  database: Database,
  projectId: number,
  marketId: number,
  addresses: readonly string[],
  date: string,
): Promise<Map<string, { state: string; checkedOn: string }>> {
  const found = await database.client.execute({
    sql: `SELECT address, state, checked_on FROM json_each(?) JOIN index_check ON address = value
          WHERE project_id = ? AND market_id = ? AND checked_on <= ? ORDER BY checked_on`,
    args: [JSON.stringify(addresses), projectId, marketId, date],
  });
  return new Map(
    found.rows.map((row) => [
      String(row.address),
      { state: String(row.state), checkedOn: String(row.checked_on) },
    ]),
  );
}

/** Every check of some addresses on or before a date, the oldest first. */
export async function indexHistory(
  database: Database,
  projectId: number,
  marketId: number,
  addresses: readonly string[],
  date: string,
): Promise<Map<string, { day: string; state: string }[]>> {
  const found = await database.client.execute({
    sql: `SELECT address, state, checked_on AS day FROM json_each(?) JOIN index_check ON address = value
          WHERE project_id = ? AND market_id = ? AND checked_on <= ? ORDER BY checked_on`,
    args: [JSON.stringify(addresses), projectId, marketId, date],
  });
  const history = new Map<string, { day: string; state: string }[]>();
  for (const { address, ...check } of rawRows<{ address: string; day: string; state: string }>(found))
    history.set(address, [...(history.get(address) ?? []), check]);
  return history;
}

export async function keepSitemap(
  database: Database,
  projectId: number,
  pages: readonly { address: string; updated: string | null }[],
): Promise<number> {
  const before = await countPages(database, projectId);
  await writeTogether(database, [
    {
      sql: `INSERT INTO sitemap_page (project_id, address, updated)
            SELECT ?, json_extract(value, '$.address'), json_extract(value, '$.updated') FROM json_each(?) WHERE true
            ON CONFLICT (project_id, address) DO UPDATE SET updated = excluded.updated`,
      args: [projectId, JSON.stringify(pages)],
    },
  ]);
  return (await countPages(database, projectId)) - before;
}

async function countPages(database: Database, projectId: number): Promise<number> {
  const answer = await database.client.execute({
    sql: 'SELECT count(*) AS pages FROM sitemap_page WHERE project_id = ?',
    args: [projectId],
  });
  return Number(answer.rows[0]!.pages);
}

/** Every expected page with its newest state, counts, and how many were indexed at each check. */
export async function indexOverview(
  database: Database,
  projectId: number,
  marketId: number,
  expected: readonly string[],
): Promise<IndexOverview> {
  const checks = await database.client.execute({
    sql: `SELECT address, state, since, checked_on AS checkedOn FROM index_check
          WHERE project_id = ? AND market_id = ? ORDER BY checked_on`,
    args: [projectId, marketId],
  });
  const sitemap = await database.client.execute({
    sql: 'SELECT address FROM sitemap_page WHERE project_id = ?',
    args: [projectId],
  });
  const named = new Set(sitemap.rows.map((row) => String(row.address)));
  const newest = new Map<string, { state: IndexState['state']; since: string | null; checkedOn: string }>();
  const byDate = new Map<string, { date: string; indexed: number; checked: number }>();
  interface Check {
    address: string;
    state: IndexState['state'];
    since: string | null;
    checkedOn: string;
  }
  for (const { address, state, since, checkedOn } of rawRows<Check>(checks)) {
    newest.set(address, { state, since, checkedOn });
    const day = byDate.get(checkedOn) ?? { date: checkedOn, indexed: 0, checked: 0 };
    day.checked++;
    if (state === 'indexed') day.indexed++;
    byDate.set(checkedOn, day);
  }
  const pages = expected.map((address) => ({
    address,
    ...(newest.get(address) ?? { state: 'unknown' as const, since: null, checkedOn: null }),
    inSitemap: named.has(address),
  }));
  const counts: Record<string, number> = { indexed: 0, waiting: 0, 'not indexed': 0, unknown: 0 };
  for (const { state } of pages) counts[state]!++;
  return { pages, counts, overTime: [...byDate.values()] };
}

/** Own addresses that a check found to be indexed no longer, between two days. */
export async function lostFromIndex(
  database: Database,
  projectId: number,
  marketId: number,
  since: string,
  until: string,
): Promise<{ address: string; day: string }[]> {
  const found = await database.client.execute({
    sql: `SELECT address, day FROM
            (SELECT address, checked_on AS day, state, lag(state) OVER (PARTITION BY address ORDER BY checked_on) AS before
             FROM index_check WHERE project_id = ? AND market_id = ? AND checked_on <= ?)
          WHERE state = 'not indexed' AND before = 'indexed' AND day >= ?`,
    args: [projectId, marketId, until, since],
  });
  return rawRows<{ address: string; day: string }>(found);
}

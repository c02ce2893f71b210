import type { Side, Target, TargetChange } from '@opsimath/contract/api/targets';
import {
  type SourceFullRecord,
  type Surface,
  type TargetKind,
  sourceFullRecord,
} from '@opsimath/contract/source/answers';
import { manyLinksLittleAuthority } from '@opsimath/core/links/authority';
import { liesUnder } from '@opsimath/core/text/address';
import { SURFACES, SURFACE_ROWS } from '@opsimath/core/text/surfaces';
import { and, eq, inArray } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import type { Database } from './storage/connection';
import { target } from './schema';
import { fieldsFilled } from './records';
import { saveVersion } from './targetVersions';
import { rawRows } from './storage/rawRows';

/** More rivals than a mask of places has bits for are refused when they are added. */
export const MOST_RIVALS = 30;

export function surfaceOf(kind: TargetKind): Surface {
  const holds = (surface: Surface): boolean =>
    SURFACE_ROWS[surface].target === kind || SURFACE_ROWS[surface].parent === kind;
  // A section is of the web.
  return SURFACES.find(holds) ?? 'web';
}

export async function listTargets(database: Database, projectId: number): Promise<Target[]> {
  const rows = await database.rows
    .select()
    .from(target)
    .where(eq(target.projectId, projectId))
    .orderBy(target.id);
  if (rows.length === 0) return [];
  const newest = await newestVersions(
    database,
    rows.map((row) => row.id),
  );
  const flags = await littleAuthority(database);
  const held = await heldKeywords(database, projectId);
  return rows.map((row) => {
    const version = newest.get(row.id);
    return {
      id: row.id,
      side: row.side,
      kind: row.kind as TargetKind,
      surface: surfaceOf(row.kind as TargetKind),
      address: row.address,
      parent: row.parent,
      name: row.name,
      market: row.market,
      note: row.note,
      likeness: row.likeness,
      privateFields: row.privateFields,
      facts: row.facts,
      record: version?.record ?? null,
      recordDate: version?.date ?? null,
      versions: version?.count ?? 0,
      filled: version && row.side === 'own' ? fieldsFilled(version.record, row.privateFields) : null,
      manyLinksLittleAuthority: flags.has(row.address),
      held: held.get(row.address) ?? [],
    };
  });
}

async function newestVersions(
  database: Database,
  targetIds: readonly number[],
): Promise<Map<number, { record: SourceFullRecord; date: string; count: number }>> {
  const found = await database.client.execute({
    sql: `SELECT target_id AS target, date, record,
            count(*) OVER (PARTITION BY target_id) AS versions,
            row_number() OVER (PARTITION BY target_id ORDER BY date DESC, id DESC) AS place
          FROM target_version WHERE target_id IN (SELECT value FROM json_each(?))`,
    args: [JSON.stringify(targetIds)],
  });
  return new Map(
    found.rows
      .filter((row) => Number(row.place) === 1)
      .map((row) => [
        Number(row.target),
        {
          record: sourceFullRecord.parse(JSON.parse(String(row.record))),
          date: String(row.date),
          count: Number(row.versions),
        },
      ]),
  );
}

/** Newest link figures of every parent that any project knows: the ground for comparing authority. */
export async function knownParents(
  database: Database,
): Promise<{ address: string; authority: number; referringDomains: number; backlinks: number }[]> {
  const found = await database.client.execute(`
    SELECT address, authority, domains, backlinks FROM (
      SELECT target.address AS address, json_extract(record, '$.figures.authority') AS authority,
             json_extract(record, '$.figures."referring domains"') AS domains,
             json_extract(record, '$.figures.backlinks') AS backlinks,
             row_number() OVER (PARTITION BY target.address ORDER BY target_version.date DESC, target_version.id DESC) AS place
      FROM target_version JOIN target ON target.id = target_id WHERE target.kind IN ('site', 'channel', 'shop')
    ) WHERE place = 1 AND authority IS NOT NULL AND domains IS NOT NULL
    UNION
    SELECT place.address, json_extract(record, '$.figures.authority'),
           json_extract(record, '$.figures."referring domains"'), json_extract(record, '$.figures.backlinks')
    FROM place_record JOIN place ON place.id = place_id
    WHERE place.kind IN ('site', 'channel', 'shop') AND json_extract(record, '$.figures.authority') IS NOT NULL
      AND json_extract(record, '$.figures."referring domains"') IS NOT NULL`);
  const byAddress = new Map(
    found.rows.map((row) => [
      String(row.address),
      {
        address: String(row.address),
        authority: Number(row.authority),
        referringDomains: Number(row.domains),
        backlinks: Number(row.backlinks ?? 0),
      },
    ]),
  );
  return [...byAddress.values()];
}

async function littleAuthority(database: Database): Promise<Set<string>> {
  const parents = await knownParents(database);
  const flags = manyLinksLittleAuthority(parents);
  return new Set(parents.filter((_, i) => flags[i]).map(({ address }) => address));
}

/** Rows that the newest finished look-up of each target holds. */
async function heldKeywords(database: Database, projectId: number): Promise<Map<string, Target['held']>> {
  const found = await database.client.execute({
    sql: `SELECT segment.subject AS address, market.code AS market, segment.date AS date, sum(segment.rows) AS held,
                 sum(coalesce(json_extract(look_up.request, '$.want') = 'paid', 0)) AS paidOnly
          FROM segment JOIN look_up ON look_up.id = segment.look_up_id JOIN market ON market.id = segment.market_id
          WHERE segment.kind = 'rankings' AND superseded = 0 AND pending = 0 AND segment.subject IN (SELECT address FROM target WHERE project_id = ?)
          GROUP BY segment.subject, market.code, segment.date, segment.look_up_id ORDER BY segment.date, segment.look_up_id`,
    args: [projectId],
  });
  // The newest look-up of a target in each market stands last.
  const held = new Map<string, Target['held']>();
  for (const row of rawRows<{
    address: string;
    market: string;
    date: string;
    held: number;
    paidOnly: number;
  }>(found)) {
    const [organic, paid] = row.paidOnly > 0 ? [0, row.held] : [row.held, 0];
    const others = (held.get(row.address) ?? []).filter(({ market }) => market !== row.market);
    held.set(row.address, [...others, { market: row.market, organic, paid, date: row.date }]);
  }
  return held;
}

export async function targetById(database: Database, projectId: number, id: number): Promise<Target> {
  const found = (await listTargets(database, projectId)).find((entry) => entry.id === id);
  if (!found) throw new KnownProblem('no-such-target', `The project has no target ${id}.`);
  return found;
}

interface NewTarget {
  side: Side;
  kind: TargetKind;
  address: string;
  name: string;
  parent: string | null;
  market: string;
}

/** Adds a target with its record. The same address twice is one target: `null` when it stood already. */
export async function addTarget(
  database: Database,
  projectId: number,
  entry: NewTarget,
  record: SourceFullRecord | null,
  date: string,
): Promise<number | null> {
  const [added] = await database.rows
    .insert(target)
    .values({ projectId, ...entry })
    .onConflictDoNothing()
    .returning({ id: target.id });
  if (!added) return null;
  if (record) await saveVersion(database, added.id, record, date);
  return added.id;
}

export async function changeTarget(
  database: Database,
  projectId: number,
  id: number,
  change: TargetChange,
): Promise<void> {
  const changed = await database.rows
    .update(target)
    // With something in it even where nothing is to change.
    .set({ projectId, ...change })
    .where(and(eq(target.projectId, projectId), eq(target.id, id)))
    .returning({ id: target.id });
  if (changed.length === 0) throw new KnownProblem('no-such-target', `The project has no target ${id}.`);
}

/** Writes private fields of own targets at these addresses; those that are no targets of ours are given back. */
export async function setPrivateFields(
  database: Database,
  projectId: number,
  entries: readonly { address: string; name: string; value: string }[],
): Promise<string[]> {
  const rows = await database.rows
    .select()
    .from(target)
    .where(
      and(
        eq(target.projectId, projectId),
        eq(target.side, 'own'),
        inArray(
          target.address,
          entries.map(({ address }) => address),
        ),
      ),
    );
  const byAddress = new Map(rows.map((row) => [row.address, row]));
  const missing: string[] = [];
  for (const { address, name, value } of entries) {
    const row = byAddress.get(address);
    if (!row) {
      missing.push(address);
      continue;
    }
    row.privateFields = { ...row.privateFields, [name]: value };
    await database.rows.update(target).set({ privateFields: row.privateFields }).where(eq(target.id, row.id));
  }
  return missing;
}

export async function removeTarget(database: Database, projectId: number, id: number): Promise<void> {
  const removed = await database.rows
    .delete(target)
    .where(and(eq(target.projectId, projectId), eq(target.id, id)))
    .returning({ id: target.id });
  if (removed.length === 0) throw new KnownProblem('no-such-target', `The project has no target ${id}.`);
}

/** The target of a list that an address belongs to: itself, its parent, or what it lies under. */
export function coveringTarget<T extends { address: string }>(
  targets: readonly T[],
  address: string,
  parent: string | null,
): T | undefined {
  return targets.find((entry) => entry.address === parent || liesUnder(address, entry.address));
}

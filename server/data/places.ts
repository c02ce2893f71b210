import { createHash } from 'node:crypto';
import type { SourceRecord } from '@opsimath/contract/source/answers';
import { type Database, writeTogether } from './storage/connection';
import { rawRows } from './storage/rawRows';

/** What is known of a place beside its id. */
export interface PlaceRow {
  id: number;
  address: string;
  kind: string;
  parent: string | null;
  owner: string;
  authority: number | null;
  published: string | null;
  updated: string | null;
  title: string;
  description: string;
}

/** The part of a captured record that makes a version of its words. */
function wordsHash(record: SourceRecord): string {
  return createHash('sha1').update(`${record.title}\n${record.description}`).digest('base64url').slice(0, 16);
}

/** The site of an address that came without a record. */
export function parentOf(address: string): string | null {
  const slash = address.indexOf('/');
  return slash < 0 ? null : address.slice(0, slash);
}

/** Ids of captured records: of the place, and of the version of its words. */
interface PlaceIds {
  place: Map<string, number>;
  version: Map<string, number>;
}

/**
 * Ids of places and versions for the records of many captures in a row. Result pages repeat the same records
 * again and again: those that were seen unchanged are not written again.
 */
export class PlaceBook {
  private readonly known = new Map<string, { signature: string; place: number; version: number }>();

  constructor(private readonly database: Database) {}

  async ids(records: readonly SourceRecord[], date: string): Promise<PlaceIds> {
    const ids: PlaceIds = { place: new Map(), version: new Map() };
    const unknown: SourceRecord[] = [];
    const signatures = new Map<string, string>();
    for (const record of records) {
      const { title, description, published, updated, figures } = record;
      const signature = `${figures.authority}|${published}|${updated}|${title}|${description}`;
      const entry = this.known.get(record.address);
      if (entry?.signature === signature) {
        ids.place.set(record.address, entry.place);
        ids.version.set(record.address, entry.version);
      } else {
        unknown.push(record);
        signatures.set(record.address, signature);
      }
    }
    if (unknown.length === 0) return ids;
    const written = await writePlaces(this.database, unknown, date);
    for (const [address, place] of written.place) {
      const version = written.version.get(address)!;
      ids.place.set(address, place);
      ids.version.set(address, version);
      this.known.set(address, { signature: signatures.get(address)!, place, version });
    }
    return ids;
  }
}

/** Adds and refreshes what is new in these records. */
async function writePlaces(
  database: Database,
  records: readonly SourceRecord[],
  date: string,
): Promise<PlaceIds> {
  const unique = [...new Map(records.map((record) => [record.address, record])).values()];
  const json = JSON.stringify(
    unique.map((record) => ({
      a: record.address,
      k: record.kind,
      p: record.parent,
      o: record.owner,
      t: record.title,
      d: record.description,
      h: wordsHash(record),
      u: record.figures.authority ?? null,
      b: record.published,
      c: record.updated,
    })),
  );
  const get = (name: string): string => `json_extract(value, '$.${name}')`;
  await writeTogether(database, [
    {
      sql: `INSERT INTO place (address, kind, parent, owner, authority, published, updated, seen)
            SELECT ${get('a')}, ${get('k')}, ${get('p')}, ${get('o')}, ${get('u')}, ${get('b')}, ${get('c')}, ?
            FROM json_each(?) WHERE true
            ON CONFLICT (address) DO UPDATE SET kind = excluded.kind, parent = excluded.parent,
              owner = excluded.owner, authority = excluded.authority,
              published = excluded.published, updated = excluded.updated, seen = excluded.seen
            WHERE place.seen IS NULL OR excluded.seen > place.seen`,
      args: [date, json],
    },
    {
      sql: `INSERT OR IGNORE INTO place_version (place_id, hash, title, description)
            SELECT place.id, ${get('h')}, ${get('t')}, ${get('d')}
            FROM json_each(?) CROSS JOIN place ON place.address = ${get('a')}`,
      args: [json],
    },
    {
      // An upsert finds each place by its address; an UPDATE … FROM may scan all of them for every record.
      sql: `INSERT INTO place (address, kind, owner, version_id)
            SELECT place.address, place.kind, place.owner, place_version.id
            FROM json_each(?) CROSS JOIN place ON place.address = ${get('a')}
            CROSS JOIN place_version ON place_version.place_id = place.id AND place_version.hash = ${get('h')}
            WHERE true
            ON CONFLICT (address) DO UPDATE SET version_id = excluded.version_id WHERE place.seen = ?`,
      args: [json, date],
    },
  ]);
  const found = await database.client.execute({
    sql: `SELECT place.address, place.id, place_version.id AS version
          FROM json_each(?) CROSS JOIN place ON place.address = ${get('a')}
          CROSS JOIN place_version ON place_version.place_id = place.id AND place_version.hash = ${get('h')}`,
    args: [json],
  });
  return {
    place: new Map(found.rows.map((row) => [String(row.address), Number(row.id)])),
    version: new Map(found.rows.map((row) => [String(row.address), Number(row.version)])),
  };
}

/** Ids of places by bare address, adding those not met before. A parent that is not said is the host. */
export async function placeIdsByAddress(
  database: Database,
  entries: Iterable<string | { address: string; parent?: string | null }>,
): Promise<Map<string, number>> {
  const unique = new Map<string, string | null>();
  for (const entry of entries) {
    const { address, parent } = typeof entry === 'string' ? { address: entry, parent: undefined } : entry;
    if (!unique.has(address)) unique.set(address, parent === undefined ? parentOf(address) : parent);
  }
  const json = JSON.stringify([...unique]);
  await writeTogether(database, [
    {
      sql: `INSERT OR IGNORE INTO place (address, kind, parent, owner)
            SELECT json_extract(value, '$[0]'), CASE WHEN json_extract(value, '$[1]') IS NULL THEN 'site' ELSE 'page' END,
                   json_extract(value, '$[1]'), coalesce(json_extract(value, '$[1]'), json_extract(value, '$[0]'))
            FROM json_each(?)`,
      args: [json],
    },
  ]);
  const found = await database.client.execute({
    sql: `SELECT place.address, place.id FROM json_each(?) CROSS JOIN place ON place.address = json_extract(value, '$[0]')`,
    args: [json],
  });
  return new Map(found.rows.map((row) => [String(row.address), Number(row.id)]));
}

const PLACE_COLUMNS = `place.id, place.address, place.kind, place.parent, place.owner, place.authority, place.published,
  place.updated, coalesce(place_version.title, '') AS title, coalesce(place_version.description, '') AS description`;

/** Every place under any of these addresses: the address itself, its children, or anything below it as a path. */
export async function placesUnder(database: Database, addresses: readonly string[]): Promise<PlaceRow[]> {
  // Each of the three goes by an index; below a path lies what begins with it and a slash, and “0” follows “/”.
  const answer = await database.client.execute({
    sql: `SELECT ${PLACE_COLUMNS} FROM place LEFT JOIN place_version ON place_version.id = place.version_id
          WHERE place.id IN (
            SELECT place.id FROM json_each(?1) CROSS JOIN place ON place.address = value UNION
            SELECT place.id FROM json_each(?1) CROSS JOIN place ON place.parent = value UNION
            SELECT place.id FROM json_each(?1) CROSS JOIN place
              ON place.address >= rtrim(value, '/*') || '/' AND place.address < rtrim(value, '/*') || '0'
            WHERE instr(value, '/') > 0)
          ORDER BY place.id`,
    args: [JSON.stringify(addresses)],
  });
  return rawRows<PlaceRow>(answer);
}

/** Places by id, with their newest words. */
export async function placesById(database: Database, ids: Iterable<number>): Promise<Map<number, PlaceRow>> {
  const answer = await database.client.execute({
    sql: `SELECT ${PLACE_COLUMNS} FROM json_each(?) CROSS JOIN place ON place.id = value
          LEFT JOIN place_version ON place_version.id = place.version_id`,
    args: [JSON.stringify([...ids])],
  });
  return new Map(rawRows<PlaceRow>(answer).map((row) => [row.id, row]));
}

/** The words and owners of versions, as they stood in a capture. */
export async function placeVersions(
  database: Database,
  versionIds: Iterable<number>,
): Promise<Map<number, PlaceRow>> {
  const answer = await database.client.execute({
    sql: `SELECT place_version.id AS version, ${PLACE_COLUMNS} FROM place_version
          JOIN place ON place.id = place_version.place_id
          WHERE place_version.id IN (SELECT value FROM json_each(?))`,
    args: [JSON.stringify([...versionIds])],
  });
  return new Map(rawRows<PlaceRow & { version: number }>(answer).map((row) => [row.version, row]));
}

/** All pages of the web that were ever seen. */
export async function pagePlaces(database: Database): Promise<{ id: number; address: string }[]> {
  const answer = await database.client.execute(
    `SELECT json_group_array(id) AS ids, json_group_array(address) AS addresses FROM place WHERE kind = 'page'`,
  );
  const { ids, addresses } = rawRows<Record<string, string>>(answer)[0]!;
  const texts = JSON.parse(addresses!) as string[];
  return (JSON.parse(ids!) as number[]).map((id, n) => ({ id, address: texts[n]! }));
}

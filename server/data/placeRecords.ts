import { type SourceFullRecord, sourceFullRecord } from '@opsimath/contract/source/answers';
import { type Database, writeTogether } from './storage/connection';
import { placeIdsByAddress } from './places';

/** Newest public records of places on or before a date, by address. */
export async function placeRecords(
  database: Database,
  addresses: readonly string[],
  date: string,
): Promise<Map<string, { record: SourceFullRecord; date: string }>> {
  const found = await database.client.execute({
    sql: `SELECT place.address AS address, place_record.date AS date, record FROM json_each(?)
          CROSS JOIN place ON place.address = value
          CROSS JOIN place_record ON place_record.place_id = place.id
          WHERE place_record.date <= ? ORDER BY place_record.date`,
    args: [JSON.stringify([...new Set(addresses)]), date],
  });
  return new Map(
    found.rows.map((row) => [
      String(row.address),
      { record: sourceFullRecord.parse(JSON.parse(String(row.record))), date: String(row.date) },
    ]),
  );
}

/** Keeps public records as fetched on a date; one a place and day. */
export async function keepPlaceRecords(
  database: Database,
  records: readonly SourceFullRecord[],
  date: string,
): Promise<void> {
  if (records.length === 0) return;
  const ids = await placeIdsByAddress(database, records);
  await writeTogether(
    database,
    records.map((record) => ({
      sql: `INSERT INTO place_record (place_id, date, record) VALUES (?, ?, ?)
            ON CONFLICT (place_id, date) DO UPDATE SET record = excluded.record`,
      args: [ids.get(record.address)!, date, JSON.stringify(record)],
    })),
  );
}

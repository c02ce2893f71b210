import type { Marker } from '@opsimath/contract/api/markers';
import { and, eq, isNull } from 'drizzle-orm';
import { KnownProblem } from '../problems/problem';
import { type Database, writeTogether } from './storage/connection';
import { marker } from './schema';
import { rawRows } from './storage/rawRows';

/** Markers of a project with how many keywords bear each. */
export async function listMarkers(database: Database, projectId: number): Promise<Marker[]> {
  const answer = await database.client.execute({
    sql: `SELECT id, name, shape, (SELECT count(*) FROM marked_keyword WHERE marker_id = marker.id) AS keywords
          FROM marker WHERE project_id = ? AND removed_at IS NULL ORDER BY id`,
    args: [projectId],
  });
  return rawRows<Marker>(answer);
}

export async function addMarker(
  database: Database,
  projectId: number,
  entry: Pick<Marker, 'name' | 'shape'>,
): Promise<void> {
  await database.rows.insert(marker).values({ ...entry, projectId });
}

export async function changeMarker(
  database: Database,
  projectId: number,
  id: number,
  change: Partial<Pick<Marker, 'name' | 'shape'>>,
): Promise<void> {
  await assertMarker(database, projectId, id);
  if (Object.keys(change).length > 0) await database.rows.update(marker).set(change).where(eq(marker.id, id));
}

/** Takes a marker away; it can be brought back as it was. */
export async function removeMarker(database: Database, projectId: number, id: number): Promise<void> {
  await assertMarker(database, projectId, id);
  await database.rows.update(marker).set({ removedAt: new Date().toISOString() }).where(eq(marker.id, id));
}

/** Brings a marker back that was taken away, on all the keywords that bore it. */
export async function bringMarkerBack(database: Database, projectId: number, id: number): Promise<void> {
  const back = await database.rows
    .update(marker)
    .set({ removedAt: null })
    .where(and(eq(marker.projectId, projectId), eq(marker.id, id)));
  if (back.rowsAffected === 0) throw gone(id);
}

/** Puts a marker on keywords, or takes it off; gives those that it was not on, or was on, before. */
export function markKeywords(
  database: Database,
  projectId: number,
  id: number,
  keywords: readonly number[],
  on: boolean,
): Promise<number[]> {
  return database.together(async (steps) => {
    await assertMarker(steps, projectId, id);
    const stood = await steps.client.execute({
      sql: `SELECT keyword.id AS keyword,
                 EXISTS (SELECT 1 FROM marked_keyword WHERE marker_id = ? AND keyword_id = keyword.id) AS marked
          FROM json_each(?) CROSS JOIN keyword ON keyword.id = value`,
      args: [id, JSON.stringify([...new Set(keywords)])],
    });
    const changed = stood.rows
      .filter(({ marked }) => Boolean(marked) !== on)
      .map(({ keyword }) => Number(keyword));
    await writeTogether(steps, [
      {
        sql: on
          ? 'INSERT OR IGNORE INTO marked_keyword (marker_id, keyword_id) SELECT ?, value FROM json_each(?)'
          : 'DELETE FROM marked_keyword WHERE marker_id = ? AND keyword_id IN (SELECT value FROM json_each(?))',
        args: [id, JSON.stringify(changed)],
      },
    ]);
    return changed;
  });
}

/** Keyword ids that bear a marker. */
export async function markedIds(database: Database, id: number): Promise<Int32Array> {
  const answer = await database.client.execute({
    sql: 'SELECT json_group_array(keyword_id) AS ids FROM marked_keyword WHERE marker_id = ?',
    args: [id],
  });
  return Int32Array.from(JSON.parse(String(answer.rows[0]!.ids)) as number[]);
}

/** Ids of the markers that each of some keywords bears. */
export async function markersOf(
  database: Database,
  projectId: number,
  ids: readonly number[],
): Promise<Map<number, number[]>> {
  const answer = await database.client.execute({
    sql: `SELECT keyword_id AS keyword, json_group_array(marker_id) AS markers FROM marked_keyword
          JOIN marker ON marker.id = marker_id
          WHERE project_id = ? AND removed_at IS NULL AND keyword_id IN (SELECT value FROM json_each(?))
          GROUP BY keyword_id`,
    args: [projectId, JSON.stringify(ids)],
  });
  return new Map(
    answer.rows.map(({ keyword, markers }) => [Number(keyword), JSON.parse(String(markers)) as number[]]),
  );
}

async function assertMarker(database: Database, projectId: number, id: number): Promise<void> {
  const found = await database.rows
    .select({ id: marker.id })
    .from(marker)
    .where(and(eq(marker.projectId, projectId), eq(marker.id, id), isNull(marker.removedAt)));
  if (found.length === 0) throw gone(id);
}

const gone = (id: number): KnownProblem =>
  new KnownProblem('no-such-marker', `There is no marker ${id}.`, 'It may have been removed.');

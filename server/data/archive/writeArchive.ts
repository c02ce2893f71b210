import { KnownProblem } from '../../problems/problem';
import type { Database } from '../storage/connection';
import { type Column, typeOf } from '../segments/columns';
import { type StoredSegment, allColumns } from '../segments/segments';
import { splitColumns } from '../segments/split';
import { rawRows } from '../storage/rawRows';

export const ARCHIVE_FORMAT = 'opsimath project archive';
/** 2: the list of imports travels too. */
export const ARCHIVE_VERSION = 2;
const ROWS_A_LINE = 5000;
/** Segments are large: they are written in parts, so that no line is too long to be read at once. */
const MOST_BYTES_A_LINE = 32 * 1024 * 1024;

/** Tables that go out as they are, with the condition that makes them the project's. */
const PROJECT_TABLES = [
  ['target', 'project_id = ?1'],
  ['target_version', 'target_id IN (SELECT id FROM target WHERE project_id = ?1)'],
  ['banned_word', 'project_id = ?1'],
  ['sitemap_page', 'project_id = ?1'],
  ['index_check', 'project_id = ?1'],
  ['column_match', 'project_id = ?1'],
  ['tracked', 'project_id = ?1'],
  ['note', 'project_id = ?1'],
  ['result_reading', 'project_id = ?1'],
  ['hand_position', 'project_id = ?1'],
  ['chosen_action', 'project_id = ?1'],
  ['said_purpose', 'project_id = ?1'],
  ['round', 'project_id = ?1'],
  ['task', 'project_id = ?1'],
  ['answering', 'project_id = ?1'],
  ['draft', 'project_id = ?1'],
  ['draft_version', 'draft_id IN (SELECT id FROM draft WHERE project_id = ?1)'],
  ['published_change', 'project_id = ?1'],
  ['watch_plan', 'project_id = ?1'],
  ['visit_month', 'project_id = ?1'],
  ['report', 'project_id = ?1'],
  ['frozen_report', 'project_id = ?1'],
  ['report_plan', 'project_id = ?1'],
  ['own_bid', 'project_id = ?1'],
  ['auction_slot', 'market_id IN (SELECT market_id FROM own_bid WHERE project_id = ?1)'],
  ['verdict', 'project_id = ?1'],
  ['file_import', 'project_id = ?1'],
  ['look_up', 'project_id = ?1'],
  ['keyword_list', 'project_id = ?1'],
  ['list_member', 'list_id IN (SELECT id FROM keyword_list WHERE project_id = ?1)'],
  ['list_change', 'list_id IN (SELECT id FROM keyword_list WHERE project_id = ?1)'],
  ['marker', 'project_id = ?1'],
  ['recipe', 'project_id = ?1'],
  ['variant_choice', 'project_id = ?1'],
  ['marked_keyword', 'marker_id IN (SELECT id FROM marker WHERE project_id = ?1)'],
  ['word_leave', 'project_id = ?1'],
  ['look_up_target', 'look_up_id IN (SELECT id FROM look_up WHERE project_id = ?1)'],
  ['look_up_find', 'look_up_id IN (SELECT id FROM look_up WHERE project_id = ?1)'],
  ['file_export', 'project_id = ?1'],
] as const;

/**
 * All of a project as lines of JSON: what it is, its markets with their keywords, the places seen in them, its own
 * rows, then every segment that speaks of it. The last line counts the others, so that a file that breaks off is known.
 */
export async function* archiveLines(database: Database, projectId: number): AsyncGenerator<string> {
  let lines = 0;
  const line = (entry: object): string => {
    lines++;
    return `${JSON.stringify(entry)}\n`;
  };
  const rows = async <Row = Record<string, unknown>>(
    sql: string,
    args: (number | string)[] = [],
  ): Promise<Row[]> => rawRows<Row>(await database.client.execute({ sql, args })).map((row) => ({ ...row }));
  const [project] = await rows('SELECT name, settings, created_at FROM project WHERE id = ?', [projectId]);
  if (!project) throw new KnownProblem('no-such-project', `There is no project ${projectId}.`);
  yield line({ format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION });
  yield line({ table: 'project', rows: [project] });
  const holder = await holdersWithin(rows, projectId);
  const segments = await rows<StoredSegment>(
    `SELECT id, market_id AS marketId, kind, source, date, project_id AS projectId, look_up_id AS lookUpId,
            import_id AS importId, subject, rows
     FROM segment WHERE superseded = 0 AND pending = 0 AND (project_id = ?1 OR look_up_id IN
       (SELECT id FROM look_up WHERE project_id = ?1)
       OR EXISTS (SELECT 1 FROM look_up_target WHERE look_up_id IN (SELECT id FROM look_up WHERE project_id = ?1)
         AND held_by = segment.look_up_id AND address = segment.subject)
       OR (kind IN ('captures', 'metrics') AND project_id IS NULL AND market_id IN
         (SELECT market_id FROM look_up WHERE project_id = ?1)))
     ORDER BY date, id`,
    [projectId],
  );
  // Of facts, and of what else speaks of a market: a list or an import may be of one without facts.
  const spokenOf = await rows(
    `SELECT market_id AS id FROM look_up WHERE project_id = ?1 UNION SELECT market_id FROM keyword_list WHERE project_id = ?1
     UNION SELECT market_id FROM file_import WHERE project_id = ?1 AND market_id IS NOT NULL
     UNION SELECT market_id FROM task WHERE project_id = ?1 UNION SELECT market_id FROM draft WHERE project_id = ?1
     UNION SELECT market_id FROM published_change WHERE project_id = ?1
     UNION SELECT market_id FROM watch_plan WHERE project_id = ?1
     UNION SELECT market_id FROM report_plan WHERE project_id = ?1
     UNION SELECT market_id FROM own_bid WHERE project_id = ?1 UNION SELECT market_id FROM index_check WHERE project_id = ?1
     UNION SELECT market_id FROM keyword WHERE id IN (
       SELECT keyword_id FROM verdict WHERE project_id = ?1 UNION SELECT keyword_id FROM tracked WHERE project_id = ?1
       UNION SELECT keyword_id FROM note WHERE project_id = ?1 UNION SELECT keyword_id FROM hand_position WHERE project_id = ?1
       UNION SELECT keyword_id FROM chosen_action WHERE project_id = ?1
       UNION SELECT keyword_id FROM said_purpose WHERE project_id = ?1 UNION SELECT keyword_id FROM answering WHERE project_id = ?1
       UNION SELECT keyword_id FROM variant_choice WHERE project_id = ?1 UNION SELECT keyword_id FROM word_leave WHERE project_id = ?1
       UNION SELECT keyword_id FROM marked_keyword JOIN marker ON marker.id = marker_id WHERE project_id = ?1)`,
    [projectId],
  );
  const markets = [
    ...new Set([...segments.map(({ marketId }) => marketId), ...spokenOf.map(({ id }) => Number(id))]),
  ];
  yield line({
    table: 'market',
    rows: await rows(`SELECT * FROM market WHERE id IN (SELECT value FROM json_each(?))`, [
      JSON.stringify(markets),
    ]),
  });
  for (const market of markets) {
    yield* paged(
      'keyword',
      `SELECT id, market_id, key, text FROM keyword WHERE market_id = ${market} AND id > ?1 ORDER BY id`,
    );
  }
  yield* paged('place', 'SELECT * FROM place WHERE id > ?1 ORDER BY id');
  yield* paged('place_version', 'SELECT * FROM place_version WHERE id > ?1 ORDER BY id');
  yield* paged('place_record', 'SELECT * FROM place_record WHERE id > ?1 ORDER BY id');
  for (const [table, condition] of PROJECT_TABLES) {
    const found = await rows(`SELECT * FROM ${table} WHERE ${condition} ORDER BY rowid`, [projectId]);
    if (table === 'look_up_target')
      for (const row of found) row.held_by = holder(Number(row.held_by), String(row.address));
    for (let at = 0; at < found.length; at += ROWS_A_LINE)
      yield line({ table, rows: found.slice(at, at + ROWS_A_LINE) });
  }
  for (const segment of segments) {
    if (typeof segment.lookUpId === 'number' && segment.subject)
      segment.lookUpId = holder(segment.lookUpId, segment.subject);
    for (const part of splitColumns(await allColumns(database, segment.id), MOST_BYTES_A_LINE)) {
      const columns: Record<string, { type: string; data: string }> = {};
      for (const [name, column] of Object.entries(part.columns))
        columns[name] = { type: typeOf(column), data: base64(column) };
      yield line({ segment: { ...segment, rows: part.rows }, columns });
    }
  }
  yield `${JSON.stringify({ end: lines })}\n`;

  async function* paged(table: string, sql: string): AsyncGenerator<string> {
    for (let after = 0; ;) {
      const found = await rows(`${sql} LIMIT ${ROWS_A_LINE}`, [after]);
      if (found.length === 0) return;
      yield line({ table, rows: found });
      after = Number(found.at(-1)!.id);
    }
  }
}

/**
 * Which of the project's look-ups stands for the one that holds a target's rankings. Another project's does not travel:
 * its place takes the first of ours that rests on it.
 */
async function holdersWithin(
  rows: (sql: string, args: number[]) => Promise<Record<string, unknown>[]>,
  projectId: number,
): Promise<(heldBy: number, address: string) => number> {
  const foreign = await rows(
    `SELECT held_by, address, min(look_up_id) AS ours FROM look_up_target
     WHERE look_up_id IN (SELECT id FROM look_up WHERE project_id = ?1)
       AND held_by NOT IN (SELECT id FROM look_up WHERE project_id = ?1)
     GROUP BY held_by, address`,
    [projectId],
  );
  const ours = new Map(
    foreign.map((row) => [`${Number(row.held_by)}:${String(row.address)}`, Number(row.ours)]),
  );
  return (heldBy, address) => ours.get(`${heldBy}:${address}`) ?? heldBy;
}

function base64(column: Column): string {
  return Buffer.from(column.buffer, column.byteOffset, column.byteLength).toString('base64');
}

import { GROUND_SCOPES } from '@opsimath/contract/api/grounds';
import { temporaryDatabase } from '../testing/database';
import { readRevisions } from './grounds';
import { keywordIds } from './keywords';

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());

/** Tables that no answer rests on: how work goes, what was refused, what is kept beside. */
const REST_NOTHING = new Set([
  'column_match',
  'edition',
  'given_verdicts',
  'ground_revision',
  'import_rejection',
  'job',
  'list_change',
  'paid_request',
  // They never come without, or change without, what is counted.
  'place_version',
  'segment_column',
]);

test('every write of what answers rest on is counted: each table has a trigger for each way of changing it', async () => {
  const { client } = held.database;
  const tables = await client.execute(
    `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '\\_\\_%' ESCAPE '\\'
     AND name NOT LIKE 'keyword_words%'`,
  );
  const triggers = await client.execute("SELECT tbl_name, name FROM sqlite_master WHERE type = 'trigger'");
  const named = new Set(triggers.rows.map((row) => String(row.name)));
  const missing = tables.rows
    .map((row) => String(row.name))
    .filter((table) => !REST_NOTHING.has(table))
    .flatMap((table) =>
      ['insert', 'update', 'delete']
        .map((way) => `ground_${table}_${way}`)
        // A place is never taken away; keywords are counted once for all that come together.
        .filter(
          (name) => !named.has(name) && !['ground_place_delete', 'ground_keyword_insert'].includes(name),
        ),
    );
  expect(missing).toEqual([]);
});

test('a trigger counts up what it is of, for whom it is, and nothing else', async () => {
  const { client } = held.database;
  await client.execute("INSERT INTO project (name, settings) VALUES ('a', '{}'), ('b', '{}')");
  await client.execute("INSERT INTO keyword (market_id, key, text) VALUES (1, 'a', 'a'), (1, 'b', 'b')");
  const grounds = Object.keys(GROUND_SCOPES) as (keyof typeof GROUND_SCOPES)[];
  const read = async (project: number) => {
    const revisions = await readRevisions(held.database, { project, market: 1, lookUp: 1 });
    return { total: revisions.total, of: new Map(grounds.map((one) => [one, revisions.name([one])])) };
  };
  const changes: [string, string[]][] = [
    ["INSERT INTO tracked (project_id, keyword_id, since) VALUES (1, 1, '2026-01-01')", ['tracked']],
    ["INSERT OR IGNORE INTO tracked (project_id, keyword_id, since) VALUES (1, 1, '2026-01-01')", []],
    ['DELETE FROM tracked WHERE project_id = 1', ['tracked']],
    ["INSERT INTO keyword_list (project_id, market_id, name) VALUES (1, 1, 'l')", ['lists']],
    ['INSERT INTO list_member (list_id, keyword_id) VALUES (1, 1)', ['lists']],
    ["INSERT INTO verdict (project_id, keyword_id, verdict) VALUES (1, 1, 'fit')", ['verdicts']],
    ["UPDATE verdict SET verdict = 'off' WHERE project_id = 1", ['verdicts']],
    ["UPDATE project SET settings = '{}' WHERE id = 1", ['projects']],
    ["UPDATE keyword SET text = 'A' WHERE key = 'a'", ['keywords']],
    [
      `INSERT INTO segment (market_id, kind, source, date, import_id, rows, pending)
       VALUES (1, 'metrics', 'a.csv', '2026-01-01', 4, 1, 1)`,
      [],
    ],
    ['UPDATE segment SET pending = 0 WHERE import_id = 4', ['facts']],
    [
      `INSERT INTO look_up (project_id, market_id, name, date, request) VALUES (1, 1, 'n', '2026-01-01', '{}')`,
      ['lookUps', 'lookUp'],
    ],
    ["UPDATE look_up SET keywords = 7 WHERE name = 'n'", ['lookUps', 'lookUp']],
    ['UPDATE project SET settings_revision = 9 WHERE id = 1', []],
    [
      `INSERT INTO look_up_target (look_up_id, address, held_by, state, rows) VALUES (1, 'a.example', 1, 'waiting', 0)`,
      ['lookUps', 'lookUp', 'facts'],
    ],
    ['UPDATE look_up_target SET rows = 5', []],
    ["UPDATE look_up_target SET state = 'done'", ['lookUps', 'lookUp', 'facts']],
    [
      `INSERT INTO target (project_id, address, side, kind, name)
       VALUES (1, 'a.example', 'own', 'site', 'A')`,
      ['roster'],
    ],
    [`INSERT INTO place (address, kind, owner) VALUES ('b.example/x', 'page', 'B')`, []],
    [
      `INSERT INTO place (address, kind, owner, parent) VALUES ('a.example/x', 'page', 'A', 'a.example')`,
      ['roster'],
    ],
    ["UPDATE place SET seen = '2026-01-01'", []],
    ['UPDATE place SET authority = 40', ['roster']],
    ["DELETE FROM look_up WHERE name = 'n'", ['lookUps', 'lookUp', 'facts']],
  ];
  for (const [statement, expected] of changes) {
    const [mine, theirs] = [await read(1), await read(2)];
    await client.execute(statement);
    const [after, others] = [await read(1), await read(2)];
    const moved = grounds.filter((ground) => after.of.get(ground) !== mine.of.get(ground));
    expect([statement, [...moved].sort()]).toEqual([statement, [...expected].sort()]);
    expect([statement, after.total > mine.total]).toEqual([statement, expected.length > 0]);
    const moveOthers = grounds.filter((ground) => others.of.get(ground) !== theirs.of.get(ground));
    expect(moveOthers.filter((ground) => GROUND_SCOPES[ground] === 'project')).toEqual([]);
  }
});

test('new keywords are counted once for all that come together, known ones not at all', async () => {
  const { database } = held;
  const name = async (market: number) => (await readRevisions(database, { market })).name(['new keywords']);
  const before = await name(1);
  const many = Array.from({ length: 300 }, (_, n) => `new keyword ${n}`);
  await keywordIds(database, 1, many);
  const after = await name(1);
  expect(after).not.toBe(before);
  await keywordIds(database, 1, many);
  expect(await name(1)).toBe(after);
  await keywordIds(database, 1, [...many, 'One More, in capitals']);
  expect(await name(1)).not.toBe(after);
  expect(await name(2)).toBe('0');
});

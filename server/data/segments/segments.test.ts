import fc from 'fast-check';
import { temporaryDatabase } from '../../testing/database';
import { writeTogether } from '../storage/connection';
import { BLOCK, type Columns, checksum, joinColumns } from './columns';
import { mergeSmallSegments } from './merge';
import { type SegmentHead, findSegments, readColumn, readColumns, segmentStatements } from './segments';

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());
beforeEach(() => held.database.client.execute('DELETE FROM segment'));

const head = (over: Partial<SegmentHead> = {}): SegmentHead => ({
  marketId: 1,
  kind: 'rankings',
  source: 'test',
  date: '2026-03-14',
  rows: 1,
  ...over,
});

async function write(over: Partial<SegmentHead>, columns: Columns): Promise<number> {
  await writeTogether(held.database, segmentStatements(head(over), columns));
  const all = await findSegments(held.database, { marketId: 1 });
  return Math.max(...all.map((segment) => segment.id));
}

test('columns of every type come back as they were, across blocks', async () => {
  const size = BLOCK * 2 + 17;
  const columns = {
    bytes: Uint8Array.from({ length: size }, (_, i) => i % 251),
    whole: Int32Array.from({ length: size }, (_, i) => (i * 7919) | 0),
    real: Float64Array.from({ length: size }, (_, i) => (i % 13 === 0 ? NaN : i / 7)),
    small: Float32Array.of(1.5, -2.25),
    none: new Int32Array(0),
  };
  const id = await write({}, columns);
  expect(await readColumns(held.database, id, Object.keys(columns))).toEqual(columns);
});

test('a view into a larger array is stored without its surroundings', async () => {
  const whole = Int32Array.of(9, 1, 2, 3, 9);
  const id = await write({}, { part: whole.subarray(1, 4) });
  expect(await readColumn(held.database, id, 'part')).toEqual(Int32Array.of(1, 2, 3));
});

test('a damaged blob is noticed', async () => {
  const id = await write({}, { keyword: Int32Array.of(1, 2, 3) });
  await held.database.client.execute({
    sql: `UPDATE segment_column SET data = x'0100000002000000FF000000' WHERE segment_id = ?`,
    args: [id],
  });
  await expect(readColumn(held.database, id, 'keyword')).rejects.toThrow(/do not match their checksum/);
  await expect(readColumn(held.database, id, 'missing')).rejects.toThrow(/column missing/);
});

test('any single changed byte changes the checksum', () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ minLength: 1, maxLength: 5000 }),
      fc.nat(),
      fc.integer({ min: 1, max: 255 }),
      (bytes, at, by) => {
        const changed = bytes.slice();
        changed[at % bytes.length]! ^= by;
        expect(checksum(changed)).not.toBe(checksum(bytes));
      },
    ),
  );
});

test('a batch that fails leaves nothing of its segment', async () => {
  const broken = { sql: 'INSERT INTO nowhere VALUES (1)', args: [] };
  await expect(
    writeTogether(held.database, [...segmentStatements(head(), { keyword: Int32Array.of(1) }), broken]),
  ).rejects.toThrow();
  expect(await findSegments(held.database, { marketId: 1 })).toEqual([]);
  const columns = await held.database.client.execute('SELECT count(*) AS count FROM segment_column');
  expect(columns.rows[0]!.count).toBe(0);
});

test('small segments of one piece of work are joined, others stay apart', async () => {
  await write({ lookUpId: 1, subject: 'a', rows: 2 }, { keyword: Int32Array.of(1, 2) });
  await write({ lookUpId: 1, subject: 'a', rows: 1 }, { keyword: Int32Array.of(3) });
  await write({ lookUpId: 1, subject: 'b', rows: 1 }, { keyword: Int32Array.of(4) });
  await mergeSmallSegments(held.database, { marketId: 1, kind: 'rankings', date: '2026-03-14', lookUpId: 1 });
  const segments = await findSegments(held.database, { marketId: 1 });
  expect(segments.map(({ subject, rows }) => [subject, rows])).toEqual([
    ['b', 1],
    ['a', 3],
  ]);
  expect(await readColumn(held.database, segments[1]!.id, 'keyword')).toEqual(Int32Array.of(1, 2, 3));
});

test('joined captures keep pointing at their own slots', async () => {
  const part = (keywords: number[], slots: number[][]): Columns => ({
    keyword: Int32Array.from(keywords),
    slotStart: Int32Array.from(slots.map((_, i) => slots.slice(0, i).flat().length)),
    slotCount: Int32Array.from(slots, (list) => list.length),
    place: Int32Array.from(slots.flat()),
  });
  await write({ kind: 'captures', rows: 2 }, part([1, 2], [[10, 11], [20]]));
  await write({ kind: 'captures', rows: 2 }, part([3, 4], [[], [40, 41, 42]]));
  await write({ kind: 'captures', rows: 1 }, part([5], [[50]]));
  await mergeSmallSegments(held.database, { marketId: 1, kind: 'captures', date: '2026-03-14' });
  const [joined] = await findSegments(held.database, { marketId: 1 });
  const { keyword, slotStart, slotCount, place } = await readColumns(held.database, joined!.id, [
    'keyword',
    'slotStart',
    'slotCount',
    'place',
  ]);
  const slots = Array.from(keyword, (id, i) => [
    id,
    Array.from(place.subarray(slotStart[i]!, slotStart[i]! + slotCount[i]!)),
  ]);
  expect(slots).toEqual([
    [1, [10, 11]],
    [2, [20]],
    [3, []],
    [4, [40, 41, 42]],
    [5, [50]],
  ]);
});

test('joining columns is putting their entries end to end', () => {
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.integer({ min: -1e9, max: 1e9 })), { minLength: 1, maxLength: 5 }),
      (parts) => {
        const joined = joinColumns(parts.map((entries) => ({ x: Int32Array.from(entries) })));
        expect(Array.from(joined.x!)).toEqual(parts.flat());
      },
    ),
  );
});

test('two who join the same segments at once leave every row once', async () => {
  for (const keyword of [1, 2, 3]) await write({}, { keyword: Int32Array.of(keyword) });
  const join = () => mergeSmallSegments(held.database, { marketId: 1, kind: 'rankings', date: '2026-03-14' });
  await Promise.all([join(), join(), join()]);
  const left = await findSegments(held.database, { marketId: 1 });
  expect(left).toHaveLength(1);
  expect(await readColumn(held.database, left[0]!.id, 'keyword')).toEqual(Int32Array.of(1, 2, 3));
});

import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import type { CompleteLookUp } from '../../data/completeLookUps';
import { findSegments } from '../../data/segments/segments';
import { temporaryDatabase } from '../../testing/database';
import { storeCapture, storeRanking } from '../../testing/facts';
import { ColumnStore } from '../kept/columnStore';
import { presumeAbsent } from './presumed';
import type { Sides } from './sides';
import { buildStandings } from './standings';

const RANGE = { least: 1, most: 4 };
/** Place 1 is ours, 2 rival A's, 3 rival B's, 4 nobody's. */
const MASKS = Uint32Array.of(0, 1, 2, 4, 0);
const sides = {
  own: [{ id: 1, address: 'us.example' }],
  ownName: 'Us',
  ownPlaces: [],
  rivals: [
    { id: 2, address: 'a.example' },
    { id: 3, address: 'b.example' },
  ],
  masks: MASKS,
} as unknown as Sides;

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());
beforeEach(() => held.database.client.execute('DELETE FROM segment'));

const ranked = (date: string, keyword: number, place: number, organic: number, importId?: number) =>
  storeRanking(held.database, {
    date,
    keyword,
    place,
    organic,
    ...(importId === undefined ? {} : { importId }),
  });
const captured = (date: string, keyword: number, place: number, organic: number) =>
  storeCapture(held.database, { date, keyword, slots: [{ place, organic }] });

const whole = (address: string, date: string, source: string | null = null): CompleteLookUp => ({
  address,
  date,
  source,
});

/** Positions of us, A and B for a keyword, and who is presumed. */
async function stands(keyword: number, complete: CompleteLookUp[], asked: Sides = sides) {
  const store = new ColumnStore(held.database, 1e6);
  const segments = await findSegments(held.database, { marketId: 1 });
  const standings = await buildStandings(store, segments, asked, RANGE);
  const presumed = await presumeAbsent(store, standings, segments, complete, asked);
  const i = keyword - RANGE.least;
  return {
    organic: [standings.own, ...standings.rivals].map(({ organic }) => organic[i]),
    presumed: presumed[i]!,
  };
}

test('a complete look-up that does not name what another names makes its side absent', async () => {
  await ranked('2026-03-01', 1, 2, 4);
  expect(await stands(1, [])).toEqual({ organic: [UNKNOWN, 4, UNKNOWN], presumed: 0 });
  expect(await stands(1, [whole('us.example', '2026-03-05')])).toEqual({
    organic: [ABSENT, 4, UNKNOWN],
    presumed: 1,
  });
  // B was looked up, too: its bit is the third.
  expect(await stands(1, [whole('us.example', '2026-03-05'), whole('b.example', '2026-02-22')])).toEqual({
    organic: [ABSENT, 4, ABSENT],
    presumed: 0b101,
  });
});

test.each([
  ['2026-03-08', ABSENT],
  ['2026-03-09', UNKNOWN],
  ['2026-02-22', ABSENT],
  ['2026-02-21', UNKNOWN],
])('looked up on %s, a name of 1 March is seven days away at most', async (date, expected) => {
  await ranked('2026-03-01', 1, 2, 4);
  expect((await stands(1, [whole('us.example', date)])).organic[0]).toBe(expected);
});

test('a keyword that nobody is named for, or only we are, makes nobody absent', async () => {
  await ranked('2026-03-01', 1, 4, 2);
  await ranked('2026-03-01', 2, 1, 9);
  expect((await stands(1, [whole('us.example', '2026-03-01')])).organic).toEqual([UNKNOWN, UNKNOWN, UNKNOWN]);
  expect((await stands(2, [whole('us.example', '2026-03-01')])).organic).toEqual([9, UNKNOWN, UNKNOWN]);
});

test('what is known stays: an older position, and what a capture says', async () => {
  await ranked('2026-01-01', 1, 1, 8);
  await ranked('2026-03-01', 1, 2, 4);
  await captured('2026-02-01', 2, 1, 30);
  await ranked('2026-03-01', 2, 2, 5);
  const complete = [whole('us.example', '2026-03-01')];
  expect(await stands(1, complete)).toEqual({ organic: [8, 4, UNKNOWN], presumed: 0 });
  expect((await stands(2, complete)).organic[0]).toBe(30);
});

test('only look-ups of one source speak of one state of things', async () => {
  await ranked('2026-03-01', 1, 2, 4, 7);
  expect((await stands(1, [whole('us.example', '2026-03-01')])).organic[0]).toBe(UNKNOWN);
  expect((await stands(1, [whole('us.example', '2026-03-01', 'other.csv')])).organic[0]).toBe(UNKNOWN);
  expect((await stands(1, [whole('us.example', '2026-03-01', 'table.csv')])).organic[0]).toBe(ABSENT);
});

test('a side of several targets is absent when each of them was looked up, those within another left out', async () => {
  await ranked('2026-03-01', 1, 2, 4);
  const many = {
    ...sides,
    own: [{ address: 'us.example' }, { address: 'us.example/shop' }, { address: 'ours.example' }],
  } as unknown as Sides;
  const one = whole('us.example', '2026-03-01');
  expect((await stands(1, [one], many)).organic[0]).toBe(UNKNOWN);
  expect((await stands(1, [one, whole('ours.example', '2026-03-02')], many)).organic[0]).toBe(UNKNOWN);
  expect((await stands(1, [one, whole('ours.example', '2026-03-01')], many)).organic[0]).toBe(ABSENT);
});

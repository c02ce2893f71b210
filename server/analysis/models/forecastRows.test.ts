import { CHANGE_COUNT } from '@opsimath/core/forecast/forecast';
import { ABSENT } from '@opsimath/core/ranking/position';
import { marketById } from '../../data/markets';
import { temporaryDatabase } from '../../testing/database';
import { type TestSlot, storeCapture } from '../../testing/facts';
import { Workspace } from '../kept/workspace';
import { forecastRows } from './forecastRows';

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
  await held.database.client.execute(
    "INSERT INTO keyword (market_id, key, text) VALUES (1, 'bike bag', 'bike bag'), (1, 'rain bag', 'rain bag')",
  );
});
beforeEach(() => held.database.client.execute('DELETE FROM segment'));
afterAll(() => held.remove());

const LATER = '2026-03-01';
/** ISO day so many days before the later capture. */
const before = (days: number): string =>
  new Date(Date.parse(LATER) - days * 86_400_000).toISOString().slice(0, 10);
const capture = (date: string, keyword: number, slots: TestSlot[]): Promise<unknown> =>
  storeCapture(held.database, { date, keyword, slots });
async function rowsAt(horizon: number, date = LATER) {
  const workspace = new Workspace(held.database, 16 * 1024 * 1024);
  const { pairs, captures } = await forecastRows(
    workspace,
    await marketById(held.database, 1),
    date,
    horizon,
  );
  const rows = Array.from(pairs.before, (position, row) => ({
    from: position,
    to: pairs.after[row],
    changes: Array.from(pairs.changes.subarray(CHANGE_COUNT * row, CHANGE_COUNT * (row + 1))),
    keyword: pairs.keyword[row],
    held: pairs.held[row],
    site: pairs.siteAfter[row],
  }));
  return { rows, captures };
}

test('every result of the earlier page with where it stands later, what changed, and whether it was touched', async () => {
  await capture(before(60), 1, [
    { place: 5, organic: 3, titleWords: 1, fieldWords: 2, updated: 100 },
    { place: 6, organic: 9, updated: 5 },
    // Whose it is nobody said, and a paid one: neither is a result to learn from.
    { place: 0, organic: 10 },
    { place: 7, paid: 1 },
  ]);
  await capture(LATER, 1, [
    { place: 5, organic: 1, phrase: 1, titleWords: 2, fieldWords: 1, updated: 20 },
    { place: 8, organic: 2 },
  ]);
  expect(await rowsAt(60)).toEqual({
    captures: 1,
    rows: [
      // Touched 20 days before the later of two pages 60 days apart: two thirds of the way, squared.
      {
        from: 3,
        to: 1,
        changes: [1, 0.5, -0.5, 1, (1 - 20 / 60) ** 2],
        keyword: 0,
        held: 1,
        site: 1,
      },
      { from: 9, to: ABSENT, changes: [0, 0, 0, 0, 0], keyword: 0, held: 1, site: ABSENT },
    ],
  });
});

test('of several earlier captures the one nearest to the horizon, at least half and at most twice of it away', async () => {
  for (const days of [130, 75, 58, 20])
    await capture(before(days), 1, [{ place: 5, organic: Math.min(99, days) }]);
  await capture(LATER, 1, [{ place: 5, organic: 1 }]);
  const { rows } = await rowsAt(60);
  // The last with that of 58 days before it; that of 20 with that of 75, 55 apart; those of 58 and 75 with that of 130.
  expect(rows.map(({ from, to }) => [from, to])).toEqual([
    [58, 1],
    [75, 20],
    [99, 58],
    [99, 75],
  ]);
});

test('nothing of a later day counts, nor what was captured once', async () => {
  await capture(before(60), 1, [{ place: 5, organic: 3 }]);
  await capture(LATER, 1, [{ place: 5, organic: 4 }]);
  await capture(LATER, 2, [{ place: 5, organic: 4 }]);
  expect((await rowsAt(60, before(1))).rows).toEqual([]);
  expect((await rowsAt(60)).rows).toHaveLength(1);
});

test('of one day the capture written last counts; keywords are numbered in the order taken', async () => {
  await capture(before(60), 2, [{ place: 5, organic: 8 }]);
  await capture(before(60), 1, [{ place: 5, organic: 3 }]);
  await capture(before(60), 1, [{ place: 5, organic: 4 }]);
  await capture(LATER, 1, [{ place: 5, organic: 6 }]);
  await capture(LATER, 2, [{ place: 5, organic: 7 }]);
  expect((await rowsAt(60)).rows.map(({ from, to, keyword }) => [from, to, keyword])).toEqual([
    [4, 6, 0],
    [8, 7, 1],
  ]);
});

import { planWatch, watchPlans } from '../data/watchPlans';
import type { Database } from '../data/storage/connection';
import { temporaryDatabase } from '../testing/database';
import { Scheduler, runDuePlans } from './scheduler';

/** The clock and the allowance of services that are not there. */
class Clock {
  day = '2026-03-27';
  left = 1000;
  away = false;
  today = (): Promise<string> => (this.away ? Promise.reject(new Error('away')) : Promise.resolve(this.day));
  allowance = () => Promise.resolve({ allowance: this.left, spent: 0, renews: '2026-04-01' });
}

let database: Database;
let remove: () => void;
let clock: Clock;
const started: number[] = [];
const ground = () => ({ database, source: clock, jobs: { start: (id: number) => void started.push(id) } });
beforeEach(async () => {
  ({ database, remove } = await temporaryDatabase());
  clock = new Clock();
  started.length = 0;
  await database.client.execute("INSERT INTO project (name, settings) VALUES ('P', '{}')");
  await database.client.execute(
    "INSERT INTO keyword (market_id, key, text) VALUES (1, 'bag', 'bag'), (1, 'bags', 'bags')",
  );
  await database.client.execute(
    "INSERT INTO tracked (project_id, keyword_id, since) SELECT 1, id, '2026-03-01' FROM keyword",
  );
  await planWatch(database, 1, 1, [1, 2, 3, 4, 5, 6, 7]);
});
afterEach(() => remove());

const requests = async (): Promise<{ dates: string[]; keywords: number[] }[]> =>
  (await database.client.execute('SELECT request FROM job ORDER BY id')).rows.map(
    ({ request }) => JSON.parse(String(request)) as { dates: string[]; keywords: number[] },
  );

test('each day once, over the night in which clocks change, however often it is looked', async () => {
  for (const day of ['2026-03-28', '2026-03-28', '2026-03-29', '2026-03-29', '2026-03-30']) {
    clock.day = day;
    await runDuePlans(ground());
  }
  expect((await requests()).map(({ dates }) => dates)).toEqual([
    ['2026-03-28'],
    ['2026-03-29'],
    ['2026-03-30'],
  ]);
  expect((await requests())[0]!.keywords).toEqual([1, 2]);
});

test('two that look at the same moment start it once', async () => {
  await Promise.all([runDuePlans(ground()), runDuePlans(ground()), runDuePlans(ground())]);
  expect(await requests()).toHaveLength(1);
  expect(started).toHaveLength(1);
});

test('after a pause it is caught up once, for the day that is', async () => {
  await runDuePlans(ground());
  clock.day = '2026-05-01';
  await runDuePlans(ground());
  expect((await requests()).map(({ dates }) => dates[0])).toEqual(['2026-03-27', '2026-05-01']);
});

test('without enough units it says so, and goes on when there are', async () => {
  clock.left = 1;
  await runDuePlans(ground());
  expect(await requests()).toEqual([]);
  const [plan] = await watchPlans(database);
  expect(plan!.trouble).toBe('2 units are needed and 1 are left; the allowance renews on 2026-04-01.');
  clock.left = 2;
  await runDuePlans(ground());
  expect(await requests()).toHaveLength(1);
  expect((await watchPlans(database))[0]).toMatchObject({ trouble: '', lastDay: '2026-03-27' });
});

test('switched off, or on other days only, nothing is started', async () => {
  await planWatch(database, 1, 1, []);
  await runDuePlans(ground());
  await planWatch(database, 1, 1, [3]);
  await runDuePlans(ground());
  expect(await requests()).toHaveLength(1);
  clock.day = '2026-03-29';
  await runDuePlans(ground());
  expect(await requests()).toHaveLength(1);
});

test('what fails is told, and the next look goes on', async () => {
  const told: unknown[] = [];
  const scheduler = new Scheduler({ ...ground(), analysis: null as never }, 60_000, (error) =>
    told.push(error),
  );
  clock.away = true;
  await scheduler.look();
  expect(told).toHaveLength(1);
  clock.away = false;
  await scheduler.look();
  scheduler.close();
  expect(await requests()).toHaveLength(1);
});

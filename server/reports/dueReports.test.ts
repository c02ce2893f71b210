import { reportContent } from '@opsimath/contract/api/reportContent';
import type { ComparisonScope } from '@opsimath/contract/api/gapQuery';
import { createJob, setJobState } from '../data/jobs';
import { listFrozen } from '../data/frozenReports';
import { planReport } from '../data/reportPlans';
import { addReport, removeReport } from '../data/reports';
import { temporaryDatabase } from '../testing/database';
import { sampleReport } from '../testing/sampleReport';
import { isDue, makeDueReports } from './dueReports';
import { newReport } from './newReport';

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
let report: number;
let asked: ComparisonScope[];
beforeEach(async () => {
  held = await temporaryDatabase();
  const { client } = held.database;
  await client.execute("INSERT INTO project (name, settings) VALUES ('a', '{}')");
  report = await addReport(held.database, 1, 'gaps', newReport('gaps', ''));
  asked = [];
});
afterEach(() => held.remove());

const captured = (date: string) =>
  held.database.client.execute({
    sql: "INSERT INTO segment (market_id, kind, source, date, rows) VALUES (1, 'captures', 's', ?, 5)",
    args: [date],
  });
const ground = () => ({
  database: held.database,
  analysis: {
    writeFrozen: (_: number, __: unknown, scope: ComparisonScope) => {
      asked.push(scope);
      const content = { ...sampleReport(), date: scope.date, compare: scope.compare ?? null };
      return Promise.resolve({ content: reportContent.parse(content), gaps: [] });
    },
  } as never,
});
const days = async (): Promise<string[]> => (await listFrozen(held.database, 1)).map(({ date }) => date);

test('made of the newest day with captures, against the day of the one before, once', async () => {
  await planReport(held.database, 1, report, { market: 1, rhythm: 'once a week' });
  expect(await makeDueReports(ground())).toEqual([]);
  await captured('2026-03-14');
  expect(await makeDueReports(ground())).toHaveLength(1);
  expect(await makeDueReports(ground())).toEqual([]);
  await captured('2026-03-20');
  expect(await makeDueReports(ground())).toEqual([]);
  await captured('2026-03-21');
  await makeDueReports(ground());
  expect(asked).toEqual([
    { market: 'web-us-en', date: '2026-03-14' },
    { market: 'web-us-en', date: '2026-03-21', compare: '2026-03-14' },
  ]);
  expect(await days()).toEqual(['2026-03-21', '2026-03-14']);
  expect((await listFrozen(held.database, 1)).every(({ planned }) => planned)).toBe(true);
});

test('while captures are still coming in it waits for them', async () => {
  await planReport(held.database, 1, report, { market: 1, rhythm: 'every capture' });
  await captured('2026-03-14');
  const job = await createJob(held.database, 1, 'captures', {});
  expect(await makeDueReports(ground())).toEqual([]);
  await setJobState(held.database, job, 'done', null);
  expect(await makeDueReports(ground())).toHaveLength(1);
});

test('two who look at the same moment make it once', async () => {
  await planReport(held.database, 1, report, { market: 1, rhythm: 'every capture' });
  await captured('2026-03-14');
  const made = await Promise.all([makeDueReports(ground()), makeDueReports(ground())]);
  expect(made.flat()).toHaveLength(1);
  expect(await days()).toEqual(['2026-03-14']);
});

test('switched off, or its report gone, nothing is made; what was made stays', async () => {
  await planReport(held.database, 1, report, { market: 1, rhythm: 'every capture' });
  await captured('2026-03-14');
  await makeDueReports(ground());
  await planReport(held.database, 1, report, null);
  await captured('2026-03-15');
  expect(await makeDueReports(ground())).toEqual([]);
  await planReport(held.database, 1, report, { market: 1, rhythm: 'every capture' });
  await removeReport(held.database, 1, report);
  expect(await makeDueReports(ground())).toEqual([]);
  expect(await listFrozen(held.database, 1)).toMatchObject([{ report: null, date: '2026-03-14' }]);
});

test.each([
  ['every capture', '2026-03-14', '2026-03-14', false],
  ['every capture', '2026-03-14', '2026-03-15', true],
  // Over a change of the clocks a week has seven days all the same.
  ['once a week', '2026-03-22', '2026-03-29', true],
  ['once a week', '2026-10-19', '2026-10-25', false],
  ['once a month', '2026-02-01', '2026-02-28', false],
  ['once a month', '2026-02-01', '2026-03-01', true],
] as const)('%s after %s: on %s %s', (rhythm, lastDay, day, due) =>
  expect(isDue({ rhythm, lastDay }, day)).toBe(due),
);

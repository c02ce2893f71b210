import type { OwnQueryPage } from '@opsimath/contract/api/ownQueries';
import type { SiftPage } from '@opsimath/contract/api/sift';
import type { QueryGroup } from '@opsimath/core/performance/queryGroups';
import { DATES, asCsv, makeTable, takeIn } from '../testing/knownPool';
import { MARKET, OWN, Running } from '../testing/running';

const table = makeTable(3);
const [weak, strong, seen, thin, quiet] = table.map(({ text }) => text);
let running: Running;
let at: string;
let lookUp: number;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  lookUp = await takeIn(running, at, 'known.csv', asCsv(table, DATES[0]!));
  const day = DATES[0]!;
  const rows = [
    'Date,Query,Page,Clicks,Impressions,Average position',
    `${day},${weak},https://${OWN}/a,2,900,2`,
    `${day},${strong},https://${OWN}/b,80,200,14`,
    `${day},${seen},https://${OWN}/c,2,1000,30`,
    `${day},${thin},https://${OWN}/d,1,4,1`,
    `${day},${quiet},https://${OWN}/e,30,150,3`,
    `${day},not in the pool,https://${OWN}/f,0,800,2`,
  ];
  await running.bringIn(at, 'own.csv', 'performance', rows.join('\n'));
});
afterAll(() => running.stop());

const sifted = async (groups: QueryGroup[], out = false): Promise<SiftPage> =>
  running.api.post(`/look-ups/${lookUp}/sift`, {
    steps: [{ id: 'own', on: true, sieve: { kind: 'own queries', groups, out } }],
    limit: 500,
  });
const names = async (groups: QueryGroup[], out = false): Promise<string[]> =>
  (await sifted(groups, out)).rows.map(({ text }) => text).sort();

test.each<[QueryGroup[], (string | undefined)[]]>([
  [['weak snippet'], [weak]],
  [['strong outside the front'], [strong]],
  [['few cases'], [thin]],
  [
    ['strong outside the front', 'few cases'],
    [strong, thin],
  ],
])('the sieve of own queries lets %j through', async (groups, wanted) => {
  expect(await names(groups)).toEqual([...wanted].sort());
});

test('turned round it takes just those; what own queries say nothing of stays', async () => {
  const without = await names(['weak snippet'], true);
  expect(without).toHaveLength(table.length - 1);
  expect(without).not.toContain(weak);
});

test('its groups are those of the view of own queries', async () => {
  const page: OwnQueryPage = await running.api.get(
    `${at}/own-queries?market=${MARKET}&date=${DATES[0]}&group=many seen, few clicks`,
  );
  const inPool = page.rows.map(({ text }) => text).filter((text) => text !== 'not in the pool');
  expect(inPool.length).toBeGreaterThan(0);
  expect(await names(['many seen, few clicks'])).toEqual(inPool.sort());
});

test('without a group it says so and hides nothing', async () => {
  const page = await sifted([]);
  expect(page.rows).toHaveLength(table.length);
  expect(JSON.stringify(page)).toContain('Choose a group of own queries.');
});

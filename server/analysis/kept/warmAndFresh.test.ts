import path from 'node:path';
import { gapQuery } from '@opsimath/contract/api/gapQuery';
import { poolQuery } from '@opsimath/contract/api/pool';
import { overTimeQuery } from '@opsimath/contract/api/overTime';
import { ownQueryQuery } from '@opsimath/contract/api/ownQueries';
import type { projectSettings } from '@opsimath/contract/api/projects';
import { reportDocument } from '@opsimath/contract/api/reports';
import { siftQuery } from '@opsimath/contract/api/sift';
import { openDatabase } from '../../data/storage/connection';
import { BEFORE, DATE, MARKET, RIVALS, Running } from '../../testing/running';
import { gapPage } from '../questions/gapPage';
import { overTime } from '../questions/overTime';
import { ownQueries } from '../questions/ownQueries';
import { poolPage } from '../questions/poolPage';
import { siftPage } from '../questions/siftPage';
import { targetProfile } from '../questions/targetProfile';
import { closeFitWorkers } from '../models/inFitWorker';
import { closeWordWorkers } from '../words/inWordWorker';
import { writeReport } from '../report/writeReport';
import { Workspace } from './workspace';

/*
 * What is kept may never be told where it is no longer so: after every kind of write, and after every change of a setting, one
 * workspace that has answered everything before says what one that has seen nothing says.
 */

/** What a report reads, without every list that it can have: each setting is tried with it twice. */
const REPORT = reportDocument.parse({
  title: '',
  sections: [
    { id: 'f', kind: 'first', heading: '', settings: { most: 3 } },
    { id: 's', kind: 'standing', heading: '' },
    { id: 'k', kind: 'kinds', heading: '' },
  ],
});

let running: Running;
let at: string;
let project: number;
let lookUp: number;
let rival: number;
let lists: number[];
let ids: number[];
let warm: Workspace;
const scope = { market: MARKET, date: DATE, compare: BEFORE };

async function workspace(): Promise<Workspace> {
  return new Workspace(await openDatabase(path.join(running.folder, 'opsimath.db')), 64 * 1024 * 1024);
}

beforeAll(async () => {
  running = await Running.start();
  ({ at, id: project } = await running.project());
  await running.compared(at, 60);
  const csv = `query,date,clicks,impressions,position
waterproof panniers,2026-03-01,30,400,4
bike panniers,2026-03-02,5,900,12
pannier rack,2026-03-02,2,300,8
`;
  await running.bringIn(at, 'own.csv', 'performance', csv);
  [lookUp] = (await running.api.get(`${at}/look-ups`)).map(({ id }: { id: number }) => id);
  const targets: { id: number; address: string }[] = await running.api.get(`${at}/targets`);
  rival = targets.find(({ address }) => address === RIVALS[0])!.id;
  const page = await running.api.get(`${at}/gaps?market=${MARKET}&date=${DATE}&limit=40`);
  ids = page.rows.map(({ id }: { id: number }) => id);
  for (const [name, from, to] of [
    ['one', 0, 5],
    ['two', 5, 12],
  ] as const) {
    await running.api.post(`${at}/lists`, {
      market: MARKET,
      name,
      keywords: ids.slice(from, to),
    });
  }
  lists = (await running.api.get(`${at}/lists`))
    .sort((one: { name: string }, other: { name: string }) => one.name.localeCompare(other.name))
    .map(({ id }: { id: number }) => id);
  warm = await workspace();
});
afterAll(async () => {
  warm.database.client.close();
  await closeWordWorkers();
  await closeFitWorkers();
  await running.stop();
});

/** Everything that is asked, each answer as it goes over the wire. */
async function answers(of: Workspace): Promise<Record<string, unknown>> {
  const gaps = (more: object) => gapPage(of, project, gapQuery.parse({ ...scope, limit: '60', ...more }));
  const sift = (sieve: object) =>
    siftPage(
      of,
      lookUp,
      siftQuery.parse({ steps: [{ id: 'only', on: true, sieve }], rescued: [], limit: 20 }),
    ).then(({ through, steps, judged, rows }) => ({ through, steps, judged, rows }));
  const asked: Record<string, () => Promise<unknown>> = {
    gaps: () => gaps({}),
    tracked: () => gaps({ only: 'tracked' }),
    list: () => gaps({ list: String(lists[0]) }),
    'in a list': () => gaps({ inList: String(lists[1]), sort: 'volume' }),
    pool: () => poolPage(of, lookUp, poolQuery.parse({ limit: '40' })),
    'sieve by difficulty': () =>
      sift({
        kind: 'figure',
        figure: 'difficulty',
        least: 35,
        most: null,
        unknown: false,
      }),
    'sieve by verdict': () => sift({ kind: 'verdict', verdicts: ['fit'] }),
    'sieve by list': () => sift({ kind: 'list', list: lists[0], out: false }),
    'sieve by banned words': () => sift({ kind: 'banned words', level: 'any', out: true }),
    'over time': () => overTime(of, project, overTimeQuery.parse({ ...scope, own: '28 days' })),
    'own queries': () => ownQueries(of, project, ownQueryQuery.parse({ market: MARKET, date: DATE })),
    report: () => writeReport(of, project, REPORT, scope),
    profile: () => targetProfile(of, project, rival, { market: MARKET, date: DATE }),
  };
  const told: Record<string, unknown> = {};
  for (const [name, answer] of Object.entries(asked)) told[name] = JSON.parse(JSON.stringify(await answer()));
  return told;
}

/** Whether the warm answers are those of a workspace that has seen nothing; and which of them the write has changed. */
async function compare(
  before: Record<string, unknown>,
): Promise<{ now: Record<string, unknown>; changed: string[] }> {
  const fresh = await workspace();
  const [now, plain] = [await answers(warm), await answers(fresh)];
  fresh.database.client.close();
  for (const name of Object.keys(plain)) expect([name, now[name]]).toEqual([name, plain[name]]);
  const changed = Object.keys(now).filter(
    (name) => JSON.stringify(now[name]) !== JSON.stringify(before[name]),
  );
  return { now, changed };
}

const track = (keywords: number[], follow: boolean): Promise<unknown> =>
  follow
    ? running.api.post(`${at}/tracked`, { keywords })
    : running.api.delete(`${at}/tracked`, { keywords });

test('after every kind of write the warm answers are the fresh ones', async () => {
  let { now } = await compare({});
  const writes: [string, () => Promise<unknown>, string][] = [
    ['follow one', () => track([ids[0]!], true), 'tracked'],
    // As many as before, but another: a count would not tell.
    ['follow another instead', () => track([ids[0]!], false).then(() => track([ids[1]!], true)), 'tracked'],
    [
      'judge one',
      () =>
        running.api.post(`${at}/verdicts/steps`, {
          steps: [{ id: 'first-step', person: 'Ada', changes: [{ keyword: ids[2], verdict: 'fit' }] }],
        }),
      'sieve by verdict',
    ],
    [
      'change a list',
      () => running.api.patch(`${at}/lists/${lists[0]}`, { add: [ids[20]], remove: [ids[0]] }),
      'list',
    ],
    [
      'a word not to be used',
      () => running.api.post(`${at}/banned-words`, { text: 'panniers', level: 'forbidden', reason: 'test' }),
      'sieve by banned words',
    ],
    [
      'a position by hand',
      () => running.api.post(`${at}/keywords/${ids[3]}/hand`, { target: rival, date: DATE, organic: 2 }),
      'gaps',
    ],
    [
      'another rival',
      () => running.api.post(`${at}/targets`, { side: 'rival', market: MARKET, text: 'pikewater.example' }),
      'gaps',
    ],
    [
      'a further file of own figures',
      () =>
        running.bringIn(
          at,
          'more.csv',
          'performance',
          'query,date,clicks,impressions,position\nwaterproof panniers,2026-03-01,90,500,3\n',
        ),
      'own queries',
    ],
  ];
  for (const [what, write, concerns] of writes) {
    await write();
    const found = await compare(now);
    expect([what, found.changed]).toEqual([what, expect.arrayContaining([concerns])]);
    ({ now } = found);
  }
});

/** Another value of every setting; `null` where none would show in these answers. */
const OTHERWISE: Record<keyof typeof projectSettings.shape, unknown> = {
  front: 3,
  currency: 'EUR',
  defaultWorth: 2,
  curvePrior: { web: { first: 0.4 } },
  curveFitted: false,
  brandLeftOut: true,
  chanceFitted: false,
  chanceWeights: [1, 1, 1, 1, 1, 1, 1],
  horizons: { web: 20 },
  leadDays: 10,
  margin: 0.4,
  conversionRate: 0.02,
  targetCost: 5,
  efforts: { retitle: 3 },
  oldAfter: { web: 5 },
  openingTraits: ['a'],
  pictureTraits: ['b'],
  tagLimits: { video: { tags: 3 } },
  handCounts: true,
  volumeBorrowed: true,
  presumedAbsent: false,
  guideRatio: 5,
  littleDemand: 400,
  resultsPerPage: 7,
  alerts: null,
  effectWindows: null,
  lookAgain: null,
  titleStyles: null,
  goals: null,
  titleLimits: { web: 20 },
  shareMoved: 0.5,
  fits: { unjudged: 0.2 },
  thresholds: { climbing: 1 },
  verdictReasons: ['c'],
  purposeWords: { learn: ['bike'] },
  pagePaths: { item: ['range'] },
  pageKinds: { 'tarnwick.example': 'collection' },
};

test('after a change of each setting the warm answers are the fresh ones', async () => {
  let { now } = await compare({});
  const showing: string[] = [];
  for (const [setting, value] of Object.entries(OTHERWISE)) {
    if (value === null) continue;
    await running.api.patch(at, { settings: { [setting]: value } });
    const found = await compare(now);
    if (found.changed.length > 0) showing.push(setting);
    ({ now } = found);
  }
  // Those that must be seen in these answers; else the comparison would prove nothing of them.
  expect(showing).toEqual(
    expect.arrayContaining([
      'front',
      'defaultWorth',
      'efforts',
      'presumedAbsent',
      'littleDemand',
      'fits',
      'thresholds',
    ]),
  );
  // Longer than any other: every setting, twice; the machine may be busy with much else.
}, 2_700_000);

test('volumes that another surface lends are those it has now', async () => {
  await running.api.patch(at, { settings: { volumeBorrowed: true } });
  const { rows } = await running.api.get(`${at}/gaps?market=${MARKET}&date=${DATE}&limit=60&sort=volume`);
  const told = rows.filter(({ volume }: { volume: number | null }) => volume !== null);
  const odd = 'a query of nobody else';
  await running.bringIn(
    at,
    'odd.csv',
    'performance',
    `query,date,clicks,impressions,position\n${odd},2026-03-01,3,40,7\n`,
  );
  const lending = (times: number): Promise<void> =>
    running.bringIn(
      at,
      `lent-${times}.csv`,
      'metrics',
      [
        'keyword,date,volume',
        ...told.map(({ text, volume }: { text: string; volume: number }) => `${text},${DATE},${volume}`),
        `${odd},${DATE},${100 * times}`,
      ].join('\n'),
      'video-us-en',
    );
  const lent = async (): Promise<unknown> => {
    const page = await gapPage(warm, project, gapQuery.parse({ ...scope, find: odd }));
    return page.rows.map(({ volume, volumeBorrowed }) => ({ volume, volumeBorrowed }));
  };
  await lending(1);
  const first = await compare({});
  expect(await lent()).toEqual([{ volume: 100, volumeBorrowed: true }]);
  await lending(3);
  await compare(first.now);
  expect(await lent()).toEqual([{ volume: 300, volumeBorrowed: true }]);
});

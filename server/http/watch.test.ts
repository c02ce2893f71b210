import type { Draft, PublishedChange } from '@opsimath/contract/api/drafts';
import type { GapPage } from '@opsimath/contract/api/gaps';
import type { RoundsView } from '@opsimath/contract/api/rounds';
import type {
  EffectsView,
  Presence,
  Rechecked,
  VisitMonth,
  WatchAlert,
  WatchTargets,
  WatchView,
} from '@opsimath/contract/api/watch';
import { DATE, MARKET, Running } from '../testing/running';

let running: Running;
let at: string;
let tracked: { id: number; text: string }[];
let page: string;
let aimed: { id: number; text: string }[];

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 60);
  const gaps: GapPage = await running.api.get(
    `${at}/gaps?market=${MARKET}&date=${DATE}&limit=200&sort=-demand`,
  );
  const held = gaps.rows.filter(({ ownAddress }) => ownAddress?.includes('/'));
  tracked = held.slice(0, 24).map(({ id, text }) => ({ id, text }));
  const own = new Map<string, { id: number; text: string }[]>();
  for (const { id, text, ownAddress } of held.slice(0, 24))
    own.set(ownAddress!, [...(own.get(ownAddress!) ?? []), { id, text }]);
  [page, aimed] = [...own].sort((a, b) => a[1].length - b[1].length)[0]!;
  await running.api.post(`${at}/tracked`, { keywords: tracked.map(({ id }) => id) });
});
afterAll(() => running.stop());

const today = async (): Promise<string> => (await running.witness<{ today: string }>('/clock')).today;
const watch = (date: string): Promise<WatchView> =>
  running.api.get(`${at}/watch?market=${MARKET}&date=${date}`);
const effects = (date: string): Promise<EffectsView> =>
  running.api.get(`${at}/effects?market=${MARKET}&date=${date}`);
const plan = (weekdays: number[]): Promise<{ started: number[]; before: number[] }> =>
  running.api.put(`${at}/watch/plan`, { market: MARKET, weekdays });
/** A day later; what is planned is done. */
const nextDay = async (): Promise<void> => {
  await running.witness('/clock/advance', { days: 1 });
  for (const job of (await plan([1, 2, 3, 4, 5, 6, 7])).started) await running.api.finished(job);
};

test('what a plan costs is said before it is switched on; switched on, today is captured once', async () => {
  const before = await watch(DATE);
  expect(before).toMatchObject({
    tracked: 24,
    plan: { weekdays: [], unitsAMonth: 0, daily: 731, weekly: 104 },
  });
  const { started } = await plan([1, 2, 3, 4, 5, 6, 7]);
  for (const job of started) await running.api.finished(job);
  const spent = await running.witness<{ spent: number }>('/allowance');
  expect((await plan([1, 2, 3, 4, 5, 6, 7])).started).toEqual([]);
  expect(await running.witness('/allowance')).toMatchObject({ spent: spent.spent });
  expect((await watch(await today())).plan).toMatchObject({ lastDay: await today(), unitsAMonth: 731 });
});

test('a change is followed day by day until its effect can be told; its task is then measured', async () => {
  for (let day = 0; day < 4; day++) await nextDay();
  const { id: round } = await running.api.post(`${at}/rounds`, {
    name: 'Round 1',
    starts: DATE,
    ends: '2026-04-30',
    most: 3,
    people: [{ name: 'Ada', days: 5 }],
  });
  const board: RoundsView = await running.api.get(`${at}/rounds?market=${MARKET}&date=${DATE}&limit=500`);
  const line = board.queue.lines[0]!;
  const { tasks } = await running.api.post(`${at}/tasks`, {
    market: MARKET,
    date: DATE,
    round,
    picks: [{ keyword: line.lead.id }],
  });
  const { id } = await running.api.post(`${at}/drafts`, {
    market: MARKET,
    date: DATE,
    kind: 'page',
    name: 'Followed',
    address: page,
    task: tasks[0],
    keywords: aimed.map((keyword) => keyword.id),
  });
  const draft: Draft = await running.api.get(`${at}/drafts/${id}?date=${DATE}`);
  const phrase = aimed[0]!.text;
  await running.api.patch(`${at}/drafts/${id}`, {
    revision: draft.revision,
    fields: {
      ...draft.fields,
      title: `${phrase} | Tarnwick`,
      description: `${phrase}: ${draft.fields.description}`,
    },
  });
  await running.api.post(`${at}/drafts/${id}/publish`, { way: 'service', person: 'Ada' });
  const day = await today();
  const stepOf = async (date: string): Promise<string> =>
    ((await running.api.get(`${at}/rounds?market=${MARKET}&date=${date}`)) as RoundsView).rounds[0]!.tasks[0]!
      .step;
  expect(await stepOf(day)).toBe('published');
  const early = (await effects(day)).changes[0]!;
  expect(early.effect).toMatchObject({ state: 'lacking', lacks: 'captures after' });
  const { ready } = early.effect as { ready: string };
  expect(ready > day).toBe(true);

  while ((await today()) < ready) await nextDay();
  const [change]: PublishedChange[] = await running.api.get(`${at}/published?market=${MARKET}`);
  const now = await today();
  const told = (await effects(now)).changes[0]!;
  expect(told).toMatchObject({ id: change!.id, address: page, mixedWith: [], effect: { state: 'told' } });
  if (told.effect.state !== 'told') throw new Error('lacking');
  expect(told.effect.low).toBeLessThan(told.effect.effect);
  expect(told.effect.effect).toBeLessThan(told.effect.high);
  expect(told.effect.clicks.low).toBeLessThanOrEqual(told.effect.clicks.high);
  expect(told.effect.control).toBeGreaterThanOrEqual(3);
  expect(told.curve.at(-1)).toMatchObject({ date: now });
  expect(await stepOf(now)).toBe('measured');
  // What was known on the day it was published is what was known then.
  expect((await effects(day)).changes[0]!.effect.state).toBe('lacking');
});

test('both versions stand in own search performance over as many days each; ads beside them; a title is looked for word for word', async () => {
  const now = await today();
  const { date: day, seenFrom } = (await effects(now)).changes[0]!;
  const changed = seenFrom ?? day;
  const daysFrom = (from: string, many: number, clicks: number): string[] =>
    Array.from({ length: many }, (_, n) => {
      const at = new Date(Date.parse(from) + n * 86_400_000).toISOString().slice(0, 10);
      return `${aimed[0]!.text},https://${page},${at},${clicks},100,5`;
    });
  const start = new Date(Date.parse(changed) - 6 * 86_400_000).toISOString().slice(0, 10);
  const csv = [
    'query,page,date,clicks,impressions,position',
    ...daysFrom(start, 6, 2),
    ...daysFrom(changed, 9, 5),
  ];
  await running.bringIn(at, 'versions.csv', 'performance', csv.join('\n'));
  const { versions, ads } = (await effects(now)).changes[0]!;
  expect(ads).toBeNull();
  // What lies after the date in scope is not known on it: as many days are taken before.
  const many = Math.min(6, (Date.parse(now) - Date.parse(changed)) / 86_400_000 + 1);
  expect(many).toBeGreaterThanOrEqual(3);
  expect(versions).toMatchObject({
    before: { held: many, impressions: 100 * many, clicks: 2 * many, ctr: { rate: 0.02 } },
    after: { from: changed, held: many, impressions: 100 * many, clicks: 5 * many, ctr: { rate: 0.05 } },
  });
  const { ctr } = versions!.after;
  expect(ctr.low).toBeLessThan(0.05);
  expect(ctr.high).toBeGreaterThan(0.05);

  const view = await watch(now);
  const at0 = view.days.indexOf(changed);
  expect(view.beside.clicks[at0]).toBe(5);
  expect(view.beside.impressions[at0]).toBe(100);
  expect(view.beside.adCost).toEqual(view.days.map(() => null));

  const { id } = (await effects(now)).changes[0]!;
  const found: Presence = await running.api.post(`${at}/watch/presence`, { market: MARKET, change: id });
  expect(found.title).toBe(`${aimed[0]!.text} | Tarnwick`);
  expect(found.own).toEqual([{ address: page, position: 1 }]);
  expect(found).toMatchObject({ units: 1 });
});

test('visits by source and month: share and both figures it is made of; a newer file replaces', async () => {
  const file = (visits: number): string =>
    [
      'month,source,visits',
      '2026-02,Organic search,300',
      '2026-02,Paid search,100',
      '2026-02,Direct,600',
      `2026-03,Organic search,${visits}`,
      '2026-03,organic search,50',
      '2026-03,Direct,550',
    ].join('\n');
  await running.bringIn(at, 'visits.csv', 'visits', file(400));
  await running.bringIn(at, 'visits-again.csv', 'visits', file(450));
  const months = await running.api.get(`${at}/visits`);
  expect(months.map(({ month, all, search }: VisitMonth) => [month, all, search])).toEqual([
    ['2026-02', 1000, 300],
    ['2026-03', 1050, 500],
  ]);
});

test('those of a list, and those that a target of ours holds, are drawn by themselves', async () => {
  const now = await today();
  const few = tracked.slice(0, 3).map(({ id }) => id);
  const lists = await running.api.post(`${at}/lists`, { name: 'Three', market: MARKET, keywords: few });
  const list = lists.find(({ name }: { name: string }) => name === 'Three').id;
  const view: WatchView = await running.api.get(`${at}/watch?market=${MARKET}&date=${now}&list=${list}`);
  expect(view.strips.map(({ id }) => id).sort()).toEqual([...few].sort());
  expect(view.tracked).toBe(24);
  expect(view.panel).toBeLessThanOrEqual(3);
  const all = await watch(now);
  const [target] = all.targets;
  const held: WatchView = await running.api.get(
    `${at}/watch?market=${MARKET}&date=${now}&target=${encodeURIComponent(target!.address)}`,
  );
  expect(held.strips).toHaveLength(target!.keywords);
  expect(all.targets.reduce((sum, { keywords }) => sum + keywords, 0)).toBeLessThanOrEqual(24);
});

test('own targets with what they serve, and who held a keyword from when on', async () => {
  const now = await today();
  const { targets, shared }: WatchTargets = await running.api.get(
    `${at}/watch/targets?market=${MARKET}&date=${now}`,
  );
  const all = await watch(now);
  const position = new Map(all.strips.map(({ id, now: place }) => [id, place]));
  for (const { keywords } of targets)
    for (const { id, position: told } of keywords) expect(position.get(id)).toBe(told);
  for (const { course } of shared) {
    expect(new Set(course.map(({ address }) => address)).size).toBeGreaterThan(1);
    course.slice(1).forEach(({ from, address }, n) => {
      expect(from > course[n]!.from).toBe(true);
      expect(address).not.toBe(course[n]!.address);
    });
  }
});

test('another change of the same target in these weeks: the effect is said to be joint', async () => {
  await running.api.post(`${at}/published`, {
    market: MARKET,
    address: page,
    kind: 'links',
    date: await today(),
    keywords: aimed.map(({ id }) => id),
    person: 'Bo',
  });
  const { changes } = await effects(await today());
  const [links, edit] = changes;
  expect(edit!.mixedWith).toEqual([links!.id]);
  expect(links!.mixedWith).toEqual([edit!.id]);
});

test('a fresh look is stamped, costs what it costs, and says what search shows, where ours stands, and whether it is too early', async () => {
  const before = await running.witness<{ spent: number }>('/allowance');
  const look = (): Promise<Rechecked> =>
    running.api.post(`${at}/watch/recheck`, { market: MARKET, keywords: [aimed[0]!.id] });
  const fresh = await look();
  expect(fresh.units).toBe(1);
  expect(await running.witness('/allowance')).toMatchObject({ spent: before.spent + 1 });
  expect(fresh.at).toMatch(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/);
  const [told] = fresh.keywords;
  expect(told).toMatchObject({ id: aimed[0]!.id, text: aimed[0]!.text });
  expect(told!.tooEarlyUntil! > (await today())).toBe(true);
  const view = await watch(await today());
  const strip = view.strips.find(({ id }) => id === aimed[0]!.id)!;
  expect(strip.now).toBe(told!.own);
});

test('totals are over the keywords of the first day drawn; each strip has a position a day', async () => {
  const view = await watch(await today());
  expect(view.strips).toHaveLength(24);
  expect(view.stripsInAll).toBe(24);
  expect(view.stripDays).toEqual(view.days);
  expect(view.panel).toBeGreaterThan(0);
  for (const side of view.totals) {
    expect(side).toHaveLength(view.days.length);
    for (const { depth } of side) expect(depth.reduce((sum, count) => sum + count, 0)).toBe(view.panel);
  }
  for (const { own, rivals } of view.strips)
    for (const line of [own, ...rivals]) expect(line).toHaveLength(view.stripDays.length);
  // An independent witness of one day.
  const [strip] = view.strips;
  const day = view.days.length - 2;
  const { pages, records } = await running.witness<{
    pages: { slots: { kind: string; position: number; record: number }[] }[];
    records: { address: string }[];
  }>('/result-pages', { market: MARKET, date: view.days[day], keywords: [strip!.text] });
  const ours = pages[0]!.slots.find(
    ({ kind, record }) => kind === 'organic' && records[record]?.address.startsWith('tarnwick.example'),
  );
  expect(strip!.own[day]).toBe(ours?.position ?? 255);
});

test('what is due: a change whose wait is over and that nobody has looked at since', async () => {
  const date = await today();
  expect((await watch(date)).due.filter(({ change }) => change !== null)).toEqual([]);
  await plan([]);
  await running.witness('/clock/advance', { days: 30 });
  const later = await today();
  const due = (await watch(later)).due.filter(({ what }) => what === 'look at a change again');
  expect(due.map(({ wait }) => wait)).toEqual([28, 28]);
  // The row of stages says as many.
  const all = (await watch(later)).due.length;
  expect(await running.api.get(`${at}/watch/due?market=${MARKET}&date=${later}`)).toEqual({ due: all });
  await running.api.post(`${at}/watch/recheck`, { market: MARKET, keywords: due[0]!.keywords });
  expect((await watch(later)).due.filter(({ change }) => change === due[0]!.change)).toEqual([]);
});

test('alerts are told once, by day; the feed has them under a secret address that can be closed', async () => {
  const date = await today();
  const alerts: WatchAlert[] = await running.api.get(`${at}/alerts?market=${MARKET}&date=${date}`);
  expect(new Set(alerts.map(({ id }) => id)).size).toBe(alerts.length);
  const days = alerts.map(({ day }) => day);
  expect([...days].sort().reverse()).toEqual(days);
  // One that left the front was on it before, and is not on it now.
  const { strips, days: drawn } = await watch(date);
  for (const { kind, keyword, day } of alerts.filter((one) => one.kind === 'left the front')) {
    const strip = strips.find(({ id }) => id === keyword)!;
    const from = drawn.indexOf(day);
    expect([kind, strip.own[from]! > 10]).toEqual([kind, true]);
  }
  expect(await running.api.get(`${at}/feed`)).toEqual({ path: null });
  const { path } = await running.api.post(`${at}/feed`);
  const read = (address: string): Promise<Response> => fetch(`${running.server.url}${address}`);
  const feed = await read(path);
  expect(feed.headers.get('content-type')).toContain('application/atom+xml');
  const xml = await feed.text();
  expect(xml.match(/<entry>/g)?.length ?? 0).toBe(alerts.length);
  const { path: other } = await running.api.post(`${at}/feed`);
  expect((await read(path)).status).toBe(404);
  expect((await read(other)).status).toBe(200);
  await running.api.delete(`${at}/feed`);
  expect((await read(other)).status).toBe(404);
});

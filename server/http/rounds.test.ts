import type { AnsweringView, RoundFilled, RoundPlan, RoundsView, Task } from '@opsimath/contract/api/rounds';
import type { WhatToDo } from '@opsimath/contract/api/whatToDo';
import { BEFORE, DATE, MARKET, OWN, Running } from '../testing/running';

const SCOPE = { market: MARKET, date: DATE, compare: BEFORE };
const QUERY = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 150);
});
afterAll(() => running.stop());

const board = (): Promise<RoundsView> => running.api.get(`${at}/rounds?${QUERY}&limit=500`);
const plan = (round: number, more = ''): Promise<RoundPlan> =>
  running.api.get(`${at}/rounds/${round}/plan?${QUERY}${more}`);
const addRound = async (over: object = {}): Promise<number> =>
  (
    await running.api.post(`${at}/rounds`, {
      name: 'Round 1',
      starts: '2026-03-16',
      ends: '2026-03-27',
      most: 12,
      people: [
        { name: 'Ada', days: 3 },
        { name: 'Bo', days: 2 },
      ],
      ...over,
    })
  ).id;
const fill = (round: number, rounds = 1): Promise<RoundFilled> =>
  running.api.post(`${at}/rounds/${round}/fill`, { ...SCOPE, rounds });
const sum = <T>(items: readonly T[], of: (item: T) => number): number =>
  items.reduce((total, item) => total + of(item), 0);

test('before any round the queue is what there is to do', async () => {
  const { rounds, queue, aside } = await board();
  const work: WhatToDo = await running.api.get(`${at}/what-to-do?${QUERY}&limit=500`);
  expect([rounds, aside]).toEqual([[], []]);
  expect(queue.total).toBe(work.total);
  expect(queue.value).toBeCloseTo(work.value, 6);
  expect(queue.lines.map(({ lead, action }) => [lead.id, action])).toEqual(
    work.lines.map(({ lead, action }) => [lead.id, action]),
  );
});

test('what a round would take is what filling takes: within its days and count, no gain twice, one title a page', async () => {
  const round = await addRound();
  const planned = await plan(round);
  const { tasks } = await fill(round);
  const { rounds, queue } = await board();
  const [filled] = rounds;
  expect(filled!.tasks.map(({ id }) => id)).toEqual(tasks);
  expect(filled!.tasks.length).toBeGreaterThan(3);
  expect(filled!.tasks.map(({ lead, action, person }) => [lead.id, action, person])).toEqual(
    planned.lines.map(({ lead, action, person }) => [lead.id, action, person]),
  );
  expect(filled!.value).toBeCloseTo(planned.value, 6);
  expect(planned.short).toBeCloseTo(0, 6);
  expect(filled!.tasks.length).toBeLessThanOrEqual(12);
  for (const { name, days, used } of filled!.people) {
    expect(used).toBeLessThanOrEqual(days + 1e-9);
    expect(used).toBeCloseTo(
      sum(
        filled!.tasks.filter(({ person }) => person === name),
        ({ effort }) => effort,
      ),
      9,
    );
  }
  const winners = filled!.tasks.flatMap(({ keywords }) => keywords.filter(({ clicks }) => clicks > 0));
  expect(new Set(winners.map(({ id }) => id)).size).toBe(winners.length);
  const titled = filled!.tasks.filter(({ action }) => action === 'retitle').map(({ address }) => address);
  expect(new Set(titled).size).toBe(titled.length);
  for (const { address } of filled!.tasks) expect(address === '' || address.startsWith(OWN)).toBe(true);
  // What is taken is no longer in the queue, and no page in it is asked for a second title.
  const leads = new Set(filled!.tasks.map(({ lead, action }) => `${lead.id} ${action}`));
  for (const { lead, action, target, serves } of queue.lines) {
    expect(leads.has(`${lead.id} ${action}`)).toBe(false);
    if (action === 'retitle') expect(titled).not.toContain(target!.address);
    for (const { id, clicks } of serves)
      if (clicks > 0) expect(winners.map((winner) => winner.id)).not.toContain(id);
  }
});

test('the best round brings no less than taking the queue from its top, and a day more brings no less', async () => {
  const before = await board();
  const round = await addRound({ name: 'Round 2', starts: '2026-03-30', ends: '2026-04-10', most: 5 });
  const planned = await plan(round, '&days=2');
  let [days, count, value] = [0, 0, 0];
  for (const line of before.queue.lines) {
    if (count === 5) break;
    if (days + line.effort > 2) continue;
    days += line.effort;
    count++;
    value += line.value;
  }
  expect(planned.value).toBeGreaterThanOrEqual(value - 1e-6);
  expect(planned.days).toBeLessThanOrEqual(2 + 1e-9);
  expect(planned.oneMoreDay.value).toBeGreaterThanOrEqual(-1e-6);
  expect((await plan(round, '&days=3')).value).toBeGreaterThanOrEqual(planned.value - 1e-6);
  const filled = await fill(round, 3);
  expect(filled.rounds.length).toBe(3);
  const { rounds } = await board();
  expect(rounds.map(({ name }) => name)).toEqual(['Round 1', 'Round 2', 'Round 3', 'Round 4']);
  expect(rounds[2]).toMatchObject({ starts: '2026-04-13', ends: '2026-04-24', most: 5 });
  // Never the same work twice, in whichever round.
  const all = rounds.flatMap(({ tasks }) => tasks.map(({ lead, action }) => `${lead.id} ${action}`));
  expect(new Set(all).size).toBe(all.length);
});

const taskNamed = async (id: number): Promise<Task> => {
  const { rounds, aside } = await board();
  return [...rounds.flatMap(({ tasks }) => tasks), ...aside].find((task) => task.id === id)!;
};

test('a task moves, is put off with a reason, dropped, taken out; the answer takes it back', async () => {
  const { rounds } = await board();
  const [first, second] = rounds;
  const task = first!.tasks[0]!;
  const change = (more: object): Promise<{ back: object[] }> =>
    running.api.patch(`${at}/tasks`, { changes: [{ id: task.id, ...more }] });
  const { back } = await change({ round: second!.id, person: 'Bo', due: '2026-04-03' });
  expect(await taskNamed(task.id)).toMatchObject({
    round: second!.id,
    person: 'Bo',
    due: '2026-04-03',
    step: 'picked',
  });
  await running.api.patch(`${at}/tasks`, { changes: back });
  expect(await taskNamed(task.id)).toMatchObject({ round: first!.id, person: task.person, due: null });

  await change({ state: 'put off', until: '2026-05-01', why: 'the catalogue comes first' });
  const off = await board();
  expect(off.aside).toMatchObject([
    { id: task.id, state: 'put off', until: '2026-05-01', why: 'the catalogue comes first' },
  ]);
  const key = `${task.lead.id} ${task.action}`;
  const queued = (view: RoundsView): boolean =>
    view.queue.lines.some(({ lead, action }) => `${lead.id} ${action}` === key);
  expect(queued(off)).toBe(false);
  await change({ state: 'dropped', why: 'not ours to say' });
  expect(queued(await board())).toBe(false);
  await change({ state: 'out' });
  const out = await board();
  expect([queued(out), out.aside]).toEqual([true, []]);
  await change({ round: first!.id });
  expect(await taskNamed(task.id)).toMatchObject({ state: 'in', round: first!.id, why: '' });
});

test('a keyword is put in by hand, once with each measure; another measure brings its own effort', async () => {
  const { rounds, queue } = await board();
  const line = queue.lines.find(({ action }) => action === 'retitle') ?? queue.lines[0]!;
  const round = rounds.at(-1)!.id;
  const picked = await running.api.post(`${at}/tasks`, {
    ...SCOPE,
    round,
    picks: [{ keyword: line.lead.id }],
  });
  const task = await taskNamed(picked.tasks[0]);
  expect(task).toMatchObject({ lead: line.lead, round, foretold: DATE });
  expect(task.value).toBeGreaterThan(0);
  const again = running.api.post(`${at}/tasks`, {
    ...SCOPE,
    round,
    picks: [{ keyword: line.lead.id, action: task.action }],
  });
  await expect(again).rejects.toThrow(/nothing is left to do|409|400/);
  const dossier = await running.api.get(`${at}/keywords/${line.lead.id}/dossier?${QUERY}`);
  const other = dossier.alternatives.find(
    ({ action, value }: { action: string; value: number | null }) =>
      action !== task.action && (value ?? 0) > 0 && ['retitle', 'strengthen'].includes(action),
  );
  if (!other) return;
  await running.api.put(`${at}/tasks/${task.id}/action`, { ...SCOPE, action: other.action });
  expect(await taskNamed(task.id)).toMatchObject({ action: other.action, effort: other.effort });
});

test('a round goes out as a table, a calendar and a check list, each with all of its work', async () => {
  const { rounds } = await board();
  const [round] = rounds;
  const [task] = round!.tasks;
  await running.api.patch(`${at}/tasks`, {
    changes: [{ id: task!.id, due: '2026-03-20', title: '=1+1 *bags*' }],
  });
  const file = async (format: string): Promise<string> =>
    (await fetch(`${running.server.url}/api${at}/rounds/${round!.id}/file?format=${format}`)).text();
  const csv = await file('csv');
  expect(csv.trim().split('\n').length).toBe(round!.tasks.length + 1);
  // What a spreadsheet would take for a formula is text.
  expect(csv).not.toMatch(/,=1/);
  const json = JSON.parse(await file('json')) as { rows: Record<string, unknown>[] };
  expect(json.rows.map(({ keyword }) => keyword)).toEqual(round!.tasks.map(({ lead }) => lead.text));
  const calendar = await file('ics');
  expect(calendar.match(/BEGIN:VEVENT/g)!.length).toBe(round!.tasks.length);
  expect(calendar).toContain('20260320');
  const list = await file('md');
  expect(list.match(/^- \[ \] /gm)!.length).toBe(round!.tasks.length);
  expect(list).toContain('\\*bags\\*');
});

test('a round that goes gives its work back; one that ends before it begins is refused', async () => {
  const before = await board();
  const last = before.rounds.at(-1)!;
  await running.api.delete(`${at}/rounds/${last.id}`);
  const after = await board();
  expect(after.rounds.length).toBe(before.rounds.length - 1);
  expect(after.queue.total).toBeGreaterThanOrEqual(before.queue.total);
  const { rounds } = after;
  await expect(running.api.patch(`${at}/rounds/${rounds[0]!.id}`, { ends: '2020-01-01' })).rejects.toThrow(
    /before it begins/,
  );
  await expect(
    addRound({
      people: [
        { name: 'Ada', days: 1 },
        { name: 'Ada', days: 2 },
      ],
    }),
  ).rejects.toThrow(/twice/);
});

test('one target answers each keyword: by hand, where it stands, or by its words', async () => {
  const view: AnsweringView = await running.api.get(`${at}/answering?${QUERY}&limit=500`);
  expect(view.keywords.length).toBeGreaterThan(20);
  const rows = new Map(
    (await running.api.get(`${at}/gaps?${QUERY}&limit=500`)).rows.map((row: { id: number }) => [row.id, row]),
  ) as Map<number, { ownAddress: string | null; own: unknown }>;
  for (const { keyword, why, address } of view.keywords) {
    const row = rows.get(keyword.id);
    if (row?.ownAddress) expect([why, address]).toEqual(['stands best', row.ownAddress]);
    if (why === 'nothing of ours answers') expect(address).toBe('');
  }
  const one = view.keywords[0]!;
  const put = (address: string | null): Promise<unknown> =>
    running.api.put(`${at}/keywords/${one.keyword.id}/answering`, { address, person: 'Ada' });
  await put('');
  const said: AnsweringView = await running.api.get(`${at}/answering?${QUERY}&limit=500`);
  expect(said.keywords[0]).toMatchObject({ address: '', why: 'said by hand', person: 'Ada' });
  await put(null);
  expect(
    ((await running.api.get(`${at}/answering?${QUERY}&limit=500`)) as AnsweringView).keywords[0],
  ).toEqual(one);
});

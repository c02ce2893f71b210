import { BEFORE, DATE, MARKET, OWN, RIVALS, Running, type WitnessRow } from '../testing/running';

const TARGETS = [OWN, ...RIVALS];
const request = (over: object = {}) => ({
  market: MARKET,
  date: DATE,
  targets: TARGETS,
  extent: 'positions',
  ...over,
});

let running: Running;
beforeAll(async () => {
  running = await Running.start(['--source-timeout', '1500']);
});
afterAll(() => running.stop());

/** All keywords of a pool with the positions found, by text. */
async function poolOf(
  id: number,
): Promise<Map<string, { organic: (number | null)[]; paid: (number | null)[] }>> {
  const first = await running.api.get(`/look-ups/${id}/keywords?limit=1`);
  const pool = new Map();
  for (let offset = 0; offset < first.total; offset += 500) {
    const page = await running.api.get(
      `/look-ups/${id}/keywords?limit=500&offset=${offset}&sort=keyword&descending=false`,
    );
    for (const row of page.rows) pool.set(row.text, { organic: row.organic, paid: row.paid });
  }
  return pool;
}

/** What the pool must be, from the services' own answers. */
async function expectedPool(
  targets: string[],
): Promise<Map<string, { organic: (number | null)[]; paid: (number | null)[] }>> {
  const pool = new Map<string, { organic: (number | null)[]; paid: (number | null)[] }>();
  const least = (a: number | null, b: number | null): number | null =>
    a === null ? b : b === null ? a : Math.min(a, b);
  for (const [t, target] of targets.entries()) {
    for (const row of (await running.witnessRankings(target)) as WitnessRow[]) {
      const entry = pool.get(row.keyword) ?? {
        organic: targets.map(() => null),
        paid: targets.map(() => null),
      };
      entry.organic[t] = least(entry.organic[t]!, row.organic);
      entry.paid[t] = least(entry.paid[t]!, row.paid);
      pool.set(row.keyword, entry);
    }
  }
  return pool;
}

async function lookUp(at: string, over: object = {}): Promise<{ id: number; job: { id: number } }> {
  return running.api.post(`${at}/look-ups`, request(over));
}

test('a look-up gives the pool that the services describe, every position included', async () => {
  const { at } = await running.project();
  const started = await lookUp(at);
  await running.api.finished(started.job.id);
  expect(await poolOf(started.id)).toEqual(await expectedPool(TARGETS));
});

test('the same target written twice is one; a repeat of what is held costs nothing', async () => {
  const { at } = await running.project();
  const held = await lookUp(at, { targets: ['saltfen.example'] });
  await running.api.finished(held.job.id);
  const again = request({ targets: ['https://www.Saltfen.example/', 'saltfen.example'] });
  const price = await running.api.post(`${at}/look-ups/price`, again);
  expect(price).toMatchObject({ units: 0, parts: [{ held: true }] });
  const repeated = await running.api.post(`${at}/look-ups`, again);
  await running.api.finished(repeated.job.id);
  const [latest] = await running.api.get(`${at}/look-ups`);
  expect(latest).toMatchObject({ units: 0, targets: [{ address: 'saltfen.example', state: 'done' }] });
  expect(await poolOf(repeated.id)).toEqual(await poolOf(held.id));
});

test('through every fault the pool is the same, with nothing stored twice', async () => {
  const { at } = await running.project();
  const sought = ['pikewater.example', 'brackenrow.example'];
  const faultless = await expectedPool(sought);
  const rows = await Promise.all(
    sought.map(async (target) => (await running.witnessRankings(target)).length),
  );
  await running.faults({
    tooMany: 0.12,
    serverError: 0.12,
    truncated: 0.12,
    timeout: 0.04,
    impossibleRow: 0.2,
    repeatedPage: 0.2,
    seed: 3,
  });
  try {
    const started = await lookUp(at, { targets: sought });
    await running.api.finished(started.job.id);
    expect(await poolOf(started.id)).toEqual(faultless);
    const { targets } = await running.api.get(`/look-ups/${started.id}`);
    expect(targets.map((target: { rows: number }) => target.rows)).toEqual(rows);
  } finally {
    await running.faults({});
  }
});

/** Units that the services have charged so far. */
const charged = async (): Promise<number> => (await running.witness<{ spent: number }>('/allowance')).spent;

test('a server killed in the middle of a look-up goes on after its restart, loses nothing and pays nothing twice', async () => {
  const { at } = await running.project();
  const before = await charged();
  const targets = ['dunmarrow.example', 'quillmere.example', 'velkthorne.example'];
  await running.faults({ latencyMs: 150 });
  const started = await lookUp(at, { targets });
  await untilRows(started.id);
  await running.crashAndRestart();
  await running.faults({});
  await running.api.finished(started.job.id);
  // Before the witness asks: it is charged as well.
  const after = await charged();
  expect(await poolOf(started.id)).toEqual(await expectedPool(targets));
  const { targets: walked, units, job } = await running.api.get(`/look-ups/${started.id}`);
  // What is shown is what was charged, however often the server died.
  expect(units).toBe(after - before);
  expect(job.progress.units).toBe(units);
  for (const target of walked)
    expect(target.rows).toBe((await running.witnessRankings(target.address)).length);
});

test('killed again and again in captures, what is shown is what was charged', async () => {
  const { at } = await running.project();
  const before = await charged();
  await running.faults({ latencyMs: 40 });
  const { id, job } = await lookUp(at, {
    targets: ['dunmarrow.example', 'quillmere.example'],
    date: '2026-02-01',
    extent: 'captures',
    captureMost: 900,
    seeds: ['bike bag'],
    ways: ['phrase', 'words of the front'],
  });
  for (let kill = 0; kill < 5; kill++) {
    const from = await charged();
    const ended = async () =>
      !['queued', 'running'].includes((await running.api.get(`/jobs/${job.id}`)).state);
    // At some moment after the services have charged something more.
    while ((await charged()) === from && !(await ended())) await running.api.get('/projects');
    await running.crashAndRestart();
  }
  await running.faults({});
  await running.api.finished(job.id);
  expect((await running.api.get(`/look-ups/${id}`)).units).toBe((await charged()) - before);
});

/** Until the first rows of a look-up are stored, and before the last are. */
async function untilRows(id: number): Promise<void> {
  for (;;) {
    const { targets } = await running.api.get(`/look-ups/${id}`);
    if (targets.some((target: { rows: number }) => target.rows > 0)) return;
  }
}

test('a cancelled look-up keeps what came and can go on', async () => {
  const { at } = await running.project();
  await running.faults({ latencyMs: 120 });
  const started = await lookUp(at, { targets: ['outpostkettle.example', 'rovelot.example'] });
  await untilRows(started.id);
  await running.api.post(`/jobs/${started.job.id}/cancel`);
  await expect(running.api.finished(started.job.id)).rejects.toThrow(/cancelled/);
  await running.faults({});
  const kept = await poolOf(started.id);
  expect(kept.size).toBeGreaterThan(0);
  await running.api.post(`/jobs/${started.job.id}/resume`);
  await running.api.finished(started.job.id);
  expect(await poolOf(started.id)).toEqual(await expectedPool(['outpostkettle.example', 'rovelot.example']));
});

test('a target that nobody knows is said to be so, and the others are looked up', async () => {
  const { at } = await running.project();
  const started = await lookUp(at, { targets: ['nobody-knows.example', 'saltfen.example'] });
  await running.api.finished(started.job.id);
  const { targets } = await running.api.get(`/look-ups/${started.id}`);
  expect(targets).toMatchObject([
    {
      address: 'nobody-knows.example',
      state: 'failed',
      message: expect.stringMatching(/known of nobody-knows/),
    },
    { address: 'saltfen.example', state: 'done' },
  ]);
});

test('an allowance that runs out stops the look-up with its reason; what came is kept', async () => {
  const poor = await Running.start([], ['--allowance', '25']);
  try {
    const { at } = await poor.project();
    const started = await poor.api.post(
      `${at}/look-ups`,
      request({ targets: ['cobblemoor.example'], extent: 'captures' }),
    );
    await expect(poor.api.finished(started.job.id)).rejects.toThrow(/units; fewer are left until 2026-04-01/);
    const { keywords } = await poor.api.get(`/look-ups/${started.id}`);
    expect(keywords).toBeGreaterThan(0);
  } finally {
    await poor.stop();
  }
});

test('services that are down give a clear message, and the job goes on when they are back', async () => {
  const alone = await Running.start(['--source-retries', '1']);
  try {
    const { at } = await alone.project();
    await alone.faults({ serverError: 1 });
    const started = await alone.api.post(`${at}/look-ups`, request({ targets: ['saltfen.example'] }));
    await expect(alone.api.finished(started.job.id)).rejects.toThrow(
      /did not answer after 2 tries: status 500/,
    );
    expect(await alone.api.get('/services')).toMatchObject({ reachable: false });
    expect(await alone.api.get('/markets')).toHaveLength(8);
    await alone.faults({});
    await alone.api.post(`/jobs/${started.job.id}/resume`);
    await alone.api.finished(started.job.id);
  } finally {
    await alone.stop();
  }
});

test.each([
  [{ targets: [] }, /nothing to look up/],
  [{ targets: ['no address'] }, /not an address/],
  [{ compareDate: DATE }, /must lie before/],
  [{ date: '2026-02-30' }, /body is not as expected/],
  [{ market: 'nowhere' }, /no market nowhere/],
])('a request of %j is refused in words', async (over, message) => {
  const { at } = await running.project();
  await expect(running.api.post(`${at}/look-ups`, request({ compareDate: BEFORE, ...over }))).rejects.toThrow(
    message,
  );
});

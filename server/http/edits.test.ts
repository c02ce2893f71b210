import { randomUUID } from 'node:crypto';
import type { Change } from '@opsimath/contract/api/changes';
import type { Recipe, RecipeStep } from '@opsimath/contract/api/sift';
import { DATE, MARKET, Running } from '../testing/running';

/** What several people and windows write stays, merged or refused with what changed; what is taken back is exact. */
let running: Running;
let at: string;
let pool: { id: number; text: string }[];
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 5);
  const [lookUp] = await running.api.get(`${at}/look-ups`);
  pool = (await running.api.get(`/look-ups/${lookUp.id}/keywords?limit=20`)).rows;
});
afterAll(() => running.stop());

/** The problem that a call is refused with. */
async function refusal(
  method: string,
  path: string,
  body: object,
): Promise<{ status: number; code: string; message: string; changed?: string[] }> {
  const answer = await fetch(`${running.server.url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: answer.status, ...((await answer.json()) as { code: string; message: string }) };
}

describe('settings', () => {
  test('one changed by itself leaves all others as they are', async () => {
    await running.api.patch(at, { settings: { margin: 0.4 } });
    await running.api.patch(at, { settings: { conversionRate: 0.03 } });
    await running.api.patch(at, { settings: { efforts: { retitle: 2 } } });
    await running.api.patch(at, { settings: { pagePaths: { item: ['bags'] } } });
    const { settings } = await running.api.get(at);
    expect(settings).toMatchObject({ margin: 0.4, conversionRate: 0.03, efforts: { retitle: 2, merge: 1 } });
    expect(settings.pagePaths.item).toEqual(['bags']);
    expect(settings.pagePaths.home.length + settings.pagePaths.article.length).toBeGreaterThan(0);
  });

  test('changed by many at once none is lost', async () => {
    await Promise.all([
      ...[1, 2, 3].map((n) => running.api.patch(at, { settings: { leadDays: n * 10 } })),
      running.api.patch(at, { settings: { defaultWorth: 1.5 } }),
      running.api.patch(at, { settings: { targetCost: 12 } }),
      running.api.patch(at, { name: 'Renamed' }),
    ]);
    expect(await running.api.get(at)).toMatchObject({
      name: 'Renamed',
      settings: { defaultWorth: 1.5, targetCost: 12, margin: 0.4 },
    });
  });

  test('on an older revision: another setting is merged, the same one is refused with what changed', async () => {
    const { settingsRevision } = await running.api.get(at);
    await running.api.patch(at, { settings: { front: 5 }, settingsRevision, person: 'Ana' });
    await running.api.patch(at, { settings: { currency: 'GBP' }, settingsRevision });
    expect(await refusal('PATCH', at, { settings: { front: 7 }, settingsRevision })).toMatchObject({
      status: 409,
      code: 'changed-meanwhile',
      changed: ['front'],
    });
    expect((await running.api.get(at)).settings).toMatchObject({ front: 5, currency: 'GBP' });
  });
});

describe('recipes', () => {
  const words = (id: string, text: string): RecipeStep => ({
    id,
    on: true,
    sieve: { kind: 'words', mode: 'any word', text, out: false },
  });
  let recipe: Recipe;
  beforeEach(async () => {
    recipe = await running.api.post(`${at}/recipes`, {
      name: 'Shared',
      steps: [words('a', 'bag'), words('b', 'rain')],
    });
  });
  const change = (parts: object) =>
    running.api.patch(`${at}/recipes/${recipe.id}`, { revision: recipe.revision, ...parts });
  const now = async (): Promise<Recipe> =>
    ((await running.api.get(`${at}/recipes`)) as Recipe[]).find(({ id }) => id === recipe.id)!;

  test('two windows that change different sieves keep both', async () => {
    await change({ steps: [words('a', 'bags'), words('b', 'rain')] });
    await change({
      steps: [words('a', 'bag'), words('b', 'rain'), words('c', 'red')],
      rescued: [pool[0]!.id],
    });
    await change({ name: 'Ours' });
    expect(await now()).toMatchObject({
      name: 'Ours',
      steps: [words('a', 'bags'), words('b', 'rain'), words('c', 'red')],
      rescued: [pool[0]!.id],
    });
  });

  test('two windows that change one sieve differently: the second is refused and told what changed', async () => {
    await change({ steps: [words('a', 'bags'), words('b', 'rain')], person: 'Ben' });
    const path = `${at}/recipes/${recipe.id}`;
    const body = { revision: recipe.revision, steps: [words('a', 'sacks'), words('b', 'rain')] };
    expect(await refusal('PATCH', path, body)).toMatchObject({
      status: 409,
      changed: ['sieve 1 (words)'],
      message: expect.stringContaining('Ben has changed the recipe “Shared”'),
    });
    expect((await now()).steps[0]).toEqual(words('a', 'bags'));
  });

  test('taken away and brought back it is what it was', async () => {
    const before = await now();
    await running.api.delete(`${at}/recipes/${recipe.id}`);
    expect(await now()).toBeUndefined();
    expect(await refusal('PATCH', `${at}/recipes/${recipe.id}`, { name: 'x' })).toMatchObject({
      status: 404,
    });
    await running.api.post(`${at}/recipes/${recipe.id}/back`);
    expect(await now()).toEqual(before);
  });
});

describe('lists, markers and notes', () => {
  test('keywords that two windows add to a list add up; a name that both change is refused', async () => {
    const keywords = pool.slice(0, 3).map(({ id }) => id);
    const [list] = (await running.api.post(`${at}/lists`, { name: 'Both', market: MARKET, keywords })).slice(
      -1,
    );
    const path = `${at}/lists/${list.id}`;
    await running.api.patch(path, { revision: list.revision, add: [pool[4]!.id] });
    await running.api.patch(path, { revision: list.revision, add: [pool[5]!.id], remove: [keywords[0]] });
    await running.api.patch(path, { revision: list.revision, name: 'Theirs', person: 'Ana' });
    expect(await refusal('PATCH', path, { revision: list.revision, name: 'Mine' })).toMatchObject({
      status: 409,
      changed: ['name'],
    });
    const lists: { id: number; name: string; keywords: number; history: { what: string }[] }[] =
      await running.api.get(`${at}/lists`);
    const held = lists.find(({ id }) => id === list.id)!;
    expect(held).toMatchObject({ name: 'Theirs', keywords: 4 });
    await running.api.delete(path);
    expect((await running.api.get(`${at}/lists`)).some(({ id }: { id: number }) => id === list.id)).toBe(
      false,
    );
    const back = await running.api.post(`${path}/back`);
    expect(back.find(({ id }: { id: number }) => id === list.id)).toEqual(held);
  });

  test('a marker comes back on its keywords', async () => {
    const [marker] = (await running.api.post(`${at}/markers`, { name: 'Look', shape: 'star' })).slice(-1);
    await running.api.post(`${at}/markers/${marker.id}/keywords`, { keywords: [pool[0]!.id], on: true });
    await running.api.delete(`${at}/markers/${marker.id}`);
    expect(await running.api.get(`${at}/markers`)).toEqual([]);
    expect(await running.api.post(`${at}/markers/${marker.id}/back`)).toMatchObject([
      { id: marker.id, name: 'Look', keywords: 1 },
    ]);
  });

  test('a note that somebody else has changed is not written over', async () => {
    const subject = { on: 'keyword', keyword: pool[0]!.id };
    const [note] = await running.api.post(`${at}/notes`, { subject, text: 'first' });
    const path = `${at}/notes/${note.id}`;
    await running.api.patch(path, { text: 'second', revision: note.revision, person: 'Ana' });
    expect(await refusal('PATCH', path, { text: 'third', revision: note.revision })).toMatchObject({
      status: 409,
      changed: ['it says “second” now'],
    });
  });
});

describe('steps of judging', () => {
  const give = (keyword: number, verdict: string, person: string, id = randomUUID()) => ({
    id,
    changes: [{ keyword, verdict }],
    person,
  });
  const send = async (...steps: object[]) =>
    (await running.api.post(`${at}/verdicts/steps`, { steps })).steps as {
      id: string;
      before: { verdict: string; person: string; decidedAt: string }[];
      after: { verdict: string; person: string; decidedAt: string }[];
      newer: number;
      problem?: string;
    }[];

  test('sent twice counts once, also after somebody else’s word', async () => {
    const step = give(pool[6]!.id, 'fit', 'Ana');
    const [first] = await send(step);
    await send(give(pool[6]!.id, 'off', 'Ben'));
    const [again] = await send(step);
    expect(again).toEqual(first);
    const [look] = await send(give(pool[6]!.id, 'adjacent', 'Cleo'));
    expect(look!.before[0]).toMatchObject({ verdict: 'off', person: 'Ben' });
  });

  test('taken back, exactly what stood stands again, and can be done again', async () => {
    const keyword = pool[7]!.id;
    const [stood] = await send(give(keyword, 'adjacent', 'Ana'));
    const step = give(keyword, 'off', 'Ben');
    const [, back] = await send(step, { id: 'back-1-back-1', takesBack: step.id });
    expect(back!.after).toEqual(stood!.after);
    const [again] = await send({ id: 'again-1-again', takesBack: 'back-1-back-1' });
    expect(again!.after).toMatchObject([
      { verdict: 'off', person: 'Ben', decidedAt: back!.before[0]!.decidedAt },
    ]);
  });

  test('a newer word of somebody else is not taken back, the others are', async () => {
    const keywords = pool.slice(8, 11).map(({ id }) => id);
    const step = { id: randomUUID(), changes: keywords.map((keyword) => ({ keyword, verdict: 'fit' })) };
    await send(step, give(keywords[1]!, 'off', 'Ben'));
    const [back] = await send({ id: randomUUID(), takesBack: step.id });
    expect(back).toMatchObject({ newer: 1, after: [{ verdict: 'unjudged' }, { verdict: 'unjudged' }] });
    const [look] = await send(give(keywords[1]!, 'fit', ''));
    expect(look!.before[0]).toMatchObject({ verdict: 'off', person: 'Ben' });
  });

  test('one that can never be done does not hold up those after it', async () => {
    const [gone, never, good] = await send(
      give(987_654_321, 'fit', ''),
      { id: randomUUID(), takesBack: randomUUID() },
      give(pool[12]!.id, 'fit', ''),
    );
    expect(gone!.problem).toMatch(/not known/);
    expect(never!.problem).toMatch(/never taken/);
    expect(good!.after[0]!.verdict).toBe('fit');
  });

  test('a view that was open sees what was taken back', async () => {
    const [lookUp] = await running.api.get(`${at}/look-ups`);
    const through = async () =>
      (
        await running.api.post(`/look-ups/${lookUp.id}/sift`, {
          steps: [{ id: 'v', on: true, sieve: { kind: 'verdict', verdicts: ['off'] } }],
        })
      ).through;
    const before = await through();
    const step = give(pool[13]!.id, 'off', 'Ana');
    await send(step);
    expect(await through()).toBe(before + 1);
    await send({ id: randomUUID(), takesBack: step.id });
    expect(await through()).toBe(before);
  });
});

test('a look-up that asks for one way twice is refused, and nothing of it is kept', async () => {
  const before = await running.api.get(`${at}/look-ups`);
  const body = {
    market: MARKET,
    date: DATE,
    seeds: ['bike bag'],
    ways: ['phrase', 'phrase'],
    extent: 'positions',
  };
  expect(await refusal('POST', `${at}/look-ups`, body)).toMatchObject({
    status: 400,
    code: 'twice-the-same',
  });
  expect(await running.api.get(`${at}/look-ups`)).toEqual(before);
});

test('others hear what was changed, by which window', async () => {
  const heard: Change[] = [];
  const stop = new AbortController();
  const answer = await fetch(`${running.server.url}/api/changes`, { signal: stop.signal });
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  const until = async (count: number): Promise<void> => {
    while (heard.length < count) {
      const { value = '', done } = await reader.read();
      if (done) throw new Error('the stream ended');
      const events = (rest + value).split('\n\n');
      rest = events.pop()!;
      for (const event of events)
        if (event.startsWith('data: ')) heard.push(JSON.parse(event.slice(6)) as Change);
    }
  };
  await fetch(`${running.server.url}/api${at}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json', 'x-window': 'one' },
    body: JSON.stringify({ settings: { leadDays: 80 } }),
  });
  await running.api.post(`${at}/verdicts/steps`, {
    steps: [{ id: randomUUID(), changes: [{ keyword: pool[0]!.id, verdict: 'fit' }] }],
  });
  await running.api.post(`${at}/look-ups/price`, {
    market: MARKET,
    date: DATE,
    targets: ['tarnwick.example'],
  });
  await running.api.delete(`${at}/tracked`, { keywords: [pool[0]!.id] });
  await until(3);
  const id = Number(at.split('/').at(-1));
  expect(heard).toEqual([
    { project: id, what: 'projects', window: 'one' },
    { project: id, what: 'verdicts', window: '' },
    { project: id, what: 'tracked', window: '' },
  ]);
  stop.abort();
});

test('no change fills in what it does not name', async () => {
  interface Schema {
    default?: unknown;
    properties?: Record<string, Schema>;
    items?: Schema;
    anyOf?: Schema[];
  }
  const { paths } = (await running.api.get('/openapi.json')) as {
    paths: Record<string, { patch?: { requestBody: { content: Record<string, { schema: Schema }> } } }>;
  };
  const filled: string[] = [];
  const look = (schema: Schema, where: string): void => {
    if (schema.default !== undefined) filled.push(where);
    for (const [name, part] of Object.entries(schema.properties ?? {})) look(part, `${where} ${name}`);
    for (const part of [schema.items ?? [], schema.anyOf ?? []].flat()) look(part, where);
  };
  const changes = Object.entries(paths).flatMap(([path, { patch }]) => (patch ? [{ path, patch }] : []));
  expect(changes.length).toBeGreaterThan(5);
  for (const { path, patch } of changes) look(patch.requestBody.content['application/json']!.schema, path);
  // Who signs is no part of the thing.
  expect(filled.filter((where) => !where.endsWith(' person'))).toEqual([]);
});

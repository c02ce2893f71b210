import type { AdGroup } from '@opsimath/contract/api/adGroups';
import type { Bids } from '@opsimath/contract/api/bids';
import type { DraftMaterial } from '@opsimath/contract/api/draftMaterial';
import type { Draft, DraftSummary, OwnCopy, Packing, PublishedChange } from '@opsimath/contract/api/drafts';
import type { GapPage } from '@opsimath/contract/api/gaps';
import type { RoundsView } from '@opsimath/contract/api/rounds';
import { BEFORE, DATE, MARKET, OWN, Running } from '../testing/running';

const QUERY = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;
let page: string;
let keywords: { id: number; text: string }[];

beforeAll(async () => {
  running = await Running.start(['--source-retries', '1']);
  at = (await running.project()).at;
  await running.compared(at, 120);
  const gaps: GapPage = await running.api.get(`${at}/gaps?${QUERY}&limit=500`);
  const held = gaps.rows.filter(({ ownAddress }) => ownAddress?.includes('/'));
  page = held[0]!.ownAddress!;
  keywords = held.slice(0, 6).map(({ id, text }) => ({ id, text }));
});
afterAll(() => running.stop());

const add = async (over: object = {}): Promise<number> =>
  (
    await running.api.post(`${at}/drafts`, {
      market: MARKET,
      date: DATE,
      kind: 'page',
      name: 'The page',
      address: page,
      keywords: keywords.map(({ id }) => id),
      ...over,
    })
  ).id;
const read = (id: number): Promise<Draft> => running.api.get(`${at}/drafts/${id}?date=${DATE}`);
const change = (id: number, body: object): Promise<{ revision: number }> =>
  running.api.patch(`${at}/drafts/${id}`, body);
const published = (): Promise<PublishedChange[]> => running.api.get(`${at}/published?market=${MARKET}`);
const publish = (id: number, body: object = { way: 'service', person: 'Ada' }): Promise<{ id: number }> =>
  running.api.post(`${at}/drafts/${id}/publish`, body);

test('a draft begins with what stands now, and knows what it is written against', async () => {
  const id = await add();
  const draft = await read(id);
  const { record } = await running.witness<{ record: { title: string; description: string } }>(
    `/records?market=${MARKET}&date=${DATE}&target=${encodeURIComponent(page)}`,
  );
  expect(draft.fields).toMatchObject({ title: record.title, description: record.description });
  expect(draft.present!.fields).toEqual(draft.fields);
  expect(draft.keywords.map(({ id: keyword, text }) => ({ id: keyword, text }))).toEqual(keywords);
  expect(draft.front.length).toBeGreaterThan(3);
  expect(draft.front.map(({ position }) => position)).toEqual([...draft.front.keys()].map((n) => n + 1));
  expect(draft.banned.map(({ reason }) => reason)).toContain('a rival’s name');
  const list: DraftSummary[] = await running.api.get(`${at}/drafts?market=${MARKET}`);
  expect(list).toMatchObject([{ id, state: 'written', lead: keywords[0]!.text, keywords: keywords.length }]);
  const empty = await read(await add({ start: 'empty', address: '', name: 'A new one', title: 'Panniers' }));
  expect(empty.fields).toEqual({ title: 'Panniers', description: '', headings: '', body: '' });
  expect(empty.present).toBeNull();
});

test('what somebody else changed meanwhile is not overwritten; a version can be kept and read', async () => {
  const id = await add();
  const { revision, fields } = await read(id);
  await change(id, { revision, fields: { ...fields, title: 'One' } });
  await expect(change(id, { revision, fields: { ...fields, title: 'Other' } })).rejects.toThrow(
    /changed this draft/,
  );
  await running.api.post(`${at}/drafts/${id}/versions`, { name: 'first try', person: 'Ada' });
  const next = await read(id);
  await change(id, { revision: next.revision, fields: { ...fields, title: 'Two 🚲 自転車' } });
  const now = await read(id);
  expect(now.fields.title).toBe('Two 🚲 自転車');
  expect(now.versions).toMatchObject([{ name: 'first try', person: 'Ada', fields: { title: 'One' } }]);
});

test('published, a change has before and after and the keywords it aims at; search shows it later, or sooner if asked', async () => {
  const id = await add();
  const { revision, fields } = await read(id);
  await change(id, { revision, fields: { ...fields, title: `${keywords[0]!.text} | Tarnwick` } });
  await publish(id);
  const [first] = await published();
  expect(first).toMatchObject({
    address: page,
    kind: 'edit',
    state: 'published',
    draft: id,
    keywords,
    before: { title: fields.title },
    after: { title: `${keywords[0]!.text} | Tarnwick` },
    person: 'Ada',
    askedAgain: null,
  });
  expect(first!.seenFrom! > first!.date).toBe(true);
  expect((await read(id)).state).toBe('published');
  const { leftToday } = await running.api.post(`${at}/published/${first!.id}/again`, {});
  expect(leftToday).toBe(9);
  const [again] = await published();
  expect(again).toMatchObject({ askedAgain: first!.date, seenFrom: first!.date });
});

test('services that fail while publishing: the state says so, and sent again it is carried out once', async () => {
  const id = await add();
  const { revision, fields } = await read(id);
  await change(id, { revision, fields: { ...fields, title: 'Told once' } });
  const before = (await published()).length;
  await running.faults({ serverError: 1 });
  await expect(publish(id)).rejects.toThrow();
  await running.faults({});
  // Nothing was even asked: the services were away before.
  expect((await published()).length).toBeLessThanOrEqual(before + 1);
  await publish(id);
  await publish(id).catch(() => undefined);
  const told = (await published()).filter(({ after }) => after.title === 'Told once');
  expect(told.every(({ state }) => state === 'published')).toBe(true);
  expect((await read(id)).state).toBe('published');
});

test('an answer lost after it arrived: nobody knows, and sent again it is not carried out twice', async () => {
  const id = await add();
  const { revision, fields } = await read(id);
  await change(id, { revision, fields: { ...fields, title: 'Arrived once' } });
  await running.faults({ truncated: 1, path: '/own/publish' });
  await expect(publish(id)).rejects.toThrow();
  await running.faults({});
  const told = async () => (await published()).filter(({ after }) => after.title === 'Arrived once');
  expect(await told()).toMatchObject([{ state: 'asked' }]);
  expect((await read(id)).state).toBe('asked to publish');
  await publish(id);
  expect(await told()).toMatchObject([{ state: 'published' }]);
  // It went out at the first try: what stood before is still what stood before.
  expect((await told())[0]!.before.title).toBe(fields.title);
});

test('done by hand on a day; a planned target needs an address, and its task gets it', async () => {
  const { id: round } = await running.api.post(`${at}/rounds`, {
    name: 'Round 1',
    starts: '2026-03-16',
    ends: '2026-03-27',
    most: 3,
    people: [{ name: 'Ada', days: 5 }],
  });
  const board: RoundsView = await running.api.get(`${at}/rounds?${QUERY}&limit=500`);
  const line = board.queue.lines.find(({ action }) => action.startsWith('new')) ?? board.queue.lines[0]!;
  const picked = await running.api.post(`${at}/tasks`, {
    market: MARKET,
    date: DATE,
    compare: BEFORE,
    round,
    picks: [{ keyword: line.lead.id, action: line.action }],
  });
  const [task] = picked.tasks;
  const id = await add({ address: '', task, start: 'empty', title: 'New', keywords: [line.lead.id] });
  const stepOf = async (): Promise<string> =>
    ((await running.api.get(`${at}/rounds?${QUERY}`)) as RoundsView).rounds[0]!.tasks[0]!.step;
  expect(await stepOf()).toBe('drafted');
  await expect(publish(id)).rejects.toThrow(/not there yet/);
  const { revision } = await read(id);
  await change(id, { revision, address: `${OWN}/range/new-one` });
  await publish(id, { way: 'by hand', date: '2026-03-20', kind: 'edit' });
  expect((await published()).find(({ draft }) => draft === id)).toMatchObject({
    state: 'by hand',
    date: '2026-03-20',
    task,
  });
  const told: RoundsView = await running.api.get(`${at}/rounds?${QUERY}`);
  expect(told.rounds[0]!.tasks[0]).toMatchObject({ step: 'published', draft: id });
  // Captures do not show it yet: it is not offered again until the horizon has passed.
  const names = (view: RoundsView): string[] =>
    view.queue.lines.map(({ lead, action }) => `${lead.id} ${action}`);
  expect(names(told)).not.toContain(`${line.lead.id} ${line.action}`);
});

test('hidden slots are packed within their bytes', async () => {
  const packed: Packing = await running.api.post('/packing', {
    keywords: [
      { missing: ['rain', 'cover'], volume: 90 },
      { missing: ['alforja'], volume: 200 },
      { missing: ['自転車'], volume: 50 },
    ],
    slots: 1,
    most: 20,
    unit: 'bytes',
  });
  expect(packed.volume).toBe(290);
  expect(packed.slots[0]!.split(' ').sort()).toEqual(['alforja', 'cover', 'rain']);
  expect(packed.next).toMatchObject({ words: ['自転車'], volume: 50 });
});

test('own titles beside the keyword each answers; several drafts begun at once and removed again', async () => {
  const copy: OwnCopy = await running.api.get(`${at}/own-copy?market=${MARKET}&date=${DATE}`);
  const ours = copy.pages.find(({ address }) => address === page)!;
  const gaps: GapPage = await running.api.get(`${at}/gaps?${QUERY}&limit=500`);
  const answered = gaps.rows.filter(({ ownAddress }) => ownAddress === page);
  const most = Math.max(...answered.map(({ volume }) => volume ?? 0));
  expect(answered.find(({ id }) => id === ours.lead!.id)!.volume ?? 0).toBe(most);
  const at0 = ours.title.toLowerCase().indexOf(ours.lead!.text);
  if (at0 >= 0) expect(ours.leadAt).not.toBeNull();
  const before: DraftSummary[] = await running.api.get(`${at}/drafts?market=${MARKET}`);
  const chosen = copy.pages.slice(0, 3);
  const { ids } = await running.api.post(`${at}/drafts/several`, {
    market: MARKET,
    drafts: chosen.map(({ address, title }) => ({ address, fields: { title: `${title} renewed` } })),
  });
  const first = await read(ids[0]);
  expect(first.fields.title).toBe(`${chosen[0]!.title} renewed`);
  // What is not said otherwise stands as it stands.
  expect({ ...first.fields, title: '' }).toEqual({ ...first.present!.fields, title: '' });
  await running.api.post(`${at}/drafts/remove`, { ids });
  expect(await running.api.get(`${at}/drafts?market=${MARKET}`)).toEqual(before);
});

test('an ad group: guides and levels from observed auctions, a budget split, a file for ad services', async () => {
  const ids = keywords.slice(0, 3).map(({ id }) => id);
  const observed = await running.api.post(`${at}/auctions`, {
    market: MARKET,
    date: DATE,
    days: 6,
    keywords: ids,
  });
  await running.api.finished(observed.id);
  const id = await add({ kind: 'ad group', name: 'Group', address: '', keywords: ids, start: 'empty' });
  const group = (budget: number): Promise<AdGroup> =>
    running.api.get(`${at}/drafts/${id}/bids?date=${DATE}&budget=${budget}`);
  const rich = await group(1e6);
  expect(rich.keywords.map((one) => one.id)).toEqual(ids);
  const gaps: GapPage = await running.api.get(`${at}/gaps?${QUERY}&chosen=${ids.join(',')}`);
  for (const { id: keyword, guides, levels } of rich.keywords) {
    const { figures } = gaps.rows.find((row) => row.id === keyword)!;
    expect(guides.exact?.middle ?? null).toBe(figures['bid guide']);
    if (levels === null) continue;
    const clicks = levels.map((level) => level.clicks);
    expect([...clicks].sort((a, b) => a - b)).toEqual(clicks);
  }
  const spent = (of: AdGroup): number =>
    of.keywords.reduce((sum, { allotted }) => sum + (allotted?.cost ?? 0), 0);
  const half = await group(spent(rich) / 2);
  expect(spent(rich)).toBeGreaterThan(0);
  expect(spent(half)).toBeLessThanOrEqual(spent(rich) / 2 + 1e-9);
  await change(id, {
    revision: 1,
    fields: {
      bids: JSON.stringify([{ keyword: ids[0], match: 'phrase', bid: 0.45 }]),
      negatives: 'free pattern\n=danger',
      'landing page': page,
    },
  });
  const file = async (format: string): Promise<string> =>
    (await fetch(`${running.server.url}/api${at}/drafts/${id}/file?format=${format}`)).text();
  const { rows } = JSON.parse(await file('json')) as { rows: Record<string, unknown>[] };
  expect(rows.map((row) => [row.keyword, row['match type'], row.negative])).toEqual([
    [keywords[0]!.text, 'phrase', 'no'],
    ['free pattern', 'phrase', 'yes'],
    ['=danger', 'phrase', 'yes'],
  ]);
  expect(rows[0]).toMatchObject({ 'ad group': 'Group', 'landing page': page });
  expect((await file('csv')).split('\n').some((line) => line.includes(',=danger'))).toBe(false);
});

test('a brief has what a writer needs; what comes back is read into fields', async () => {
  const id = await add();
  const draft = await read(id);
  const brief = await (await fetch(`${running.server.url}/api${at}/drafts/${id}/brief?date=${DATE}`)).text();
  expect(brief).toContain(`**${keywords[0]!.text}**`);
  for (const { text } of keywords) expect(brief).toContain(text);
  expect(brief).toContain('title: at most 60 characters');
  expect(brief).toContain(draft.front[0]!.title.split(/[|<>#]/)[0]!.trim());
  expect(brief).toContain('a rival’s name');
  const html = await fetch(`${running.server.url}/api${at}/drafts/${id}/brief?date=${DATE}&format=html`);
  expect(html.headers.get('content-type')).toContain('text/html');
  expect(await html.text()).toMatch(/<h2>Lead keyword<\/h2>\n<p><strong>/);
  const text = await running.api.upload('/written-text', '# New\n\nDescription: Short.\n\nBody.\n## Part');
  expect(text).toEqual({ title: 'New', description: 'Short.', headings: 'Part', body: 'Body.' });
});

test('what the front gives: headings of the records that are held, own targets to link from, others to look up', async () => {
  const id = await add();
  const material = (): Promise<DraftMaterial> => running.api.get(`${at}/drafts/${id}/material?date=${DATE}`);
  const before = await material();
  expect(before).toMatchObject({ recorded: 0, words: null, headings: [] });
  expect(before.links.map(({ address }) => address)).not.toContain(page);
  await running.api.post(`${at}/keywords/${keywords[0]!.id}/study/records`, { market: MARKET, date: DATE });
  const now = await material();
  expect(now.recorded).toBeGreaterThan(0);
  expect(now.words).toBeGreaterThan(10);
  const told = now.headings.map(({ results }) => results);
  expect(told.length).toBeGreaterThan(0);
  expect([...told].sort((a, b) => b - a)).toEqual(told);
  const front = (await read(id)).front;
  for (const { address } of now.sources)
    expect(front.find((result) => result.address === address)?.side).toBe('other');
});

test('a copy for another language begins with what its keywords say there, and is kept with the draft', async () => {
  const id = await add({ start: 'empty', title: keywords[0]!.text });
  const begun = await running.api.post(`${at}/drafts/${id}/second`, { language: 'de' });
  const said: { id: number; text: string }[] = await running.api.get(`${at}/drafts/${id}/second?language=de`);
  const lead = said.find((one) => one.id === keywords[0]!.id);
  expect(begun.fields.title.split(', ')[0]).toBe(lead?.text ?? '');
  // Held once, it costs nothing again.
  expect(await running.api.post(`${at}/drafts/${id}/second`, { language: 'de' })).toMatchObject({ units: 0 });
  await expect(running.api.post(`${at}/drafts/${id}/second`, { language: 'en' })).rejects.toThrow(
    /in English already/,
  );
  const second = { language: 'de', fields: begun.fields, checked: ['title'] };
  await change(id, { revision: 1, second });
  expect((await read(id)).second).toEqual(second);
});

test('what was done without a draft stands on the timeline, and can be removed; what was published cannot', async () => {
  const note = (over: object = {}): Promise<{ id: number }> =>
    running.api.post(`${at}/published`, {
      market: MARKET,
      address: `https://${page}`,
      kind: 'price',
      date: '2026-03-10',
      keywords: [keywords[1]!.id],
      note: '59 to 54',
      person: 'Bo',
      ...over,
    });
  const { id } = await note();
  expect((await published()).find((one) => one.id === id)).toMatchObject({
    address: page,
    kind: 'price',
    state: 'by hand',
    draft: null,
    note: '59 to 54',
    keywords: [keywords[1]],
  });
  await expect(note({ address: 'no address at all' })).rejects.toThrow(/address/);
  await running.api.delete(`${at}/published/${id}`);
  expect((await published()).some((one) => one.id === id)).toBe(false);
  const sent = (await published()).find(({ state }) => state === 'published')!;
  await expect(running.api.delete(`${at}/published/${sent.id}`)).rejects.toThrow(/stays on the timeline/);
});

test('bids as they stand in the account: what to do next waits a week; what is kept to organic work gets none', async () => {
  await running.api.post(`${at}/own-bids`, { market: MARKET });
  const { rows }: Bids = await running.api.get(`${at}/bids?market=${MARKET}&date=${DATE}`);
  const stands = rows[0]!;
  const id = await add({
    kind: 'ad group',
    name: 'Standing',
    address: '',
    keywords: [stands.id],
    start: 'empty',
  });
  const group: AdGroup = await running.api.get(`${at}/drafts/${id}/bids?date=${DATE}&wanted=1`);
  const [standing] = group.keywords[0]!.standing.filter(({ match }) => match === stands.match);
  expect(standing).toMatchObject({ bid: stands.bid, before: [] });
  expect(['wait', 'unknown']).toContain(standing!.next.step);
  expect(group.keywords[0]!.organicOnly).toBe(false);
});

test('in an archive rounds, work, drafts and changes come back under new numbers, joined as they were', async () => {
  const shape = async (to: string) => {
    const board: RoundsView = await running.api.get(`${to}/rounds?${QUERY}`);
    const drafts: DraftSummary[] = await running.api.get(`${to}/drafts?market=${MARKET}`);
    const changes: PublishedChange[] = await running.api.get(`${to}/published?market=${MARKET}`);
    const draftOf = (id: number | null) => drafts.find((one) => one.id === id)?.name ?? null;
    const taskOf = (id: number | null) =>
      board.rounds.flatMap(({ tasks }) => tasks).find((one) => one.id === id)?.lead.text ?? null;
    return {
      rounds: board.rounds.map(({ name, tasks }) => [
        name,
        tasks.map(({ lead, action, state, draft, keywords: serves }) => [
          lead.text,
          action,
          state,
          draftOf(draft),
          serves.map(({ text }) => text),
        ]),
      ]),
      drafts: drafts
        .map(({ name, kind, lead, state, task }) => [name, kind, lead, state, taskOf(task)])
        .sort(),
      changes: changes
        .map(({ address, kind, note, draft, task, keywords: aims }) => [
          address,
          kind,
          note,
          draftOf(draft),
          taskOf(task),
          aims.map(({ text }) => text),
        ])
        .sort(),
    };
  };
  const before = await shape(at);
  expect(before.rounds.length).toBeGreaterThan(0);
  expect(before.changes.some(([, , , draft, task]) => draft !== null && task !== null)).toBe(true);
  const archive = await fetch(`${running.server.url}/api${at}/archive`);
  const brought = await running.api.upload('/archives', Buffer.from(await archive.arrayBuffer()));
  await running.api.finished(brought.job.id);
  expect(await shape(`/projects/${brought.project.id}`)).toEqual(before);
});

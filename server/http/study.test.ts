import { BEFORE, DATE, MARKET, OWN, Running } from '../testing/running';

let running: Running;
let at: string;
let project: number;

beforeAll(async () => {
  running = await Running.start();
  ({ id: project, at } = await running.project());
  await running.compared(at, 120);
});
afterAll(() => running.stop());

const scope = `market=${MARKET}&date=${DATE}`;
interface Row {
  id: number;
  text: string;
  kind: string;
  own: number | string;
  rivals: (number | string)[];
  byHand: boolean;
  captureDate: string | null;
  volume: number | null;
}
const rows = async (more = ''): Promise<Row[]> =>
  (await running.api.get(`${at}/gaps?${scope}&limit=200${more}`)).rows;
const captured = async (): Promise<Row> =>
  (await rows('&sort=-volume')).find(({ captureDate }) => captureDate !== null)!;

test('the front of a keyword is studied: records are fetched, what was seen is kept, shares follow', async () => {
  const { id } = await captured();
  const first = await running.api.get(`${at}/keywords/${id}/study?${scope}`);
  expect(first).toMatchObject({ date: DATE, front: 10, recorded: 0, tags: [], pace: null });
  expect(first.read.opening).toMatchObject({ looked: 0 });
  const studied = await running.api.post(`${at}/keywords/${id}/study/records`, {
    market: MARKET,
    date: DATE,
  });
  expect(studied.recorded).toBe(10);
  const [one, two] = studied.results;
  const witness = await running.witness<{ record: { picture: string; description: string } }>(
    `/records?${scope}&target=${encodeURIComponent(one.address)}`,
  );
  expect(one.picture).toBe(witness.record.picture);
  expect(one.opening).toBe(witness.record.description.slice(0, 160));
  await running.api.put(`${at}/readings`, { address: one.address, about: 'opening', traits: ['the want'] });
  await running.api.put(`${at}/readings`, { address: two.address, about: 'opening', traits: [] });
  const read = (await running.api.get(`${at}/keywords/${id}/study?${scope}`)).read.opening;
  expect(read.looked).toBe(2);
  expect(read.shares[0]).toEqual({ trait: 'the want', shown: 1, share: 0.5 });
  await running.api.put(`${at}/readings`, { address: two.address, about: 'opening', traits: null });
  expect((await running.api.get(`${at}/keywords/${id}/study?${scope}`)).read.opening.looked).toBe(1);
});

test('titles are counted by the types and materials of our fact card', async () => {
  const { id } = await captured();
  const own = (await running.api.get(`${at}/targets`)).find(({ side }: { side: string }) => side === 'own');
  await running.api.patch(`${at}/targets/${own.id}`, {
    facts: { type: 'pannier and frame bag', materials: 'canvas' },
  });
  const { things, results, front } = await running.api.get(`${at}/keywords/${id}/study?${scope}`);
  expect(things.counts.map(({ thing }: { thing: string }) => thing).sort()).toEqual([
    'canvas',
    'frame bag',
    'pannier',
  ]);
  const naming = (results as { title: string }[])
    .slice(0, front)
    .filter(({ title }) => /\bcanvas\b/i.test(title)).length;
  expect(things.counts.find(({ thing }: { thing: string }) => thing === 'canvas').titles).toBe(naming);
});

test.each([
  [{ address: 'nowhere.example/never', about: 'opening', traits: [] }, /never seen/],
  [{ address: OWN, about: 'smell', traits: [] }, /not as expected/],
])('a reading of %j is refused', async (body, why) => {
  await expect(running.api.put(`${at}/readings`, body)).rejects.toThrow(why);
});

test('a position typed in counts nowhere until the settings say so; then the newer says where its side stands', async () => {
  const row = (await rows('&sort=-volume')).find(
    ({ own, captureDate }) => own === 'absent' && captureDate !== null,
  )!;
  const own = (await running.api.get(`${at}/targets`)).find(({ side }: { side: string }) => side === 'own');
  const entry = { target: own.id, date: '2026-03-15', organic: 4, person: 'Ana' };
  const held = await running.api.post(`${at}/keywords/${row.id}/hand`, entry);
  expect(held).toMatchObject([{ name: own.name, organic: 4, paid: null, person: 'Ana' }]);
  const later = `market=${MARKET}&date=2026-03-16`;
  const find = async (): Promise<Row> =>
    (await running.api.get(`${at}/gaps?${later}&limit=500&marks=by hand`)).rows[0];
  expect(await find()).toMatchObject({ id: row.id, own: 'absent', byHand: true });
  await running.api.patch(`/projects/${project}`, { settings: { handCounts: true } });
  expect(await find()).toMatchObject({ id: row.id, own: 4, rivals: row.rivals });
  // Before it was seen, nothing is different.
  expect((await rows('&marks=by hand')).length).toBe(0);
  await running.api.patch(`/projects/${project}`, { settings: { handCounts: false } });
  expect((await find()).own).toBe('absent');
  await running.api.delete(`${at}/keywords/${row.id}/hand/${held[0].id}`);
  expect((await running.api.get(`${at}/gaps?${later}&marks=by hand`)).total).toBe(0);
});

test.each([
  [{ date: DATE, organic: 3, target: 99_999 }, /no such target/],
  [{ date: DATE, target: 1 }, /needs a position/],
  [{ date: DATE, target: 1, organic: 0 }, /not as expected/],
  [{ date: 'yesterday', target: 1, organic: 3 }, /not as expected/],
])('an entry of %j is refused', async (body, why) => {
  const { id } = await captured();
  await expect(running.api.post(`${at}/keywords/${id}/hand`, body)).rejects.toThrow(why);
});

test('a picture is kept with a note, shown as it was, and gone with it', async () => {
  const { id } = await captured();
  const dot =
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  const note = { subject: { on: 'keyword', keyword: id }, text: 'as it looked' };
  const [kept] = await running.api.post(`${at}/notes`, { ...note, picture: `data:image/png;base64,${dot}` });
  expect(kept).toMatchObject({ text: 'as it looked', picture: true });
  const answer = await fetch(`${running.server.url}/api${at}/notes/${kept.id}/picture`);
  expect(answer.headers.get('content-type')).toBe('image/png');
  expect(Buffer.from(await answer.arrayBuffer()).toString('base64')).toBe(dot);
  const [plain] = await running.api.post(`${at}/notes`, note);
  expect(plain.picture).toBe(false);
  await expect(running.api.get(`${at}/notes/${plain.id}/picture`)).rejects.toThrow(/no picture/);
  const drawn = { ...note, picture: 'data:image/svg+xml;base64,PHN2Zy8+' };
  await expect(running.api.post(`${at}/notes`, drawn)).rejects.toThrow(/PNG, JPEG/);
});

test('own candidates say where they were found, what they hold and what the index knew', async () => {
  const { id } = await captured();
  const around = await running.api.get(`${at}/keywords/${id}/around?${scope}&compare=${BEFORE}`);
  expect(around.lookedTo).toBe(100);
  for (const candidate of around.candidates) expect(candidate.index).toBeNull();
});

test('rough columns come with every row and sort with unknown last', async () => {
  const sorted = await rows('&sort=-exact rivals');
  const known = sorted.map((row) => (row as unknown as { exactRivals: number | null }).exactRivals);
  const first = known.findIndex((value) => value === null);
  const values = known.slice(0, first < 0 ? undefined : first) as number[];
  expect(values.length).toBeGreaterThan(0);
  expect(values).toEqual([...values].sort((a, b) => b - a));
  if (first >= 0) expect(known.slice(first).every((value) => value === null)).toBe(true);
});

test('where no volume is known none is invented, unless another surface may lend it', async () => {
  const video = 'video-us-en';
  const texts = (await rows('&sort=-volume')).slice(0, 60).map(({ text }) => text);
  // Volumes on both surfaces for most, on the web alone for the rest.
  const lacking = texts.slice(50);
  const table = texts.map((text, n) => `${text},vl-abcdefgh,${DATE},7,${n < 50 ? 100 + n : ''}`);
  const head = 'keyword,target,date,organic,volume';
  await running.bringIn(at, 'video.csv', 'rankings', [head, ...table].join('\n'), video);
  type Lent = Row & { volumeBorrowed: boolean };
  const gaps = async (): Promise<Lent[]> =>
    (await running.api.get(`${at}/gaps?market=${video}&date=${DATE}&limit=100`)).rows;
  const before = await gaps();
  for (const text of lacking)
    expect(before.find((row) => row.text === text)).toMatchObject({ volume: null, volumeBorrowed: false });
  await running.api.patch(`/projects/${project}`, { settings: { volumeBorrowed: true } });
  const after = await gaps();
  const web = new Map((await rows('&sort=-volume')).map(({ text, volume }) => [text, volume]));
  const ratios = texts
    .slice(0, 50)
    .flatMap((text, n) => ((web.get(text) ?? 0) > 0 ? [(100 + n) / web.get(text)!] : []))
    .sort((a, b) => a - b);
  const half = ratios.length >> 1;
  const ratio = ratios.length % 2 ? ratios[half]! : (ratios[half - 1]! + ratios[half]!) / 2;
  for (const text of lacking)
    expect(after.find((row) => row.text === text)).toMatchObject({
      volume: Math.floor(web.get(text)! * ratio + 0.5),
      volumeBorrowed: true,
    });
  await running.api.patch(`/projects/${project}`, { settings: { volumeBorrowed: false } });
});

import type { KnownMarket } from '@opsimath/contract/api/markets';
import { BEFORE, DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

let running: Running;
let at: string;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 60);
});
afterAll(() => running.stop());

const narrow = (kind: string, value: string): Promise<KnownMarket> =>
  running.api.post('/markets/places', { market: MARKET, kind, value });
const TOWN = `${MARKET}@city:Fernmoor`;
interface Row {
  id: number;
  text: string;
  own: number | string;
  volume: number | null;
  captureDate: string | null;
}
const gaps = async (market: string): Promise<Row[]> =>
  (
    await running.api.get(
      `${at}/gaps?${new URLSearchParams({ market, date: DATE, compare: BEFORE })}&limit=500&sort=-volume`,
    )
  ).rows;

test('a city becomes a market of its own, under the market it is in; asked for twice it is the same', async () => {
  const made = await narrow('city', 'Fernmoor');
  expect(made).toMatchObject({
    code: TOWN,
    surface: 'web',
    within: MARKET,
    placeName: expect.stringContaining('Fernmoor'),
  });
  expect(await narrow('city', 'Fernmoor')).toEqual(made);
  const known: KnownMarket[] = await running.api.get('/markets');
  expect(known.filter(({ code }) => code === TOWN)).toHaveLength(1);
  expect(known.find(({ code }) => code === MARKET)!.within).toBeNull();
});

test('nothing of the whole market is shown for it: before a look-up there it is empty', async () => {
  expect(await gaps(TOWN)).toEqual([]);
  expect((await gaps(MARKET)).length).toBeGreaterThan(0);
});

test('looked up there, positions and searches are those of the place', async () => {
  const lookUp = await running.api.post(`${at}/look-ups`, {
    market: TOWN,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 60,
  });
  await running.api.finished(lookUp.job.id);
  const [local, whole] = [await gaps(TOWN), new Map((await gaps(MARKET)).map((row) => [row.text, row]))];
  const captured = local.filter(({ captureDate }) => captureDate !== null);
  expect(captured.length).toBe(60);
  const witness = await running.witness<{
    records: { parent: string }[];
    pages: { keyword: string; slots: { kind: string; position: number; record: number | null }[] }[];
  }>('/result-pages', { market: TOWN, date: DATE, depth: 100, keywords: captured.map(({ text }) => text) });
  for (const page of witness.pages) {
    const held = page.slots.flatMap(({ kind, position, record }) =>
      kind === 'organic' && record !== null && witness.records[record]!.parent === OWN ? [position] : [],
    );
    const row = captured.find(({ text }) => text === page.keyword)!;
    expect([row.text, row.own]).toEqual([row.text, held.length > 0 ? Math.min(...held) : 'absent']);
  }
  const both = captured.filter(({ text, volume }) => volume !== null && (whole.get(text)?.volume ?? 0) > 0);
  expect(both.length).toBeGreaterThan(10);
  for (const { text, volume } of both) expect(volume!).toBeLessThan(whole.get(text)!.volume!);
  expect(both.some(({ text, own }) => own !== whole.get(text)!.own)).toBe(true);
});

test('the dossier of the whole market leaves its places out; that of a place names both and adds neither', async () => {
  const [row] = (await gaps(MARKET)).filter(({ captureDate }) => captureDate !== null);
  const around = (market: string, keyword: number) =>
    running.api.get(
      `${at}/keywords/${keyword}/around?${new URLSearchParams({ market, date: DATE, compare: BEFORE })}`,
    );
  const codes = (found: { markets: { market: string }[] }): string[] =>
    found.markets.map(({ market }) => market);
  expect(codes(await around(MARKET, row!.id))).not.toContain(TOWN);
  const [local] = (await gaps(TOWN)).filter(({ captureDate }) => captureDate !== null);
  const there = await around(TOWN, local!.id);
  expect(codes(there)).toEqual(expect.arrayContaining([TOWN, MARKET]));
  expect(there.markets.find(({ market }: { market: string }) => market === TOWN).within).toBe(MARKET);
});

test.each([
  ['region', 'North Vale'],
  ['postcode', '84170'],
])('a %s is a place as well', async (kind, value) => {
  expect((await narrow(kind, value)).code).toBe(`${MARKET}@${kind}:${value}`);
});

test('a point with a radius takes the towns within it', async () => {
  const point = { market: MARKET, kind: 'point', latitude: 44, longitude: -121, km: 40 };
  const { code } = await running.api.post('/markets/places', point);
  expect(code).toBe(`${MARKET}@point:44,-121,40`);
  const volume = async (market: string): Promise<number> => {
    const { rows } = await running.witness<{ rows: { months: number[] }[] }>('/metrics', {
      market,
      date: DATE,
      keywords: ['panniers'],
    });
    return rows[0]!.months.at(-1)!;
  };
  expect(await volume(code)).toBe(await volume(TOWN));
  await expect(running.api.post('/markets/places', { ...point, km: 1 })).rejects.toThrow(/No point/);
});

test.each([
  [{ market: MARKET, kind: 'city', value: 'Nowhere' }, /No city “Nowhere” is known/],
  [{ market: 'video-us-en', kind: 'city', value: 'Fernmoor' }, /not known by places/],
  [{ market: TOWN, kind: 'city', value: 'Wexcombe' }, /is a place already/],
  [{ market: 'nowhere', kind: 'city', value: 'Fernmoor' }, /no market/],
  [{ market: MARKET, kind: 'city', value: 'a@b' }, /no @ in its name/],
  [{ market: MARKET, kind: 'point', latitude: 95, longitude: 0, km: 5 }, /not as expected/],
])('%j is refused in words', async (body, why) => {
  await expect(running.api.post('/markets/places', body)).rejects.toThrow(why);
});

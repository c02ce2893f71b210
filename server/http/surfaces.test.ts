import type { SurfacesView } from '@opsimath/contract/api/surfaces';
import { BEFORE, DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
const BRITISH = 'web-gb-en';
let running: Running;
let at: string;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 60);
});
afterAll(() => running.stop());

interface Witness {
  records: { parent: string }[];
  pages: { keyword: string; slots: { kind: string; position: number; record: number | null }[] }[];
}

test('across surfaces: slots of every side as the services show them; never captured is not absent', async () => {
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=5`);
  const keywords = rows.map(({ id }: { id: number }) => id);
  const view: SurfacesView = await running.api.get(
    `${at}/surfaces?market=${MARKET}&date=${DATE}&keywords=${keywords.join(',')}`,
  );
  expect(new Set(view.keywords.map(({ id }) => id))).toEqual(new Set(keywords));
  // What could be won most first: what the table says of the keyword in each market, added up.
  const values = view.keywords.map(({ value }) => value);
  expect(values).toEqual([...values].sort((a, b) => b - a));
  for (const { id, surfaces, value } of view.keywords) {
    const row = rows.find((one: { id: number }) => one.id === id);
    const here = surfaces.find(({ market }) => market === MARKET)!.best;
    if (here !== null) expect([here.action, here.value]).toEqual([row.action, row.worthAMonth]);
    else expect(['hold', 'merge', 'capture first']).toContain(row.action);
    expect(value).toBeCloseTo(
      surfaces.reduce((sum, { best }) => sum + Math.max(0, best?.value ?? 0), 0),
      9,
    );
  }
  const witness = await running.witness<{
    records: { parent: string }[];
    pages: { slots: { kind: string; position: number; record: number | null }[] }[];
  }>('/result-pages', {
    market: MARKET,
    date: DATE,
    depth: 100,
    keywords: view.keywords.map(({ text }) => text),
  });
  view.keywords.forEach((keyword, n) => {
    const web = keyword.surfaces.find(({ market }) => market === MARKET)!;
    const held = (host: string): number[] =>
      witness.pages[n]!.slots.flatMap(({ kind, position, record }) =>
        kind === 'organic' && record !== null && witness.records[record]!.parent === host ? [position] : [],
      );
    expect(web.ours).toEqual(held(OWN));
    expect(web.rivals.map(({ positions }) => positions)).toEqual(RIVALS.map(held));
    expect(web.could).toBeGreaterThanOrEqual(web.held);
    for (const other of keyword.surfaces.filter(({ market }) => market !== MARKET))
      expect([other.captured, other.own, other.could]).toEqual([null, 'unknown', 0]);
  });
});

test('over all markets of a surface: a position in each, how many are on the front, the worst; nothing averaged', async () => {
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=20`);
  const texts: string[] = rows.map(({ text }: { text: string }) => text);
  // The same words in the other market are another keyword, with positions of its own.
  const lookUp = await running.api.post(`${at}/look-ups`, {
    market: BRITISH,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 400,
  });
  await running.api.finished(lookUp.job.id);
  const ids = rows.map(({ id }: { id: number }) => id);
  const view: SurfacesView = await running.api.get(
    `${at}/surfaces?market=${MARKET}&date=${DATE}&across=markets&keywords=${ids.join(',')}`,
  );
  const own = async (market: string): Promise<Map<string, number | 'absent'>> => {
    const { pages, records } = await running.witness<Witness>('/result-pages', {
      market,
      date: DATE,
      depth: 100,
      keywords: texts,
    });
    return new Map(
      pages.map(({ keyword, slots }) => {
        const held = slots.flatMap(({ kind, position, record }) =>
          kind === 'organic' && record !== null && records[record]!.parent === OWN ? [position] : [],
        );
        return [keyword, held.length > 0 ? Math.min(...held) : 'absent'];
      }),
    );
  };
  const witnesses = new Map([
    [MARKET, await own(MARKET)],
    [BRITISH, await own(BRITISH)],
  ]);
  let both = 0;
  for (const keyword of view.keywords) {
    const known = keyword.surfaces.filter(({ captured }) => captured !== null);
    for (const { market, own: position } of known)
      expect(position).toBe(witnesses.get(market)!.get(keyword.text));
    const ranked = known.flatMap(({ own: position }) => (typeof position === 'number' ? [position] : []));
    expect([keyword.known, keyword.onFront]).toEqual([
      known.length,
      ranked.filter((position) => position <= view.front).length,
    ]);
    const absent = ranked.length < known.length;
    expect(keyword.worst).toBe(known.length === 0 ? 'unknown' : absent ? 'absent' : Math.max(...ranked));
    if (known.length === 2) both++;
    expect(keyword.surfaces.every(({ surface }) => surface === 'web')).toBe(true);
  }
  expect(both).toBeGreaterThan(0);
});

import { parse } from 'csv-parse/sync';
import { DATES, type Known, SIZE, TARGETS, asCsv, makeTable, takeIn } from '../testing/knownPool';
import { Running } from '../testing/running';

interface Row extends Known {
  words: number;
}
interface Pool {
  total: number;
  all: number;
  withVolume: number;
  targets: string[];
  rows: Row[];
}

const tables = [makeTable(1), makeTable(2)];
let running: Running;
let lookUps: number[];
beforeAll(async () => {
  running = await Running.start();
  const { at } = await running.project();
  lookUps = [];
  for (const [i, table] of tables.entries())
    lookUps.push(await takeIn(running, at, `pool-${i}.csv`, asCsv(table, DATES[i]!)));
});
afterAll(() => running.stop());

async function page(query: Record<string, string | number>, which = 0): Promise<Pool> {
  const asked = new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)]));
  return running.api.get(`/look-ups/${lookUps[which]}/keywords?${asked}`);
}
async function all(query: Record<string, string | number> = {}, which = 0): Promise<Row[]> {
  const { rows, total } = await page({ limit: 500, ...query }, which);
  expect(rows).toHaveLength(total);
  return rows;
}
const plain = (row: Known): Known => ({
  text: row.text,
  volume: row.volume,
  organic: row.organic,
  paid: row.paid,
});
const textsOf = (rows: readonly { text: string }[]): string[] => rows.map(({ text }) => text);
/** Our texts have no other signs than the apostrophe that parts words. */
const key = (text: string): string => text.toLowerCase().replaceAll('’', ' ');
const wordsOf = (text: string): string[] => key(text).split(' ');

test('every keyword stands there with its positions and its volume', async () => {
  const [rows, pool] = [await all({ sort: 'keyword' }), await page({})];
  expect(pool).toMatchObject({ all: SIZE, total: SIZE, targets: expect.arrayContaining(TARGETS) });
  const order = TARGETS.map((target) => pool.targets.indexOf(target));
  const shown = rows.map((row) =>
    plain({ ...row, organic: order.map((t) => row.organic[t]!), paid: order.map((t) => row.paid[t]!) }),
  );
  const expected = tables[0]!.map(plain);
  const byText = (a: Known, b: Known): number => (key(a.text) < key(b.text) ? -1 : 1);
  // A volume that one table does not give may be known from the other: it is one market.
  const other = new Map(tables[1]!.map((row) => [row.text, row.volume]));
  expect(shown.sort(byText)).toEqual(
    expected.map((row) => ({ ...row, volume: row.volume ?? other.get(row.text) ?? null })).sort(byText),
  );
});

const best = (positions: readonly (number | null)[]): number | null => {
  const places = positions.filter((position) => position !== null);
  return places.length > 0 ? Math.min(...places) : null;
};
const FIGURES: Record<string, (row: Row) => number | null> = {
  volume: (row) => row.volume,
  words: (row) => wordsOf(row.text).length,
  best: (row) => best(row.organic),
  paid: (row) => best(row.paid),
  targets: (row) => row.organic.filter((position) => position !== null).length,
};
/** Unknown comes last both ways; equal rows stand in the order of their keys. */
function plainly(rows: readonly Row[], orders: readonly string[]): Row[] {
  const compare = (a: Row, b: Row): number => {
    for (const order of orders) {
      const descending = order.startsWith('-');
      const figure = FIGURES[order.replace('-', '')]!;
      const [x, y] = [figure(a), figure(b)];
      if (x === y) continue;
      if (x === null) return 1;
      if (y === null) return -1;
      return descending ? y - x : x - y;
    }
    return 0;
  };
  return [...rows].sort(compare);
}

test.each(
  Object.keys(FIGURES).flatMap((figure) => [
    figure,
    `-${figure}`,
    `-words,${figure}`,
    `${figure},-volume,words`,
  ]),
)('sorted by %s it stands as any sort would put it', async (sort) => {
  const orders = sort.split(',');
  const byKey = await all({ sort: 'keyword' });
  const sorted = await all({ sort });
  expect(textsOf(sorted)).toEqual(textsOf(plainly(byKey, orders)));
});

test('pages put together are the whole, whatever their size', async () => {
  const whole = textsOf(await all({ sort: '-volume' }));
  for (const limit of [1, 7, 100]) {
    const pieces: string[] = [];
    for (let offset = 0; offset < Math.min(SIZE, 40 * limit); offset += limit)
      pieces.push(...textsOf((await page({ sort: '-volume', offset, limit })).rows));
    expect(pieces).toEqual(whole.slice(0, pieces.length));
  }
  expect((await page({ offset: SIZE, limit: 10 })).rows).toEqual([]);
});

describe('filters', () => {
  test.each(['a', 'bag', 'bike b', 'l’été', 'FÜR', 'nothing of this'])(
    'part of a keyword: %s',
    async (find) => {
      const expected = tables[0]!.filter(({ text }) => key(text).includes(key(find)));
      expect(new Set(textsOf(await all({ find })))).toEqual(new Set(textsOf(expected)));
    },
  );

  test.each(['%', '_', "'", '🚲', '  '])('%j alone is as if nothing had been typed', async (find) => {
    expect(await all({ find })).toHaveLength(SIZE);
  });

  test.each([
    ['bike bag', 'phrase'],
    ['bag bike', 'all words'],
    ['bike rain', 'any word'],
    ['bag', 'phrase'],
    ['Für', 'any word'],
    ['l’été', 'all words'],
  ])('whole words: %s as %s', async (words, mode) => {
    const sought = wordsOf(words);
    const holds = ({ text }: Known): boolean => {
      const have = wordsOf(text);
      if (mode === 'phrase') return ` ${have.join(' ')} `.includes(` ${sought.join(' ')} `);
      return mode === 'all words'
        ? sought.every((word) => have.includes(word))
        : sought.some((word) => have.includes(word));
    };
    const found = await all({ words, mode });
    expect(new Set(textsOf(found))).toEqual(new Set(textsOf(tables[0]!.filter(holds))));
    expect(found.length).toBeGreaterThan(0);
  });

  test.each([0, 1, 200, 390, 1_000_000])(
    'a volume of at least %i leaves out the unknown',
    async (leastVolume) => {
      const rows = await all();
      const expected = rows.filter(({ volume }) => volume !== null && volume >= leastVolume);
      expect(new Set(textsOf(await all({ leastVolume })))).toEqual(new Set(textsOf(expected)));
    },
  );

  test('how it was found: organic, paid, and both together as either', async () => {
    const rows = await all();
    const organic = rows.filter((row) => best(row.organic) !== null);
    const paid = rows.filter((row) => best(row.paid) !== null);
    expect(new Set(textsOf(await all({ foundBy: 'organic' })))).toEqual(new Set(textsOf(organic)));
    expect(new Set(textsOf(await all({ foundBy: 'paid' })))).toEqual(new Set(textsOf(paid)));
    expect(await all({ foundBy: 'organic,paid' })).toHaveLength(SIZE);
  });

  test('filters together keep what passes each of them', async () => {
    const [one, two] = [await all({ words: 'bag', mode: 'any word' }), await all({ leastVolume: 100 })];
    const both = await all({ words: 'bag', mode: 'any word', leastVolume: 100, sort: 'keyword' });
    const inTwo = new Set(textsOf(two));
    expect(new Set(textsOf(both))).toEqual(new Set(textsOf(one).filter((text) => inTwo.has(text))));
  });
});

test('what came, went and moved between two look-ups is what the tables say', async () => {
  const change: {
    came: number;
    went: number;
    stayed: number;
    rows: { text: string; change: string; before: number | null; after: number | null }[];
  } = await running.api.get(`/look-ups/${lookUps[1]}/change?against=${lookUps[0]}`);
  const [before, after] = tables.map((table) => new Map(table.map((row) => [row.text, best(row.organic)])));
  const came = [...after!.keys()].filter((text) => !before!.has(text));
  const went = [...before!.keys()].filter((text) => !after!.has(text));
  const stayed = [...after!.keys()].filter((text) => before!.has(text));
  expect(change).toMatchObject({ came: came.length, went: went.length, stayed: stayed.length });
  const shown = (kind: string) => change.rows.filter((row) => row.change === kind);
  for (const row of shown('came')) {
    expect(came).toContain(row.text);
    expect([row.before, row.after]).toEqual([null, after!.get(row.text)]);
  }
  for (const row of shown('went')) {
    expect(went).toContain(row.text);
    expect([row.before, row.after]).toEqual([before!.get(row.text), null]);
  }
  const moved = stayed.filter((text) => before!.get(text) !== after!.get(text));
  for (const row of shown('moved')) {
    expect(moved).toContain(row.text);
    expect([row.before, row.after]).toEqual([before!.get(row.text), after!.get(row.text)]);
  }
  expect(shown('came').length).toBeGreaterThan(0);
  expect(shown('moved').length).toBeGreaterThan(0);
});

test('an export holds the rows of the view in their order, and all of them when asked', async () => {
  const get = async (query: string): Promise<string[][]> => {
    const response = await fetch(
      `${running.server.url}/api/look-ups/${lookUps[0]}/keywords.file?format=csv&${query}`,
    );
    expect(response.headers.get('content-disposition')).toContain('attachment');
    return parse(await response.text(), { bom: true }) as string[][];
  };
  const [heads, ...rows] = await get('words=bag&mode=any+word&sort=-volume');
  const view = await all({ words: 'bag', mode: 'any word', sort: '-volume' });
  expect(heads![0]).toBe('keyword');
  expect(rows.map((row) => row[0])).toEqual(textsOf(view));
  const volume = heads!.findIndex((head) => head.startsWith('volume'));
  expect(rows.map((row) => row[volume])).toEqual(view.map((row) => String(row.volume ?? '')));
  const [, ...every] = await get('words=bag&mode=any+word&rows=all');
  expect(every).toHaveLength(SIZE);
});

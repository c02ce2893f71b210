import { key } from '@opsimath/core/text/key';
import { DATE, OWN, Running } from '../testing/running';

const MARKETS = ['web-us-en', 'web-gb-en'];
const FRONT = 10;

let running: Running;
beforeAll(async () => {
  running = await Running.start();
});
afterAll(() => running.stop());

interface Answer {
  markets: { code: string; keywords: number; inFront: number; worst: number | null }[];
  total: number;
  rows: {
    text: string;
    positions: (number | string)[];
    inFront: number;
    worst: number;
    volume: number | null;
  }[];
}

async function marketsOf(at: string, date = DATE): Promise<Answer> {
  const targets = await running.api.get(`${at}/targets`);
  const own = targets.find(({ address }: { address: string }) => address === OWN);
  return running.api.get(`${at}/targets/${own.id}/markets?date=${date}`);
}

/** Best organic position of the site for each keyword, from the services. */
async function bestPositions(market: string): Promise<Map<string, number>> {
  const best = new Map<string, number>();
  let cursor = '';
  do {
    const query = new URLSearchParams({ market, date: DATE, target: OWN, ...(cursor ? { cursor } : {}) });
    const answer = await running.witness<{
      rows: { keyword: string; organic: number | null }[];
      cursor: string | null;
    }>(`/rankings?${query}`);
    for (const { keyword, organic } of answer.rows)
      if (organic !== null) best.set(key(keyword), Math.min(best.get(key(keyword)) ?? Infinity, organic));
    cursor = answer.cursor ?? '';
  } while (cursor !== '');
  return best;
}

test('before any look-up every market of the surface is named, and nothing is claimed of it', async () => {
  const { at } = await running.project();
  const { markets, total, rows } = await marketsOf(at);
  expect(markets.map(({ code }) => code)).toEqual(expect.arrayContaining([...MARKETS, 'web-de-de']));
  expect(markets.every(({ code }) => code.startsWith('web-'))).toBe(true);
  expect(markets.every(({ keywords, worst }) => keywords === 0 && worst === null)).toBe(true);
  expect({ total, rows }).toEqual({ total: 0, rows: [] });
});

test('positions stand side by side as the services give them; a market nobody looked in is unknown', async () => {
  const { at } = await running.project();
  for (const market of MARKETS) {
    const started = await running.api.post(`${at}/look-ups`, {
      market,
      date: DATE,
      targets: [OWN],
      extent: 'metrics',
      want: 'organic',
    });
    await running.api.finished(started.job.id);
  }
  const answer = await marketsOf(at);
  const best = await Promise.all(MARKETS.map(bestPositions));
  const column = (code: string): number => answer.markets.findIndex((market) => market.code === code);
  for (const [m, code] of MARKETS.entries()) {
    const positions = [...best[m]!.values()];
    expect(answer.markets[column(code)]).toMatchObject({
      keywords: positions.length,
      inFront: positions.filter((position) => position <= FRONT).length,
      worst: Math.max(...positions),
    });
  }
  expect(answer.total).toBe(new Set(best.flatMap((positions) => [...positions.keys()])).size);
  for (const row of answer.rows) {
    const expected = MARKETS.map((_, m) => best[m]!.get(key(row.text)) ?? 'unknown');
    expect(MARKETS.map((code) => row.positions[column(code)])).toEqual(expected);
    expect(row.positions[column('web-de-de')]).toBe('unknown');
    const known = expected.filter((position): position is number => typeof position === 'number');
    expect(row.worst).toBe(Math.max(...known));
    expect(row.inFront).toBe(known.filter((position) => position <= FRONT).length);
  }
  const volumes = answer.rows.map(({ volume }) => volume ?? -1);
  expect(volumes).toEqual([...volumes].sort((a, b) => b - a));
});

test('facts of a later day are not seen on an earlier one', async () => {
  const { at } = await running.project();
  const { markets } = await marketsOf(at, '2020-01-01');
  expect(markets.every(({ keywords }) => keywords === 0)).toBe(true);
});

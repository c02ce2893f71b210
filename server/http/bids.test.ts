import type { GapPage } from '@opsimath/contract/api/gaps';
import type { BidRow, Bids } from '@opsimath/contract/api/bids';
import { DATE, MARKET, Running } from '../testing/running';

let running: Running;
let at: string;

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 40);
});
afterAll(() => running.stop());

const bids = (date = DATE): Promise<Bids> => running.api.get(`${at}/bids?market=${MARKET}&date=${date}`);
interface Slot {
  position: number;
  cost: number;
}
const auction = async (keyword: string, date: string): Promise<Slot[]> =>
  (
    await running.witness<{ slots: Slot[] }>(
      `/auctions?market=${MARKET}&date=${date}&keyword=${encodeURIComponent(keyword)}`,
    )
  ).slots;
const days = (count: number): string[] =>
  Array.from({ length: count }, (_, n) =>
    new Date(Date.parse(DATE) - n * 86_400_000).toISOString().slice(0, 10),
  );

test('never asked, nothing is said; asked, every keyword of the campaigns is there as it stands in them', async () => {
  expect(await bids()).toMatchObject({ date: null, rows: [] });
  const { kept } = await running.api.post(`${at}/own-bids`, { market: MARKET });
  const { campaigns } = await running.witness<{
    campaigns: {
      name: string;
      keywords: { keyword: string; match: string; bid: number; landing: string }[];
    }[];
  }>(`/own/campaigns?market=${MARKET}`);
  const witnessed = campaigns.flatMap(({ name, keywords }) =>
    keywords.map(({ keyword, match, bid, landing }) => [name, keyword, match, bid, landing].join('|')),
  );
  expect(kept).toBe(witnessed.length);
  const { rows } = await bids();
  expect(
    rows.map((row) => [row.campaign, row.text, row.match, row.bid, row.landing].join('|')).sort(),
  ).toEqual([...new Set(witnessed)].sort());
  for (const row of rows) expect(row.guide).toBeNull();
});

test('auctions are priced, observed once, and their lowest bids make the guide', async () => {
  const exact = (await bids()).rows.find(({ match }) => match === 'exact')!;
  const request = { market: MARKET, date: DATE, days: 5, keywords: [exact.id] };
  expect(await running.api.post(`${at}/auctions/price`, request)).toEqual({ asked: 5, held: 0, units: 5 });
  const before = await running.witness<{ spent: number }>('/allowance');
  const job = await running.api.post(`${at}/auctions`, request);
  await running.api.finished(job.id);
  const after = await running.witness<{ spent: number }>('/allowance');
  expect(after.spent - before.spent).toBe(5);
  expect(await running.api.post(`${at}/auctions/price`, { ...request, days: 6 })).toEqual({
    asked: 6,
    held: 5,
    units: 1,
  });
  const lowest: number[] = [];
  for (const day of days(5)) {
    const slots = await auction(exact.text, day);
    if (slots.length > 0) lowest.push(Math.min(...slots.map(({ cost }) => cost)));
  }
  lowest.sort((a, b) => a - b);
  const held = (await bids()).rows.find(({ id, match }) => id === exact.id && match === 'exact')!;
  expect(lowest.length).toBeGreaterThan(0);
  const half = lowest.length >> 1;
  expect(held.guide).toMatchObject({
    days: lowest.length,
    keywords: 1,
    middle: lowest.length % 2 ? lowest[half] : (lowest[half - 1]! + lowest[half]!) / 2,
  });
  // The same guide is a figure of the keyword in Gaps: there it sorts and cuts, and stays unknown for all others.
  const gaps = (more: string): Promise<GapPage> =>
    running.api.get(`${at}/gaps?market=${MARKET}&date=${DATE}&limit=500${more}`);
  const { rows, total } = await gaps('&sort=-bid guide');
  expect(rows[0]).toMatchObject({
    id: exact.id,
    figures: { 'bid guide': held.guide!.middle, 'bid from': held.guide!.low, 'bid to': held.guide!.high },
  });
  expect(rows[1]!.figures['bid guide']).toBeNull();
  const cut = await gaps(`&limits=${encodeURIComponent(`bid guide:${held.guide!.middle}..`)}`);
  expect(cut.rows.map(({ id }) => id)).toEqual([exact.id]);
  expect(total).toBeGreaterThan(1);
});

test('what was never shown is explained by the first reason that holds; what was shown is not', async () => {
  const { rows } = await bids();
  const some = rows.find(({ covered }) => covered === true)!;
  const terms = [
    'Date,Search term,Keyword,Match type,Landing page,Impressions,Clicks,Cost,Conversions,Conversion value',
    `2026-03-10,${some.text},${some.text},exact,https://${some.landing},900,30,12,1,50`,
  ];
  await running.bringIn(at, 'terms.csv', 'ad terms', terms.join('\n'));
  const told = (await bids()).rows;
  const reason = (row: BidRow): string => {
    if (row.covered === false) return 'words missing';
    if (row.guide !== null && row.bid < row.guide.low) return 'bid too low';
    return row.volume === 0 ? 'no demand' : 'unexplained';
  };
  for (const row of told) expect(row.unseen).toBe(row.impressions > 0 ? null : reason(row));
  expect(told.filter(({ id }) => id === some.id).map(({ impressions }) => impressions)).toContain(900);
});

test.each([
  [{ market: 'nowhere', date: DATE, keywords: [1] }, /no market/],
  [{ market: MARKET, date: DATE, keywords: [] }, /not as expected/],
  [{ market: MARKET, date: DATE, days: 91, keywords: [1] }, /not as expected/],
])('auctions of %j are refused', async (body, why) => {
  await expect(running.api.post(`${at}/auctions/price`, body)).rejects.toThrow(why);
});

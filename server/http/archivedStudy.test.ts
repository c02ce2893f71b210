import { BEFORE, DATE, MARKET, OWN, Running } from '../testing/running';

let here: Running;
let there: Running;

beforeAll(async () => {
  here = await Running.start();
  there = await Running.start();
});
afterAll(async () => {
  await here.stop();
  await there.stop();
});

const PICTURE =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
interface Row {
  id: number;
  text: string;
  captureDate: string | null;
}

test('an archive carries ticks, entries by hand, pictures, own bids and auctions to another installation', async () => {
  const { at, id } = await here.project();
  await here.compared(at, 60);
  await here.bringIn(
    at,
    'own.csv',
    'performance',
    `Date,Query,Page,Clicks,Impressions,Average position\n2026-03-10,bike bag,https://${OWN}/a,3,90,4`,
  );
  const { rows }: { rows: Row[] } = await here.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=20`);
  const { id: keyword, text } = rows.find(({ captureDate }) => captureDate !== null)!;
  const study = await here.api.post(`${at}/keywords/${keyword}/study/records`, {
    market: MARKET,
    date: DATE,
  });
  const [first] = study.results;
  const reading = { address: first.address, about: 'opening', traits: ['the want', 'the help'] };
  await here.api.put(`${at}/readings`, reading);
  const own = (await here.api.get(`${at}/targets`)).find(({ side }: { side: string }) => side === 'own');
  await here.api.post(`${at}/keywords/${keyword}/hand`, {
    target: own.id,
    date: '2026-03-12',
    organic: 9,
    paid: 2,
    person: 'Ana',
  });
  await here.api.post(`${at}/notes`, {
    subject: { on: 'keyword', keyword },
    text: 'seen so',
    picture: PICTURE,
  });
  await here.api.post(`${at}/own-bids`, { market: MARKET });
  const bids = (await here.api.get(`${at}/bids?market=${MARKET}&date=${DATE}`)).rows;
  const observed = bids.slice(0, 3).map((bid: { id: number }) => bid.id);
  const job = await here.api.post(`${at}/auctions`, {
    market: MARKET,
    date: DATE,
    days: 3,
    keywords: observed,
  });
  await here.api.finished(job.id);

  const archive = await fetch(`${here.server.url}/api/projects/${id}/archive`);
  // There other keywords and places have come before: every id is another.
  await there.api.get('/markets');
  const other = await there.project();
  await there.compared(other.at, 5);
  const brought = await there.api.upload('/archives', Buffer.from(await archive.arrayBuffer()));
  await there.api.finished(brought.job.id);
  const to = `/projects/${brought.project.id}`;
  const found: Row = (await there.api.get(`${to}/gaps?${SCOPE}&sort=-volume&limit=100`)).rows.find(
    (row: Row) => row.text === text,
  );
  const again = await there.api.get(`${to}/keywords/${found.id}/study?${SCOPE}`);
  expect(again.results[0]).toMatchObject({
    address: first.address,
    picture: first.picture,
    read: { opening: ['the want', 'the help'], picture: null },
  });
  expect(await there.api.get(`${to}/keywords/${found.id}/hand`)).toMatchObject([
    { name: own.name, date: '2026-03-12', organic: 9, paid: 2, person: 'Ana' },
  ]);
  const [note] = await there.api.get(`${to}/notes`);
  expect(note).toMatchObject({ text: 'seen so', picture: true, about: text });
  const picture = await fetch(`${there.server.url}/api${to}/notes/${note.id}/picture`);
  expect(Buffer.from(await picture.arrayBuffer()).toString('base64')).toBe(PICTURE.split(',')[1]);
  const without = (rows: { id: number }[]) => rows.map(({ id: _, ...row }) => row);
  const now = (await here.api.get(`${at}/bids?market=${MARKET}&date=${DATE}`)).rows;
  const then = (await there.api.get(`${to}/bids?market=${MARKET}&date=${DATE}`)).rows;
  expect(without(then)).toEqual(without(now));
  expect(now.some(({ guide }: { guide: object | null }) => guide !== null)).toBe(true);
});

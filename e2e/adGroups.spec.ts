import { readFileSync } from 'node:fs';
import type { AdGroup } from '@opsimath/contract/api/adGroups';
import type { PublishedChange } from '@opsimath/contract/api/drafts';
import { DATE, MARKET, SCOPE, expect, test } from './running';

let address = '';
let at = '';
let keywords: { id: number; text: string }[] = [];

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 60);
  address = `${running.server.url}/p/${project.id}/drafts?${SCOPE}`;
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&limit=4&sort=-demand`);
  keywords = (rows as { id: number; text: string }[]).map(({ id, text }) => ({ id, text }));
  const observed = await running.api.post(`${at}/auctions`, {
    market: MARKET,
    date: DATE,
    days: 5,
    keywords: keywords.map(({ id }) => id),
  });
  await running.api.finished(observed.id);
});

test('an ad group from its keywords to a file: a budget is split, a bid typed, a term left out', async ({
  page,
  running,
}) => {
  await running.api.post(`${at}/lists`, {
    name: 'To bid on',
    market: MARKET,
    keywords: keywords.map(({ id }) => id),
  });
  await page.goto(address);
  await page.getByLabel('Kind', { exact: true }).click();
  await page.getByTitle('ad group', { exact: true }).click();
  await page.getByLabel('Keywords', { exact: true }).click();
  await page.getByTitle('To bid on', { exact: true }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  const bids = page.getByRole('table', { name: 'Bids' });
  await expect(bids.getByRole('row')).toHaveCount(keywords.length + 1);

  // A budget is split; the split is taken over as bids, each can be typed otherwise.
  await page.getByLabel('Budget a day').fill('50');
  await page.getByLabel('Budget a day').press('Tab');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of 50 USD a day would bring about');
  await page.getByRole('button', { name: 'Take the split' }).click();
  const id = Number(new URL(page.url()).searchParams.get('draft'));
  const group: AdGroup = await running.api.get(`${at}/drafts/${id}/bids?date=${DATE}&budget=50`);
  const given = group.keywords.find(({ allotted }) => allotted !== null)!;
  const text = keywords.find((keyword) => keyword.id === given.id)!.text;
  await expect(page.getByLabel(`Bid on ${text}, exact`)).toHaveValue(given.allotted!.bid.toFixed(2));
  await page.getByLabel(`Bid on ${keywords[0]!.text}, exact`).fill('0.42');
  await page.getByLabel('Negatives, one a line').fill('free pattern');
  await expect(page.getByRole('status')).toHaveText('kept');

  await page.getByRole('button', { name: 'Export' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV' }).click();
  const csv = readFileSync((await (await download).path())!, 'utf8');
  const lines = csv.trim().split(/\r?\n/);
  expect(lines[0]).toContain('keyword,match type,bid (USD a click),negative,landing page');
  expect(lines.find((line) => line.includes(`${keywords[0]!.text},exact,`))).toContain(',0.42,no,');
  expect(lines.some((line) => line.includes(',free pattern,phrase,,yes,'))).toBe(true);
});

test('what was done without a draft is noted with the keywords of the tray, read, and removed', async ({
  page,
  running,
}) => {
  await page.goto(`${address}&view=published`);
  await page.getByLabel('Address that was changed').fill('tarnwick.example/range/priced');
  await page.getByLabel('What was done').fill('59 to 54');
  await page.getByRole('button', { name: 'Note it' }).click();
  const row = page.getByRole('row', { name: /tarnwick\.example\/range\/priced/ });
  await expect(row).toContainText('price, by hand');
  await expect(row).toContainText('59 to 54');
  const [change]: PublishedChange[] = await running.api.get(`${at}/published?market=${MARKET}`);
  expect(change).toMatchObject({ kind: 'price', note: '59 to 54', keywords: [] });
  await row.getByRole('button', { name: 'Remove' }).click();
  await expect(row).toBeHidden();
});

test('several keywords as one page go into the round as one piece of work; its target is planned', async ({
  page,
  running,
}) => {
  await running.api.post(`${at}/rounds`, {
    name: 'Spring',
    starts: DATE,
    ends: '2026-03-27',
    most: 5,
    people: [{ name: 'Ada', days: 10 }],
  });
  const { queue } = await running.api.get(`${at}/rounds?${SCOPE}&limit=500`);
  const fresh = (queue.lines as { action: string; lead: { id: number; text: string } }[])
    .filter(({ action }) => action === 'new page')
    .slice(0, 2);
  expect(fresh).toHaveLength(2);
  for (const { lead } of fresh) {
    await page.goto(`${address.replace('/drafts?', '/gaps?')}&find=${encodeURIComponent(lead.text)}`);
    await page.getByRole('checkbox', { name: `${lead.text} in the tray`, exact: true }).click();
  }
  await page.getByRole('button', { name: 'As one page' }).click();
  await expect(page.getByText(/^One piece of work went into Spring/)).toBeVisible();
  const { rounds } = await running.api.get(`${at}/rounds?${SCOPE}`);
  expect(rounds[0].tasks).toHaveLength(1);
  const served = (rounds[0].tasks[0].keywords as { id: number }[]).map(({ id }) => id);
  expect(served).toEqual(expect.arrayContaining(fresh.map(({ lead }) => lead.id)));
  await page.goto(`${address.replace('/drafts?', '/rounds?')}&view=answering`);
  await expect(page.getByRole('complementary', { name: 'What is not settled' })).toContainText(
    rounds[0].tasks[0].title,
  );
});

import AxeBuilder from '@axe-core/playwright';
import { expect, test as base } from '@playwright/test';
import type { GapPage } from '@opsimath/contract/api/gaps';
import type { WatchView } from '@opsimath/contract/api/watch';
import { DATE, MARKET, Running } from '../server/testing/running';

/** Services of its own: their clock goes on. */
const test = base.extend<object, { running: Running }>({
  running: [
    async ({}, use) => {
      const running = await Running.start(['--source-retries', '4']);
      await use(running);
      await running.stop();
    },
    { scope: 'worker', timeout: 900_000 },
  ],
});

let at = '';
let address = '';
let target = '';
let aimed: { id: number; text: string } = { id: 0, text: '' };

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  address = `${running.server.url}/p/${project.id}`;
  await running.compared(at, 50);
  const { rows }: GapPage = await running.api.get(
    `${at}/gaps?market=${MARKET}&date=${DATE}&limit=200&sort=-demand`,
  );
  const held = rows.filter(({ own, ownAddress }) => typeof own === 'number' && ownAddress?.includes('/'));
  const [first] = held.filter(({ own }) => Number(own) > 8);
  target = first!.ownAddress!;
  aimed = { id: first!.id, text: first!.text };
  await running.api.post(`${at}/tracked`, { keywords: held.slice(0, 20).map(({ id }) => id) });
});

const today = async (running: Running): Promise<string> =>
  (await running.witness<{ today: string }>('/clock')).today;
const watched = (running: Running, date: string): Promise<WatchView> =>
  running.api.get(`${at}/watch?market=${MARKET}&date=${date}`);
const scope = (date: string): string => `market=${MARKET}&date=${date}&compare=none`;

/** A day goes by; what is planned is done. */
async function nextDay(running: Running): Promise<string> {
  await running.witness('/clock/advance', { days: 1 });
  const { started } = await running.api.put(`${at}/watch/plan`, {
    market: MARKET,
    weekdays: [1, 2, 3, 4, 5, 6, 7],
  });
  for (const job of started) await running.api.finished(job);
  return today(running);
}

test('followed by itself from a day on, published, looked at again, and its effect told', async ({
  page,
  running,
}) => {
  // The price stands there before it is switched on.
  await page.goto(`${address}/watch?${scope(DATE)}`);
  await page.getByRole('button', { name: 'captures not scheduled' }).click();
  const days = page.getByRole('group', { name: 'Days of captures' });
  await expect(page.getByText('0 units a month')).toBeVisible();
  await page.getByRole('button', { name: 'every day' }).click();
  await expect(days.getByRole('checkbox', { checked: true })).toHaveCount(7);
  await expect(page.getByText(/^609 units a month/)).toBeVisible();
  await page.getByRole('button', { name: 'Capture on these days' }).click();
  await expect(page.getByRole('button', { name: /^captured every day, 609 units a month/ })).toBeVisible();
  for (let day = 0; day < 4; day++) await nextDay(running);

  // A change is published from its draft.
  const before = await today(running);
  const { id } = await running.api.post(`${at}/drafts`, {
    market: MARKET,
    date: before,
    kind: 'page',
    name: 'Followed',
    address: target,
    keywords: [aimed.id],
  });
  await page.goto(`${address}/drafts?${scope(before)}&draft=${id}`);
  await page.getByRole('textbox', { name: 'title', exact: true }).fill(`${aimed.text} | Tarnwick`);
  await expect(page.getByRole('status')).toHaveText('kept');
  await page.getByRole('button', { name: 'Publish…' }).click();
  await page.getByRole('button', { name: 'Publish it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('1 change was published');

  // Looked at at once: not shown yet, and too early.
  await page.goto(`${address}/watch?${scope(before)}`);
  const row = page.getByRole('row', { name: new RegExp(`^${aimed.text} edit`) });
  await expect(row).toContainText('too early to tell');
  await row.getByRole('button', { name: 'look now' }).click();
  const fresh = page.getByRole('table', { name: 'Fresh look' });
  await expect(fresh).toContainText('not yet');
  await expect(fresh).toContainText(/until \d/);

  // Days go by; search shows it, and what it did can be told.
  let date = before;
  for (let day = 0; day < 9; day++) date = await nextDay(running);
  await page.goto(`${address}/watch?${scope(date)}`);
  await expect(row).toContainText(/clicks a month/);
  await expect(row.getByRole('img', { name: /clicks a month: .*95 % between/ })).toBeVisible();
  await row.getByRole('button', { name: 'look now' }).click();
  await expect(fresh).toContainText('yes');
  await page.getByText('Changes', { exact: true }).click();
  await page.getByRole('button', { name: aimed.text, expanded: false }).click();
  await expect(page.getByText(/^Effect on the score/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Before and after' })).toContainText(aimed.text);
  const view = await watched(running, date);
  await page.getByText('In total', { exact: true }).click();
  await page.getByRole('button', { name: 'The days as a table' }).click();
  await expect(page.getByRole('table', { name: 'Days' }).getByRole('row')).toHaveCount(view.days.length + 1);
});

test('captures are switched off and on again by undo; alerts have a feed; all of it can be read', async ({
  page,
  running,
}) => {
  const date = await today(running);
  await page.goto(`${address}/watch?${scope(date)}`);
  await page.getByRole('button', { name: /^captured every day/ }).click();
  await page.getByRole('button', { name: 'never' }).click();
  await page.getByRole('button', { name: 'Switch it off' }).click();
  await expect(page.getByRole('button', { name: 'captures not scheduled' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^captured every day/ })).toBeVisible();
  for (const view of ['', 'changes', 'total', 'alerts']) {
    await page.goto(`${address}/watch?${scope(date)}&view=${view}`);
    await page.waitForLoadState('networkidle');
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(violations.map(({ id, nodes }) => [view, id, nodes[0]?.html])).toEqual([]);
  }
  await page.getByRole('button', { name: 'Open a feed' }).click();
  const feed = page.locator('.feed-address');
  await expect(feed).toContainText('/api/feeds?key=');
  const old = await feed.innerText();
  expect((await fetch(old)).status).toBe(200);
  await page.getByRole('button', { name: 'Another address' }).click();
  await expect(feed).not.toHaveText(old);
  expect((await fetch(old)).status).toBe(404);
});

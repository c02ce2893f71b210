import type { Page } from '@playwright/test';
import { DATE, MARKET, OWN, RIVALS, expect, test } from './running';

/** What a person gave is kept: over a reload, a lost connection, another window. */
let at = '';
let root = '';
let lookUp = 0;
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  root = `${running.server.url}/p/${project.id}`;
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'metrics',
  });
  await running.api.finished(started.job.id);
  lookUp = started.id;
});

const sift = (more = ''): string =>
  `${root}/sift?market=${MARKET}&date=${DATE}&compare=none&lookUp=${lookUp}${more}`;

/** How many keywords are judged, as the server has it. */
async function judged(running: {
  api: { post: (path: string, body: object) => Promise<unknown> };
}): Promise<number> {
  const answer = (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [] })) as {
    judged: { fit: number; adjacent: number; off: number };
  };
  return answer.judged.fit + answer.judged.adjacent + answer.judged.off;
}

/** Goes to the end of the table and waits until its last two rows are there; gives them. */
async function lastRows(
  page: Page,
  running: { api: { post: (path: string, body: object) => Promise<unknown> } },
): Promise<{ id: number; text: string }[]> {
  await page.keyboard.press('End');
  const ask = async (body: object) =>
    (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [], ...body })) as {
      total: number;
      rows: { id: number; text: string }[];
    };
  const { total } = await ask({ limit: 1 });
  const { rows } = await ask({ offset: total - 2, limit: 2 });
  const grid = page.getByRole('grid', { name: 'Sifted' });
  for (const { text } of rows)
    await expect(grid.getByRole('row').filter({ hasText: text }).first()).toBeVisible();
  return rows;
}

test('verdicts given in a rush are all there after a reload in the middle', async ({ page, running }) => {
  await page.goto(sift('&view=desk'));
  await expect(page.getByRole('region', { name: 'Desk' })).toBeVisible();
  await expect(page.locator('.desk-side')).toBeVisible();
  const before = await judged(running);
  for (let n = 0; n < 20; n++) await page.keyboard.press(n % 2 === 0 ? 'f' : 'o');
  await page.reload();
  await expect.poll(() => judged(running)).toBe(before + 20);
});

test('without a connection verdicts wait, say so, outlive a reload and are sent in their order', async ({
  page,
  running,
  context,
}) => {
  await page.goto(sift());
  const grid = page.getByRole('grid', { name: 'Sifted' });
  await expect(grid.getByRole('row').nth(2)).toBeVisible();
  const before = await judged(running);
  await page.route('**/verdicts/steps', (route) => route.abort());
  await grid.focus();
  await lastRows(page, running);
  for (const key of ['f', 'ArrowUp', 'f', 'o', 'a']) await page.keyboard.press(key);
  await expect(page.getByRole('status').filter({ hasText: 'kept in this browser' })).toContainText(
    '4 verdicts',
  );
  expect(await judged(running)).toBe(before);
  // Another page of the same browser finds them and sends them.
  await page.close();
  const again = await context.newPage();
  await again.goto(sift());
  await expect.poll(() => judged(running)).toBe(before + 2);
  const counts = (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [] })).judged;
  expect(counts.adjacent).toBe(1);
});

test('z takes back the verdict given last, also the one that is still on its way', async ({
  page,
  running,
}) => {
  await page.goto(sift('&view=desk'));
  await expect(page.locator('.desk-side')).toBeVisible();
  const before = await judged(running);
  const first = await page.locator('.desk-keyword h2').textContent();
  await page.keyboard.press('f');
  await expect(page.locator('.desk-keyword h2')).not.toHaveText(first!);
  await page.keyboard.press('o');
  await page.keyboard.press('z');
  await page.keyboard.press('z');
  await expect(page.locator('.desk-keyword h2')).toHaveText(first!);
  await expect.poll(() => judged(running)).toBe(before);
});

test('what was done is taken back after a reload: a list, a recipe, a verdict', async ({ page, running }) => {
  await page.goto(sift());
  const grid = page.getByRole('grid', { name: 'Sifted' });
  await expect(grid.getByRole('row').nth(2)).toBeVisible();
  await grid.focus();
  await page.keyboard.press('Home');
  const before = await judged(running);
  await page.keyboard.press('u');
  await page.keyboard.press('f');
  await page.getByRole('button', { name: 'Keep as list' }).click();
  await page.getByLabel('Name of the list').fill('Kept for a moment');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const lists = async () =>
    ((await running.api.get(`${at}/lists`)) as { name: string }[]).map(({ name }) => name);
  await expect.poll(lists).toContain('Kept for a moment');
  await expect(page.getByLabel('Name of the list')).toHaveValue('');
  await page.reload();
  await expect(grid.getByRole('row').nth(2)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(lists).not.toContain('Kept for a moment');
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => judged(running)).toBe(before);
  for (let n = 0; n < 3; n++) await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(lists).toContain('Kept for a moment');
});

test('two windows change one recipe: both changes stand, and each hears of the other', async ({
  page,
  running,
  context,
}) => {
  const recipe = await running.api.post(`${at}/recipes`, { name: 'Of two' });
  const address = sift(`&recipe=${recipe.id}`);
  const other = await context.newPage();
  await Promise.all([page.goto(address), other.goto(address)]);
  const name = (of: Page) => of.getByLabel('Name of the recipe');
  await expect(name(page)).toHaveValue('Of two');
  await expect(name(other)).toHaveValue('Of two');
  await other.getByRole('button', { name: 'Add a sieve' }).click();
  await other.getByRole('menuitem', { name: 'word count', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Sieve 1' })).toBeVisible();
  await name(page).fill('Of both');
  await name(page).press('Enter');
  await expect(name(other)).toHaveValue('Of both');
  const [held] = (
    (await running.api.get(`${at}/recipes`)) as { id: number; name: string; steps: object[] }[]
  ).filter(({ id }) => id === recipe.id);
  expect(held).toMatchObject({ name: 'Of both', steps: [{ sieve: { figure: 'word count' } }] });
});

test('a verdict given elsewhere is seen in an open table, far below the first hundred rows', async ({
  page,
  running,
}) => {
  await page.goto(sift());
  const grid = page.getByRole('grid', { name: 'Sifted' });
  await expect(grid.getByRole('row').nth(2)).toBeVisible();
  await grid.focus();
  const rows = await lastRows(page, running);
  const row = grid.getByRole('row').filter({ hasText: rows[0]!.text }).first();
  await expect(row).toBeVisible();
  await running.api.post(`${at}/verdicts`, {
    changes: [{ keyword: rows[0]!.id, verdict: 'off' }],
    person: 'Ben',
  });
  await expect(row).toContainText('off');
});

test('a list of keywords keeps the order given; what repeats or has no figures is named', async ({
  page,
  running,
}) => {
  const { rows } = await running.api.get(`/look-ups/${lookUp}/keywords?sort=-volume&limit=3`);
  const [most, , third] = (rows as { text: string }[]).map(({ text }) => text);
  const { id, job } = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    keywords: [third, 'zzyx nobody types this', most, third, '???'],
    extent: 'metrics',
  });
  await running.api.finished(job.id);
  await page.goto(`${root}/look-up?market=${MARKET}&date=${DATE}&lookUp=${id}`);
  const grid = page.getByRole('grid', { name: 'Pool' });
  const shown = grid.getByRole('row').getByRole('gridcell').filter({ hasText: /\S/ });
  await expect(shown.first()).toBeVisible();
  for (const [n, text] of [third, 'zzyx nobody types this', most].entries())
    await expect(grid.getByRole('row').nth(n + 1)).toContainText(text!);
  const head = page.locator('.pool-title');
  await expect(head).toContainText(`1 line repeats one above it (“${third}”)`);
  await expect(head).toContainText('1 line holds no letter or number (“???”)');
  await expect(head).toContainText('1 line has no figures (“zzyx nobody types this”)');
  await grid.getByRole('columnheader', { name: 'Volume' }).click();
  await page.getByRole('button', { name: 'In the order given' }).click();
  await expect(grid.getByRole('row').nth(1)).toContainText(third!);
});

test('a file of another country says so before it is taken in', async ({ page }) => {
  await page.goto(`${root}/roster?market=${MARKET}&date=${DATE}`);
  await page.getByRole('button', { name: 'Files', exact: true }).click();
  const csv = 'Query,Date,Country,Clicks,Impressions\nrain cover,2026-03-01,deu,1,10\n';
  await page
    .getByLabel('Table file')
    .setInputFiles({ name: 'elsewhere.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('Taken in for the market')).toContainText('United States');
  await expect(page.getByRole('alert')).toContainText('Its rows speak of country DE');
  const take = page.getByRole('button', { name: 'Take in' });
  await expect(take).toBeDisabled();
  await page.getByRole('checkbox', { name: /all the same/ }).check();
  await take.click();
  await expect(page.getByText('1 of 1 row kept')).toBeVisible();
});

test('the console stays silent', async ({ page }) => {
  const said: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'warning' || message.type() === 'error') said.push(message.text());
  });
  for (const stage of ['roster', 'look-up', 'sift', 'gaps', 'report']) {
    await page.goto(`${root}/${stage}?market=${MARKET}&date=${DATE}&compare=none`);
    await expect(page.locator('#stage')).not.toBeEmpty();
  }
  expect(said).toEqual([]);
});

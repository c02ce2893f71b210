import { BEFORE, DATE, MARKET, OWN, RIVALS, expect, test } from './running';

let address = '';
let at = '';
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  const lookUp = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    compareDate: BEFORE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 60,
  });
  await running.api.finished(lookUp.job.id);
  address = `${running.server.url}/p/${project.id}`;
});

test('a note written by keyboard on a keyword is signed, found from anywhere, taken away and brought back', async ({
  page,
}) => {
  await page.goto(`${address}/gaps`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText(/\w/);
  await grid.focus();
  await page.keyboard.press('Enter');
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  const notes = dossier.getByRole('list', { name: 'Notes' }).getByRole('listitem');
  const keyword = await dossier.getByRole('heading', { level: 1 }).textContent();
  await dossier.getByLabel('New note').fill('Needs a picture of the buckle 🚲');
  await dossier.getByLabel('Signed by').fill('Ines');
  await dossier.getByLabel('New note').focus();
  await page.keyboard.press('Control+Enter');
  await expect(notes).toContainText('Needs a picture of the buckle 🚲 Ines');
  await expect(dossier.getByLabel('New note')).toHaveValue('');

  await page.goto(`${address}/roster`);
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('buckle');
  await expect(page.getByRole('option', { name: /Needs a picture/ })).toContainText(keyword!);
  await page.keyboard.press('Enter');
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(keyword!);
  await dossier.getByRole('button', { name: 'remove' }).click();
  await expect(notes).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(notes).toContainText('Needs a picture of the buckle 🚲 Ines');
});

test('a slot of a captured page and a word not to use can be noted on', async ({ page, running }) => {
  await running.api.post(`${at}/banned-words`, { text: 'guaranteed', level: 'doubtful', reason: 'a claim' });
  await page.goto(`${address}/gaps`);
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  await page.keyboard.press('Enter');
  const mark = page.getByRole('button', { name: /^Notes on slot/ }).first();
  await mark.scrollIntoViewIfNeeded();
  await mark.click();
  await page.getByRole('tooltip').getByLabel('New note').fill('sold out since May');
  await page.getByRole('tooltip').getByRole('button', { name: 'Keep' }).click();
  await expect(mark).toHaveText('1 note');
  await page.goto(`${address}/roster?view=words`);
  await page.getByRole('button', { name: 'Notes on guaranteed' }).click();
  await page.getByRole('tooltip').getByLabel('New note').fill('ask the lawyer');
  await page.getByRole('tooltip').getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('button', { name: 'Notes on guaranteed' })).toHaveText('1 note');
  const notes: { subject: { on: string } }[] = await running.api.get(`${at}/notes`);
  expect(notes.slice(0, 2).map(({ subject }) => subject.on)).toEqual(['word', 'slot']);
});

test('keywords in the tray go to a look-up, which asks nothing for what is held', async ({ page }) => {
  await page.goto(`${address}/look-up`);
  const pool = page.getByRole('grid', { name: 'Pool' });
  await expect(pool.getByRole('row').nth(1)).toContainText(/\w/);
  await pool.focus();
  for (const key of ['Space', 'ArrowDown', 'Space']) await page.keyboard.press(key);
  const tray = page.getByRole('region', { name: 'Tray' });
  await expect(tray).toContainText('2 in the tray');
  await tray.getByRole('button', { name: 'Look up' }).click();
  const list = page.getByLabel('Keywords, one a line');
  await expect(list).toHaveValue(/^\S.*\n\S.*$/);
  await page.getByRole('button', { name: 'Price' }).click();
  await expect(page.getByRole('row', { name: /search volumes/ })).toContainText('held');
  await expect(page.getByRole('row', { name: /^Units/ })).toContainText('0');
});

test('one target in all markets, and own figures over another period', async ({ page }) => {
  await page.goto(`${address}/roster`);
  await page.getByRole('button', { name: 'tarnwick', exact: false }).first().click();
  await page.getByText('Markets', { exact: true }).click();
  await expect(page.getByRole('table', { name: 'Markets' })).toContainText('Germany · German');
  await expect(page.getByRole('table', { name: 'Keywords by market' })).toContainText('unknown');
  await page.getByRole('button', { name: 'Own data period: 28 days' }).click();
  await page.getByRole('button', { name: 'last month' }).click();
  await expect(page).toHaveURL(/own=last\+month/);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Own data period: last month' })).toBeVisible();
});

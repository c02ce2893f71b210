import { DATE, MARKET, SCOPE, comparedProject, expect, test } from './running';

let root = '';
test.beforeAll(async ({ running }) => {
  root = await comparedProject(running);
});

test('a market is narrowed to a city by keyboard, is empty until looked up there, and back goes to the whole', async ({
  page,
}) => {
  await page.goto(`${root}/gaps?${SCOPE}`);
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toContainText('keywords where a rival stands');
  await page.getByRole('button', { name: 'anywhere' }).click();
  const form = page.getByRole('form', { name: 'Narrow to a place' });
  await expect(form.getByLabel('Place', { exact: true })).toBeFocused();
  await page.keyboard.type('Nowhere');
  await page.keyboard.press('Enter');
  await expect(form).toContainText('No city “Nowhere” is known');
  await expect(form).toContainText('never shown for it');
  await form.getByLabel('Place', { exact: true }).fill('Fernmoor');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/market=web-us-en(%40|@)city(%3A|:)Fernmoor/);
  await expect(page.getByText('No keywords in this scope yet')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Scope' })).toContainText('city Fernmoor');
  await page.getByRole('button', { name: 'whole market' }).click();
  await expect(heading).toContainText('keywords where a rival stands');
});

test('a look-up in a place is opened again by its address and stands apart', async ({ page, running }) => {
  const { code } = await running.api.post('/markets/places', {
    market: MARKET,
    kind: 'region',
    value: 'North Vale',
  });
  const id = root.split('/').at(-1);
  const lookUp = await running.api.post(`/projects/${id}/look-ups`, {
    market: code,
    date: DATE,
    targets: ['tarnwick.example', 'cobblemoor.example'],
    extent: 'captures',
    captureMost: 20,
  });
  await running.api.finished(lookUp.job.id);
  await page.goto(`${root}/gaps?market=${encodeURIComponent(code)}&date=${DATE}&compare=none`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText(/\w/);
  await grid.focus();
  await page.keyboard.press('Enter');
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  await expect(dossier).toContainText('region North Vale, United States');
  await page.goto(`${root}/sift?market=${encodeURIComponent(code)}&date=${DATE}&compare=none`);
  await expect(page.getByRole('region', { name: 'Scope' })).toContainText('region North Vale');
  await expect(page.getByText('Nothing to sift in this market yet')).toHaveCount(0);
});

import { SCOPE, comparedProject, expect, test } from './running';

let root = '';
test.beforeAll(async ({ running }) => {
  root = await comparedProject(running);
});

test('a head explains its figure; from there to the method, from section to section, and back to the gaps as they were', async ({
  page,
}) => {
  await page.goto(`${root}/gaps?${SCOPE}&kinds=absent`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText(/\w/);
  await grid.getByRole('columnheader', { name: 'Priority' }).getByRole('button').focus();
  const tip = page.getByRole('tooltip');
  await expect(tip).toContainText('for a day of work');
  await tip.getByRole('link', { name: 'Method §8' }).click();
  const text = page.getByRole('article');
  await expect(text.getByRole('heading', { level: 1 })).toHaveText('§8 Priority');
  await text.getByRole('link', { name: /^§\d/ }).first().click();
  await expect(page).toHaveURL(/method\/\d+a?\?.*kinds=absent/);
  await expect(text.getByRole('heading', { level: 1 })).not.toHaveText('§8 Priority');
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Gaps/ }).click();
  await expect(page.getByRole('button', { name: /Absent/, pressed: true })).toBeVisible();
});

test('what a word means is found, with the page that defines it', async ({ page }) => {
  await page.goto(`${root}/gaps?${SCOPE}`);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Method' }).click();
  await page.getByRole('link', { name: 'Words and what they mean' }).click();
  const words = page.getByRole('table', { name: 'Words and what they mean' });
  await expect(words.getByRole('row')).not.toHaveCount(1);
  await page.getByLabel('Find a word').fill('presumed');
  await expect(words.getByRole('row')).toHaveCount(2);
  await expect(words).toContainText('Not named by a complete look-up');
  await words.getByRole('link', { name: '§4' }).click();
  await expect(page.getByRole('article').getByRole('heading', { level: 1 })).toHaveText('§4 Positions');
});

test('whatever can be pressed on the screen is pressed from the box', async ({ page }) => {
  await page.goto(`${root}/gaps?${SCOPE}`);
  await expect(page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1)).toContainText(/\w/);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('narrow fur');
  await page.getByRole('option', { name: 'narrow further' }).click();
  await expect(page.getByRole('region', { name: 'Narrow by' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('trailing');
  await page.getByRole('group', { name: 'On this screen' }).getByRole('option').first().click();
  await expect(page).toHaveURL(/kinds=trailing/);
});

import { SCOPE, comparedProject, expect, test } from './running';

test('the tour leads through every stage in ten steps, by button and by key, and can be left', async ({
  page,
  running,
}) => {
  const root = await comparedProject(running);
  const path = new URL(root).pathname;
  await page.goto(running.server.url);
  await page
    .getByRole('row')
    .filter({ has: page.locator(`a[href="${path}/gaps"]`) })
    .getByRole('link', { name: 'A tour in ten steps' })
    .click();
  const tour = page.getByRole('dialog', { name: 'Tour' });
  await expect(tour).toContainText('1 of 10');
  await expect(page.locator('.tour-lit')).toBeVisible();
  const stages = ['look-up', 'sift', 'gaps', 'gaps', 'gaps', 'rounds', 'drafts', 'watch', 'report'];
  for (const [n, stage] of stages.entries()) {
    if (n % 2 === 0) await tour.getByRole('button', { name: 'Next' }).click();
    else await page.keyboard.press('ArrowRight');
    await expect(tour).toContainText(`${n + 2} of 10`);
    await expect(page).toHaveURL(new RegExp(`/${stage}\\?.*tour=${n + 2}`));
  }
  await page.reload();
  await expect(tour).toContainText('10 of 10');
  await tour.getByRole('button', { name: 'Back' }).click();
  await expect(tour).toContainText('Did it work?');
  await page.keyboard.press('Escape');
  await expect(tour).toBeHidden();
  await expect(page).not.toHaveURL(/tour=/);
  await page.goto(`${root}/gaps?${SCOPE}&tour=4`);
  await expect(page.locator('.kinds.tour-lit')).toBeVisible();
});

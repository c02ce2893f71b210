import AxeBuilder from '@axe-core/playwright';
import type { GapPage } from '@opsimath/contract/api/gaps';
import { gapsTitle } from './gapsTitle';
import { BEFORE, DATE, MARKET, expect, test } from './running';

let address = '';
test.beforeAll(async ({ running }) => {
  const { id, at } = await running.project();
  await running.compared(at, 200);
  address = `${running.server.url}/p/${id}/gaps`;
});

test('an address that leaves everything open is filled in, and a link reopens the same view', async ({
  page,
  running,
}) => {
  await page.goto(address);
  await expect(page).toHaveURL(new RegExp(`market=${MARKET}&date=${DATE}&compare=${BEFORE}`));
  await page.getByRole('button', { name: /Buried/ }).click();
  await page.getByRole('columnheader', { name: 'Demand' }).getByRole('button').click();
  await page.getByLabel('Find a keyword').fill('bag');
  await expect(page).toHaveURL(/find=bag/);
  const project = address.split('/')[4];
  const query = `market=${MARKET}&date=${DATE}&compare=${BEFORE}&kinds=buried&find=bag&sort=-demand`;
  const { total, rows } = await running.api.get(`/projects/${project}/gaps?${query}`);
  for (const reopened of [false, true]) {
    if (reopened) await page.goto(page.url());
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(gapsTitle(total));
    await expect(page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1)).toContainText(
      rows[0].text,
    );
  }
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(page).not.toHaveURL(/find=|kinds=/);
});

test('the end of a long table is one key away, and every row is there', async ({ page, running }) => {
  await page.goto(address);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText(/\w/);
  const project = address.split('/')[4];
  const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}&variants=together`;
  const { lines } = await running.api.get(`/projects/${project}/gaps?${scope}&limit=1`);
  const { rows } = await running.api.get(`/projects/${project}/gaps?${scope}&limit=1&offset=${lines - 1}`);
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  await page.keyboard.press('End');
  await expect(grid.locator(`#row-${lines - 1}`)).toContainText(rows[0].text);
});

test('variants stand on one line and open below it, by a press and by a key; each has its own line at will', async ({
  page,
  running,
}) => {
  const project = address.split('/')[4];
  const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
  const asked = (more: string): Promise<GapPage> =>
    running.api.get(`/projects/${project}/gaps?${scope}&limit=500${more}`);
  const { rows, lines, total } = await asked('&variants=together');
  const at = rows.findIndex(({ variants }) => variants !== null);
  const { id, text, variants } = rows[at]!;
  const { rows: opened } = await asked(`&variants=together&opened=${id}`);
  await page.goto(`${address}?${scope}`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid).toHaveAttribute('aria-rowcount', String(lines + 1));
  const many = grid.getByRole('button', { name: new RegExp(`^${variants!.others} variants? of ${text}$`) });
  await expect(many).toHaveAttribute('aria-expanded', 'false');
  await many.click();
  await expect(many).toHaveAttribute('aria-expanded', 'true');
  await expect(grid).toHaveAttribute('aria-rowcount', String(lines + variants!.others + 1));
  await expect(grid.locator(`#row-${at + 1}`)).toContainText(opened[at + 1]!.text);
  await expect(page.getByRole('complementary', { name: 'Dossier' })).toBeHidden();
  // What is opened stands in the address; on a variant, the key closes what it hangs under.
  await page.reload();
  await expect(grid.locator(`#row-${at + 1}`)).toContainText(opened[at + 1]!.text);
  await grid.focus();
  for (let n = 0; n <= at; n++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('v');
  await expect(grid).toHaveAttribute('aria-rowcount', String(lines + 1));
  await expect(page).not.toHaveURL(/opened=/);
  await page.getByRole('combobox', { name: 'Groups' }).click();
  await page.getByTitle('each keyword on its own line').click();
  await expect(grid).toHaveAttribute('aria-rowcount', String(total + 1));
  await expect(grid.locator('.variants-of')).toHaveCount(0);
});

test('keys are listed, the command box finds a keyword, the theme turns', async ({ page }) => {
  await page.goto(address);
  await expect(page.getByRole('grid', { name: 'Gaps' })).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog')).toContainText('open the dossier');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/^Any keyword/).fill('pannier');
  const found = page.getByRole('option', { name: /pannier/ }).first();
  await expect(found).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Dossier' })).toBeVisible();
  await page.getByRole('button', { name: 'Dark' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('a changed front is felt at once and can be undone', async ({ page }) => {
  await page.goto(address);
  const buried = page.getByRole('button', { name: /Buried/ });
  await expect(buried).toContainText(/\d/);
  const before = await buried.innerText();
  await page.getByRole('link', { name: /Roster/ }).click();
  await page.getByRole('button', { name: 'Settings' }).click();
  const front = page.getByLabel('The front, positions');
  await front.fill('3');
  await front.press('Enter');
  await expect(page.getByText('usual 10')).toBeVisible();
  await page.getByRole('link', { name: /Gaps/ }).click();
  await expect(buried).not.toHaveText(before.replace('\n', ''));
  await page.getByRole('link', { name: /Roster/ }).click();
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('usual 10')).toBeHidden();
});

test('every screen can be read by assistive technology, in both themes', async ({ page }) => {
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    for (const stage of [
      'roster',
      'look-up',
      'gaps',
      // Each once: they share their colours.
      ...(scheme === 'light' ? ['map', 'paid', 'queries', 'work'] : ['time', 'surfaces']).map(
        (view) => `gaps?view=${view}`,
      ),
      'gaps?by=action',
      'report',
    ]) {
      await page.goto(address.replace('gaps', stage));
      await page.waitForLoadState('networkidle');
      const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
      expect(violations.map((violation) => [stage, scheme, violation.id, violation.nodes[0]?.html])).toEqual(
        [],
      );
    }
  }
});

test('services that are away are said so, and what is held is still shown', async ({ page, running }) => {
  await running.faults({ serverError: 1 });
  try {
    await page.goto(address);
    await expect(
      page.getByText('The search services do not answer: only what is held can be shown'),
    ).toBeVisible();
    await expect(page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(3)).toContainText(/\w/);
  } finally {
    await running.faults({});
  }
});

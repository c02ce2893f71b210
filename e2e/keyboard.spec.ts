import type { Page } from '@playwright/test';
import { unreadable } from './readable';
import { DATE, MARKET, OWN, RIVALS, expect, test } from './running';

let root = '';
let at = '';
let lookUp = 0;
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  root = `${running.server.url}/p/${project.id}`;
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 80,
  });
  await running.api.finished(started.job.id);
  lookUp = started.id;
});
const scope = `market=${MARKET}&date=${DATE}&compare=none`;

/** Presses Tab until something of that name has the focus, and not for ever. */
async function tabTo(
  page: Page,
  role: Parameters<Page['getByRole']>[0],
  name: string | RegExp,
): Promise<void> {
  const wanted = page.getByRole(role, { name }).first();
  await expect(wanted).toBeVisible();
  for (let n = 0; n < 80; n++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${role} ${String(name)} cannot be reached by Tab`);
}

const VIEWS: [string, string][] = [
  ['roster', 'roster'],
  ['find rivals', 'roster?view=find&seed=panniers'],
  ['index', 'roster?view=index'],
  ['words not to use', 'roster?view=words'],
  ['files', 'roster?view=files'],
  ['settings', 'roster?view=settings'],
  ['look-up', 'look-up'],
  ['seeds', 'look-up?view=seeds'],
  ['sift', 'sift'],
  ['words', 'sift?view=words'],
  ['clusters', 'sift?view=clusters'],
  ['desk', 'sift?view=desk'],
  ['lists', 'sift?view=lists'],
  ['gaps', 'gaps'],
  ['report', 'report'],
];
test('every view can be read by everybody', async ({ page }) => {
  const found: string[] = [];
  for (const [name, path] of VIEWS) {
    await page.goto(`${root}/${path}${path.includes('?') ? '&' : '?'}${scope}`);
    await page.waitForLoadState('networkidle');
    found.push(...(await unreadable(page, name)));
  }
  expect(found).toEqual([]);
});

test('from stage to stage by two keys, whatever has the focus', async ({ page }) => {
  await page.goto(`${root}/roster?${scope}`);
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  for (const [key, stage] of [
    ['l', 'look-up'],
    ['s', 'sift'],
    ['p', 'gaps'],
    ['t', 'report'],
    ['r', 'roster'],
  ] as const) {
    await page.keyboard.press('g');
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${stage}\\?`));
  }
});

test('a rival is found and added without a mouse', async ({ page, running }) => {
  await page.goto(`${root}/roster?view=find&${scope}`);
  await tabTo(page, 'textbox', /seed keyword/i);
  await page.keyboard.type('panniers');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: '“panniers”' })).toBeVisible();
  const before = (await running.api.get(`${at}/targets`)).length;
  await tabTo(page, 'button', /^Add /);
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await running.api.get(`${at}/targets`)).length).toBe(before + 1);
});

test('a list is looked up without a mouse', async ({ page, running }) => {
  await page.goto(`${root}/look-up?view=list&${scope}`);
  await tabTo(page, 'textbox', 'Keywords, one a line');
  await page.keyboard.type('frame bag');
  await page.keyboard.press('Enter');
  await page.keyboard.type('bike bags');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
  await tabTo(page, 'button', 'Start');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 keywords');
  const [newest] = await running.api.get(`${at}/look-ups`);
  expect(newest.request.keywords).toEqual(['frame bag', 'bike bags']);
});

test('a recipe is built and rows are judged without a mouse', async ({ page }) => {
  await page.goto(`${root}/sift?lookUp=${lookUp}&${scope}`);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText(/\w/);
  await tabTo(page, 'button', 'Add a sieve');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'volume', exact: true })).toBeVisible();
  const active = page.locator('.ant-dropdown-menu-item-active');
  for (let last = ''; last !== 'volume';) {
    await page.keyboard.press('ArrowDown');
    // One key after the other: the next only where the last has moved.
    await expect(active.filter({ hasNotText: last === '' ? '–' : new RegExp(`^${last}$`) })).toHaveCount(1);
    last = (await active.textContent())!;
  }
  // A menu marks its entry first and moves the focus a frame later; a key goes to what has the focus.
  await expect(active).toBeFocused();
  await page.keyboard.press('Enter');
  // What the new sieve asks for has the focus at once.
  await expect(page.getByRole('textbox', { name: 'Least' })).toBeFocused();
  await page.keyboard.type('1500');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem', { name: 'Sieve 1' })).toContainText(' removed');
  await tabTo(page, 'grid', 'Sifted');
  await page.keyboard.press('f');
  await expect(page.getByText(/wanted are fit/)).toContainText('1 of 50');
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/wanted are fit/)).toContainText('0 of 50');
});

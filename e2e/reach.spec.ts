import type { GapPage } from '@opsimath/contract/api/gaps';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { Page } from '@playwright/test';
import { DATE, MARKET, SCOPE, expect, test } from './running';

const OF_A_SET = 'find=of+a+set';
let at = '';
let root = '';
let pool = 0;

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  root = `${running.server.url}/p/${project.id}`;
  await running.compared(at, 100);
  const [lookUp] = (await running.api.get(`${at}/look-ups`)) as LookUp[];
  pool = lookUp!.id;
  // Nobody looked at these, whatever other specs have captured on the same services.
  const { job } = await running.api.post(`${at}/look-ups`, {
    ...{ market: MARKET, date: DATE, extent: 'positions' },
    keywords: Array.from({ length: 24 }, (_, n) => `bicycle bag number ${n + 1} of a set`),
  });
  await running.api.finished(job.id);
});

const clipboard = (page: Page): Promise<string> => page.evaluate(() => navigator.clipboard.readText());

test('an unknown keyword is captured from its row, its price first', async ({ page, running }) => {
  await page.goto(`${root}/gaps?${SCOPE}&kinds=unknown&${OF_A_SET}`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  const first = grid.getByRole('row').nth(1);
  const text = (await first.locator('b').innerText()).trim();
  const before: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&${OF_A_SET}&limit=1`);
  await page.getByRole('button', { name: `Capture ${text}`, exact: true }).click();
  const sheet = page.getByRole('dialog', { name: `Capture ${text}`, exact: true });
  await expect(sheet).toContainText(/\d+ units? of [\d,]+ left/);
  // The sheet was opened, not the row below it.
  await expect(page).not.toHaveURL(/open=/);
  await sheet.getByRole('button', { name: 'Capture' }).click();
  await expect(grid).not.toContainText(text);
  const after: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&${OF_A_SET}&limit=1`);
  expect(after.totals.kinds.unknown).toBe(before.totals.kinds.unknown - 1);
  await expect(
    page.getByRole('group', { name: 'Gap kinds' }).getByRole('button', { name: 'Unknown' }),
  ).toContainText(`${after.totals.kinds.unknown}`);
});

test('the most searched of what is unknown are captured together', async ({ page, running }) => {
  const before: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&${OF_A_SET}&limit=1`);
  await page.goto(`${root}/gaps?${SCOPE}&kinds=unknown&${OF_A_SET}`);
  const offer = page.getByRole('region', { name: 'Capture what is unknown' });
  await offer.getByLabel('How many').click();
  await page.getByTitle('20', { exact: true }).click();
  await expect(offer).toContainText(/20 keywords on .* units of/);
  await offer.getByRole('button', { name: 'Capture' }).click();
  await expect(
    page.getByRole('group', { name: 'Gap kinds' }).getByRole('button', { name: 'Unknown' }),
  ).toContainText(`${before.totals.kinds.unknown - 20}`);
});

for (const [stage, grid] of [
  ['gaps', 'Gaps'],
  [`sift`, 'Sifted'],
  ['look-up', 'Pool'],
] as const)
  test(`judged, put into a list and copied in ${stage}, from the tray and from the dossier`, async ({
    page,
    running,
  }) => {
    // In an order that a verdict does not change.
    await page.goto(`${root}/${stage}?${SCOPE}&lookUp=${pool}&sort=keyword`);
    const table = page.getByRole('grid', { name: grid });
    await expect(table.getByRole('row').nth(3)).toContainText(/\w/);
    await table.focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press(' ');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press(' ');
    const tray = page.getByRole('region', { name: 'Tray' });
    await expect(tray).toContainText('2 in the tray');
    await tray.getByRole('button', { name: 'Copy' }).click();
    await page.getByRole('button', { name: 'Words, one a line' }).click();
    await expect.poll(async () => (await clipboard(page)).split('\n').length).toBe(2);
    const [one, two] = (await clipboard(page)).split('\n') as [string, string];
    await tray.getByRole('button', { name: 'Judge' }).click();
    await page.getByLabel('Reason').fill('core use');
    await page.getByRole('dialog', { name: 'Judge' }).getByRole('button', { name: 'fit' }).click();
    await tray.getByRole('button', { name: 'List' }).click();
    await page.getByLabel('Name of a new list').fill(`Picked in ${stage}`);
    await page.getByRole('button', { name: 'Make it' }).click();
    const lists = async (): Promise<{ id: number; name: string; keywords: number }[]> =>
      running.api.get(`${at}/lists`);
    await expect
      .poll(async () => (await lists()).find(({ name }) => name === `Picked in ${stage}`)?.keywords)
      .toBe(2);
    const list = (await lists()).find(({ name }) => name === `Picked in ${stage}`)!;
    const { rows }: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&inList=${list.id}`);
    expect(rows.map(({ text }) => text).sort()).toEqual([one, two].sort());
    expect(rows.map(({ verdict }) => verdict)).toEqual(['fit', 'fit']);
    // The same from the dossier of the second: Enter opens it.
    await table.focus();
    await page.keyboard.press('Enter');
    const dossier = page.getByRole('complementary', { name: 'Dossier' });
    await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(two);
    await dossier.getByRole('button', { name: 'Judge' }).click();
    await page.getByRole('dialog', { name: 'Judge' }).getByRole('button', { name: 'adjacent' }).click();
    const judged = async (): Promise<string> =>
      ((await running.api.get(`${at}/gaps?${SCOPE}&inList=${list.id}`)) as GapPage).rows.find(
        ({ text }) => text === two,
      )!.verdict;
    await expect.poll(judged).toBe('adjacent');
    await dossier.getByRole('button', { name: 'List' }).click();
    await page
      .getByRole('dialog', { name: 'List' })
      .locator('.act-line')
      .filter({ hasText: `Picked in ${stage}` })
      .getByRole('button', { name: 'remove' })
      .click();
    await expect.poll(async () => (await lists()).find(({ id }) => id === list.id)!.keywords).toBe(1);
    await dossier.getByRole('button', { name: 'Copy' }).click();
    await page.getByRole('button', { name: 'Words, comma between' }).click();
    await expect.poll(() => clipboard(page)).toBe(two);
    // Back and it is as it was: what was done can be taken back.
    await page.keyboard.press('Escape');
    await dossier.getByRole('button', { name: 'Close the dossier' }).click();
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await lists()).find(({ id }) => id === list.id)!.keywords).toBe(2);
    await tray.getByRole('button', { name: 'Empty' }).click();
  });

test('exactly the listings that were ticked are looked up and compared with', async ({ page, running }) => {
  const market = 'marketplace-us-en';
  await page.goto(`${root}/roster?view=find&market=${market}&date=${DATE}&compare=none&seed=panniers`);
  const boxes = page.getByRole('checkbox', { name: /^Look up / });
  for (const n of [0, 1, 2]) await boxes.nth(n).check();
  await page.getByRole('button', { name: 'Look up these 3' }).click();
  await expect(page.getByRole('list', { name: 'Recognised targets' }).getByRole('listitem')).toHaveCount(3);
  // The price comes before anything is spent, also for whoever presses Start at once.
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
  expect(await running.api.get(`${at}/look-ups`)).toHaveLength(
    ((await running.api.get(`${at}/look-ups`)) as LookUp[]).filter((one) => one.market === MARKET).length,
  );
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText(/3 of its targets are not in the roster/)).toBeVisible();
  const [lookUp] = (await running.api.get(`${at}/look-ups`)) as [LookUp];
  expect(lookUp.request.targets).toHaveLength(3);
  expect(lookUp.targets.map(({ address }) => address).sort()).toEqual([...lookUp.request.targets].sort());
  await page.getByRole('button', { name: 'Add as rivals' }).click();
  await expect(page.getByText(/not in the roster/)).toBeHidden();
  await page.getByRole('link', { name: 'Compare these in Gaps' }).click();
  await expect
    .poll(
      async () =>
        ((await running.api.get(`${at}/gaps?market=${market}&date=${DATE}&pool=${lookUp.id}`)) as GapPage)
          .rivals.length,
    )
    .toBe(3);
});

test('a keyword that comes to mind is typed, priced, fetched, and its chance is read', async ({ page }) => {
  await page.goto(`${root}/watch?${SCOPE}`);
  await expect(page.locator('#stage')).not.toBeEmpty();
  await page.keyboard.press('Control+k');
  const box = page.locator('.command');
  await page.keyboard.type('bike bag');
  // What is held answers at once, the very keyword first.
  await expect(box.getByRole('option').first()).toContainText(/^bike bag /);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('rain cover for a bike bag');
  await expect(box.getByRole('option', { name: /rain cover for a bike bag/ })).toContainText(/\d units?/);
  await page.keyboard.press('Enter');
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText('rain cover for a bike bag');
  await expect(dossier).toContainText(/within the first 10 as it is/);
});

test('keys that are typed before the box is there are not lost', async ({ page }) => {
  await page.goto(`${root}/watch?${SCOPE}`);
  await expect(page.locator('#stage')).not.toBeEmpty();
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/CommandBox-.*\.js/, async (route) => {
    await held;
    await route.continue();
  });
  await page.keyboard.press('Control+k');
  const first = page.getByRole('textbox', { name: 'Go to' });
  await expect(first).toBeFocused();
  await page.keyboard.type('answer');
  letGo();
  const field = page.locator('.command').getByRole('combobox');
  await expect(field).toHaveValue('answer');
  await expect(field).toBeFocused();
  await page.keyboard.type('ing');
  await expect(page.locator('.command').getByRole('option', { selected: true })).toContainText(/answering/i);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/rounds\?.*view=answering/);
});

test('lists, recipes, look-ups and parts of stages are found in the box', async ({ page, running }) => {
  await running.api.post(`${at}/recipes`, { name: 'Winter sieve' });
  await page.goto(`${root}/gaps?${SCOPE}`);
  await expect(page.locator('#stage')).not.toBeEmpty();
  for (const [typed, address] of [
    ['winter si', /\/sift\?.*recipe=\d+/],
    ['answering', /\/rounds\?.*view=answering/],
    ['own pages in', /\/roster\?.*view=index/],
  ] as const) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(typed);
    // What is found in a list that comes later is marked once it is there, before a keyword that nobody looked up.
    const found = page.locator('.command').getByRole('option').filter({ hasNotText: '“' });
    await expect(found).toHaveCount(1);
    await expect(found).toHaveAttribute('aria-selected', 'true');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(address);
  }
});

test('a rival’s name is marked in the table, in the dossier and in Sift', async ({ page }) => {
  await page.goto(`${root}/gaps?${SCOPE}&find=cobblemoor`);
  const row = page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1);
  await expect(row).toContainText('doubtful');
  await row.locator('b').click();
  await expect(page.getByRole('complementary', { name: 'Dossier' })).toContainText(
    '“Cobblemoor” is doubtful: a rival’s name.',
  );
  await page.goto(`${root}/sift?${SCOPE}&lookUp=${pool}&poolFind=cobblemoor`);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText('doubtful');
});

test('look-ups are named and taken away, and both can be taken back', async ({ page, running }) => {
  const more = { market: MARKET, date: DATE, keywords: ['frame bag'], extent: 'positions' };
  await running.api.post(`${at}/look-ups`, more);
  await page.goto(`${root}/look-up?${SCOPE}&lookUp=${pool}`);
  const list = page.getByRole('region', { name: 'Look-ups' });
  await list.getByRole('button', { name: 'name it' }).click();
  await page.getByLabel('Name of the look-up').fill('Everybody in spring');
  await page.keyboard.press('Enter');
  await expect(list).toContainText('Everybody in spring');
  await list.getByRole('button', { name: 'remove' }).click();
  await expect(list).not.toContainText('Everybody in spring');
  await page.keyboard.press('Control+z');
  await expect(list).toContainText('Everybody in spring');
  await page.keyboard.press('Control+z');
  await expect(list).not.toContainText('Everybody in spring');
});

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
] as const)
  test(`every menu opens inside the window at ${width} by ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const outside: string[] = [];
    for (const place of [
      'roster',
      'look-up',
      `sift?lookUp=${pool}`,
      'gaps',
      'rounds',
      'drafts',
      'watch',
      'report',
    ]) {
      await page.goto(`${root}/${place}${place.includes('?') ? '&' : '?'}${SCOPE}`);
      await expect(page.locator('#stage')).not.toBeEmpty();
      const openers = page.locator(
        '.ant-dropdown-trigger:visible, button[aria-expanded]:visible, .stage-tools button:visible, .pool-menu button:visible, .sift-acts button:visible',
      );
      for (let n = 0; n < (await openers.count()); n++) {
        const opener = openers.nth(n);
        if (await opener.isDisabled()) continue;
        await opener.click();
        const menus = page.locator(
          '.ant-dropdown:not(.ant-dropdown-hidden):visible, .ant-popover:not(.ant-popover-hidden):visible',
        );
        for (let m = 0; m < (await menus.count()); m++) {
          const box = await menus.nth(m).boundingBox();
          if (box && (box.x < 0 || box.y < 0 || box.x + box.width > width || box.y + box.height > height))
            outside.push(`${place}: ${await opener.innerText()} ${JSON.stringify(box)}`);
        }
        await page.keyboard.press('Escape');
        await page.mouse.click(2, 2);
      }
    }
    expect(outside).toEqual([]);
  });

test('at 200 % zoom every stage is read by scrolling down alone, its table has rows, a dossier the window', async ({
  page,
}) => {
  await page.setViewportSize({ width: 640, height: 400 });
  const places = ['roster', 'look-up', `sift?lookUp=${pool}`, 'gaps', 'rounds', 'drafts', 'watch', 'report'];
  const wider: string[] = [];
  for (const place of places) {
    await page.goto(`${root}/${place}${place.includes('?') ? '&' : '?'}${SCOPE}`);
    await expect(page.locator('#stage')).not.toBeEmpty();
    await page.waitForLoadState('networkidle');
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    if (width > 640) wider.push(`${place}: ${width}`);
  }
  expect(wider).toEqual([]);
  await page.goto(`${root}/gaps?${SCOPE}`);
  const row = page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1);
  await row.scrollIntoViewIfNeeded();
  await row.locator('b').click();
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  await expect(dossier.getByRole('heading', { level: 1 })).toBeInViewport();
  await dossier.getByRole('button', { name: 'Close the dossier' }).click();
  await expect(row).toBeInViewport();
});

test('a dossier opens beside the view it was asked for in, and a link brings both back', async ({ page }) => {
  await page.goto(`${root}/gaps?${SCOPE}&view=paid`);
  const list = page.getByRole('region', { name: 'Rivals buy, we do not' });
  const first = list.getByRole('listitem').getByRole('button').first();
  const text = (await first.innerText()).trim();
  await first.click();
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(text);
  await expect(list).toBeVisible();
  await page.reload();
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(text);
  await expect(list).toBeVisible();
  await dossier.getByRole('button', { name: 'Close the dossier' }).click();
  await expect(list).toBeVisible();
});

test('what is on the screen is taken along as a table and as a file', async ({ page }) => {
  await page.goto(`${root}/gaps?${SCOPE}&view=paid`);
  const menu = page.getByRole('button', { name: 'Copy or download: Paid against organic' });
  await menu.click();
  await page.getByRole('menuitem', { name: 'copy as a table' }).click();
  await expect
    .poll(async () => (await clipboard(page)).split('\n')[0])
    .toBe('Side\tOrganic\tPaid\tOrganic to one paid\tPaid missing');
  expect(await clipboard(page)).toContain('Cobblemoor');
  await menu.click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'CSV' }).click();
  expect((await download).suggestedFilename()).toMatch(/^Paid against organic.*\.csv$/);
});

test('the kind of a page is said by hand and taken back', async ({ page, running }) => {
  const { rows }: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&bands=1–3,4–10&sort=keyword&limit=1`);
  await page.goto(`${root}/gaps?${SCOPE}&open=${rows[0]!.id}`);
  const kind = page
    .getByRole('complementary', { name: 'Dossier' })
    .getByLabel(`Kind of page: ${rows[0]!.ownAddress}`)
    .first();
  await expect(kind).toBeVisible();
  await kind.click();
  await page.getByTitle('talk', { exact: true }).last().click();
  const talks = async () =>
    ((await running.api.get(`${at}/gaps?${SCOPE}&pageKinds=talk&limit=1`)) as GapPage).total;
  await expect.poll(talks).toBeGreaterThan(0);
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  await page.keyboard.press('Control+z');
  await expect.poll(talks).toBe(0);
});

test('at the desk a keyword is parked with a note, and its purpose is said by hand', async ({
  page,
  running,
}) => {
  await page.goto(`${root}/sift?${SCOPE}&lookUp=${pool}&view=desk`);
  const desk = page.getByRole('region', { name: 'Desk' });
  const name = desk.getByRole('heading', { level: 2 });
  const text = await name.innerText();
  await desk.getByLabel(`Purpose of ${text}`).click();
  await page.getByTitle('learn', { exact: true }).last().click();
  await desk.getByLabel('Note on this keyword').fill('ask the shop first');
  await page.keyboard.press('Enter');
  await page.keyboard.press('w');
  await expect(name).not.toHaveText(text);
  const row = async () => {
    const { rows } = await running.api.post(`/look-ups/${pool}/sift`, { steps: [], find: text, limit: 50 });
    return rows.find((each: { text: string }) => each.text === text);
  };
  await expect.poll(row).toMatchObject({ parked: true, purpose: { purpose: 'learn', byHand: true } });
  const notes = await running.api.get(`${at}/notes`);
  expect(notes.some((note: { text: string }) => note.text === 'ask the shop first')).toBe(true);
});

test('comma and full stop go from part to part of a stage, and the list of keys says so', async ({
  page,
}) => {
  await page.goto(`${root}/gaps?${SCOPE}`);
  await expect(page.getByRole('grid', { name: 'Gaps' })).toBeVisible();
  await page.keyboard.press('.');
  await expect(page).toHaveURL(/view=work/);
  await page.keyboard.press(',');
  await page.keyboard.press(',');
  await expect(page).toHaveURL(/view=two/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText(
    'the part of a stage before and after',
  );
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Sift/ }).click();
  await page.getByLabel('Find among these').fill('a.b');
  await expect(page).not.toHaveURL(/view=words/);
});

import type { Recipe } from '@opsimath/contract/api/sift';
import type { Page } from '@playwright/test';
import { carry } from './carry';
import { DATE, MARKET, OWN, RIVALS, expect, test } from './running';

let at = '';
let address = '';
let lookUp = 0;
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 120,
  });
  await running.api.finished(started.job.id);
  lookUp = started.id;
  address = `${running.server.url}/p/${project.id}/sift?market=${MARKET}&date=${DATE}&compare=none&lookUp=${lookUp}`;
});

const add = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('button', { name: 'Add a sieve' }).click();
  await page.getByRole('menuitem', { name, exact: true }).click();
};

test('a recipe is built, a hidden single word is found and rescued, and verdicts outlive a changed sieve', async ({
  page,
  running,
}) => {
  await page.goto(address);
  const grid = page.getByRole('grid', { name: 'Sifted' });
  const heading = page.getByRole('heading', { level: 1 });
  const sift = async (body: object) => running.api.post(`/look-ups/${lookUp}/sift`, body);
  const { all } = await sift({ steps: [] });
  await expect(heading).toHaveText(
    `${all.toLocaleString('en-US')} of ${all.toLocaleString('en-US')} come through`,
  );

  await add(page, 'word count');
  const sieve = page.getByRole('listitem', { name: 'Sieve 1' });
  await expect(sieve.getByRole('alert')).toContainText('Set a least or a most');
  await sieve.getByLabel('Least').fill('2');
  await sieve.getByLabel('Least').press('Enter');
  await expect(sieve.getByRole('alert')).toBeHidden();
  const words = { kind: 'figure', figure: 'word count', least: 2, most: null, unknown: true };
  const { through } = await sift({ steps: [{ id: 'x', on: true, sieve: words }] });
  await expect(heading).toContainText(`${through.toLocaleString('en-US')} of`);

  await sieve.getByRole('button', { name: / removed$/ }).click();
  const removed = page.getByRole('region', { name: 'Removed' });
  const single = (await removed.getByRole('row').nth(1).getByRole('cell').first().textContent())!;
  expect(single).not.toContain(' ');
  await removed.getByRole('button', { name: `Rescue ${single}`, exact: true }).click();
  await expect(removed.getByRole('button', { name: `Rescue ${single}`, exact: true })).toBeHidden();
  await sieve.getByRole('button', { name: 'hide what it removed' }).click();
  await page.getByLabel('Find among these').fill(single);
  await expect(grid.getByRole('row').filter({ hasText: 'rescued' })).toContainText(single);
  await page.getByLabel('Find among these').fill('');
  // The list is another one as soon as the find is gone from the address.
  await expect(page).not.toHaveURL(/poolFind/);

  await grid.focus();
  for (const key of ['f', 'ArrowDown', 'a', 'ArrowDown', 'o']) await page.keyboard.press(key);
  const status = page.getByText(/wanted are fit/);
  await expect(status).toContainText(/1 of 50 wanted are fit .*1 adjacent, 1 off/);
  await sieve.getByLabel('Least').fill('');
  await sieve.getByLabel('Most').fill('1');
  await sieve.getByLabel('Most').press('Enter');
  await expect(status).toContainText(/0 of 50 wanted/);
  await sieve.getByRole('checkbox').click();
  await expect(heading).toContainText(`${all.toLocaleString('en-US')} of`);
  await expect(status).toContainText(/1 of 50 wanted are fit .*1 adjacent, 1 off/);

  await page.reload();
  await expect(status).toContainText(/1 of 50 wanted are fit .*1 adjacent, 1 off/);
  await expect(sieve.getByRole('checkbox')).not.toBeChecked();
});

test('two limits typed faster than the server answers are both kept', async ({ page, running }) => {
  await page.goto(address);
  await add(page, 'volume');
  await expect(page).toHaveURL(/recipe=\d+/);
  const recipe = Number(new URL(page.url()).searchParams.get('recipe'));
  // The first change is held on its way until the second was typed.
  let letGo: () => void = () => undefined;
  const typed = new Promise<void>((resolve) => (letGo = resolve));
  let changes = 0;
  await page.route(`**/recipes/${recipe}`, async (route) => {
    if (route.request().method() === 'PATCH' && changes++ === 0) await typed;
    await route.continue();
  });
  await page.getByLabel('Least').fill('300');
  await page.getByLabel('Least').press('Enter');
  await expect.poll(() => changes).toBe(1);
  await page.getByLabel('Most').fill('5000');
  await page.getByLabel('Most').press('Enter');
  letGo();
  const sieve = async (): Promise<unknown> =>
    ((await running.api.get(`${at}/recipes`)) as Recipe[]).find(({ id }) => id === recipe)!.steps[0]!.sieve;
  await expect.poll(sieve).toMatchObject({ least: 300, most: 5000 });
  await expect(page.getByLabel('Most')).toHaveValue('5000');
});

test('steps are taken back and done again, by key and by button; a sieve moves by keyboard', async ({
  page,
}) => {
  await page.goto(address);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText(/\w/);
  await add(page, 'volume');
  await expect(page).toHaveURL(/recipe=\d+/);
  await page.getByLabel('Least').fill('100');
  await page.getByLabel('Least').press('Enter');
  await add(page, 'words it leaves out');
  await page.getByLabel('Words of the sieve').fill('bag');
  await page.getByLabel('Words of the sieve').press('Enter');
  const sieves = page.getByRole('listitem', { name: /^Sieve / });
  await expect(sieves).toHaveCount(2);
  await expect(sieves.first()).toContainText('volume');
  await sieves.first().focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(sieves.nth(1)).toContainText('volume');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(sieves.first()).toContainText('volume');
  // By its dots it is carried to the place of the other.
  await carry(page, sieves.first().locator('.grip'), sieves.nth(1), { held: page.locator('.step.carried') });
  await page.mouse.up();
  await expect(sieves.nth(1)).toContainText('volume');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(sieves.first()).toContainText('volume');
  await page.getByRole('grid', { name: 'Sifted' }).focus();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Words of the sieve')).toHaveValue('');
  await page.keyboard.press('Control+y');
  await expect(page.getByLabel('Words of the sieve')).toHaveValue('bag');
});

test('twenty keywords are judged on the desk by keyboard alone; another window sees them', async ({
  page,
  context,
  running,
}) => {
  await page.goto(`${address}&view=desk`);
  const desk = page.getByRole('region', { name: 'Desk' });
  const keyword = desk.getByRole('heading', { level: 2 });
  await expect(keyword).toHaveText(/\w/);
  const before = (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [] })).judged;
  const seen: string[] = [];
  for (let n = 0; n < 20; n++) {
    seen.push((await keyword.textContent())!);
    await page.keyboard.press('faow'[n % 4]!);
    await expect(keyword).not.toHaveText(seen.at(-1)!);
  }
  expect(new Set(seen).size).toBe(20);
  await expect
    .poll(async () => (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [] })).judged)
    .toMatchObject({
      fit: before.fit + 5,
      adjacent: before.adjacent + 5,
      off: before.off + 5,
      parked: before.parked + 5,
    });
  const last = (await keyword.textContent())!;
  await page.keyboard.press('n');
  await expect(keyword).not.toHaveText(last);
  // What was skipped stays skipped: another window goes on at the same keyword.
  const current = (await keyword.textContent())!;
  const second = await context.newPage();
  await second.goto(`${address}&view=desk`);
  await expect(second.getByRole('region', { name: 'Desk' }).getByRole('heading', { level: 2 })).toHaveText(
    current,
  );
  await second.close();
  // Somebody else judges it: it goes from this desk without a reload.
  const { rows } = await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [], find: current });
  const { id } = rows.find((row: { text: string }) => row.text === current);
  await running.api.post(`${at}/verdicts`, { changes: [{ keyword: id, verdict: 'fit' }], person: 'Bo' });
  await page.bringToFront();
  await expect(keyword).not.toHaveText(current);
});

test('lists are kept from what came through, combined, locked and sieved by', async ({ page, running }) => {
  await page.goto(address);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText(/\w/);
  const keep = async (find: string, name: string): Promise<void> => {
    await page.getByLabel('Find among these').fill(find);
    await expect(page).toHaveURL(new RegExp(`poolFind=${find}`));
    await page.getByRole('button', { name: 'Keep as list' }).click();
    await page.getByText(/^all /).click();
    await page.getByLabel('Name of the list').fill(name);
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    // Not the notice: it is gone after some seconds, on a busy machine before anybody looks.
    await expect
      .poll(async () =>
        ((await running.api.get(`${at}/lists`)) as { name: string }[]).map((list) => list.name),
      )
      .toContain(name);
    await page.keyboard.press('Escape');
  };
  await keep('bag', 'Bags');
  await keep('water', 'Water');
  await page.getByText('Lists', { exact: true }).click();
  await page.getByLabel('Lists to combine').click();
  await page.getByTitle('Bags', { exact: true }).click();
  await page.getByTitle('Water', { exact: true }).click();
  await page.getByLabel('Name of the new list').fill('Both');
  await page.getByRole('button', { name: 'Combine' }).click();
  const row = page.getByRole('row', { name: /^Both/ });
  await expect(row).toContainText('intersection of “Bags” and “Water”');
  const lists: { name: string; keywords: number }[] = await running.api.get(`${at}/lists`);
  const size = (name: string): number => lists.find((list) => list.name === name)!.keywords;
  expect(size('Both')).toBeGreaterThan(0);
  expect(size('Both')).toBeLessThan(Math.min(size('Bags'), size('Water')) + 1);
  await row.getByRole('button', { name: 'lock' }).click();
  await expect(row.getByRole('button', { name: 'unlock' })).toBeVisible();
  await expect(row.getByRole('button', { name: 'delete list' })).toBeHidden();
  await page.getByText('Table', { exact: true }).click();
  await page.getByLabel('Find among these').fill('');
  await add(page, 'a list');
  await page.getByLabel('List', { exact: true }).click();
  await page.getByTitle('Both', { exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    `${size('Both').toLocaleString('en-US')} of`,
  );
});

test('words are counted, one of them is left out and one is not to be used; the desk learns and sorts', async ({
  page,
  running,
}) => {
  await page.goto(address);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText(/\w/);
  await page.getByText('Words', { exact: true }).click();
  const words = page.getByRole('region', { name: 'Words' });
  const first = words.getByRole('row').nth(1);
  const text = (await first.getByRole('cell').nth(1).textContent())!;
  const held = Number((await first.getByRole('cell').nth(2).textContent())!.replaceAll(',', ''));
  const pool = await running.api.get(
    `/look-ups/${lookUp}/keywords?words=${encodeURIComponent(text)}&mode=phrase&limit=1`,
  );
  expect(held).toBe(pool.total);
  await words.getByRole('button', { name: `Leave out ${text}`, exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    `${(pool.all - held).toLocaleString('en-US')} of`,
  );
  await expect(first.getByRole('cell').nth(1)).not.toHaveText(text);
  const second = (await first.getByRole('cell').nth(1).textContent())!;
  await words.getByRole('button', { name: `Ban ${second}`, exact: true }).click();
  await page.getByLabel('Reason').fill('somebody’s mark');
  await page.getByRole('button', { name: `Do not use “${second}”` }).click();
  await expect.poll(() => running.api.get(`${at}/banned-words`)).toMatchObject([{ text: second }]);

  await page.getByText('Desk', { exact: true }).click();
  const keyword = page.getByRole('region', { name: 'Desk' }).getByRole('heading', { level: 2 });
  await expect(keyword).toHaveText(/\w/);
  const likely = page.getByRole('status').filter({ hasText: /Likely fit: \d+ %/ });
  for (let n = 0; n < 4; n++) {
    const shown = (await keyword.textContent())!;
    await page.keyboard.press(n % 2 ? 'o' : 'f');
    await expect(keyword).not.toHaveText(shown);
  }
  await expect(likely).toBeVisible();
  await page.getByText('likely fits first').click();
  await page.keyboard.press('f');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
});

test('variants stand under their main keyword, are set apart and joined again by undo', async ({ page }) => {
  await page.goto(`${address}&view=variants`);
  const view = page.getByRole('region', { name: 'Variants' });
  const first = view.getByRole('table').first().locator('tbody').first();
  await expect(first).toBeVisible();
  const groups = async (): Promise<number> =>
    Number(
      ((await view.getByText(/groups hold/).textContent()) ?? '').replace(/ groups.*/s, '').replace(/,/g, ''),
    );
  const before = await groups();
  await first.getByRole('button').first().click();
  const apart = first.getByRole('button', { name: /^Set “/ });
  const variants = await apart.count();
  const name = (await apart.first().getAttribute('aria-label'))!;
  await apart.first().click();
  await expect(page.getByRole('button', { name, exact: true })).toBeHidden();
  await expect.poll(groups).toBe(variants === 1 ? before - 1 : before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(groups).toBe(before);
});

test('two ticked keywords are marked, and compared with why one goes first', async ({ page }) => {
  await page.goto(address);
  const grid = page.getByRole('grid', { name: 'Sifted' });
  const ticks = grid.getByRole('checkbox');
  await ticks.nth(0).click();
  await ticks.nth(1).click();
  await page.getByRole('button', { name: 'Mark 2' }).click();
  await page.getByLabel('Name of the marker').fill('ask the maker');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'put on' }).click();
  await expect(grid.getByRole('img', { name: 'ask the maker' })).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(grid.getByRole('img', { name: 'ask the maker' })).toHaveCount(0);

  const names = await grid.locator('.selected b, [aria-selected=true] b').allTextContents();
  await page.getByText('Compare', { exact: true }).click();
  const two = page.getByRole('region', { name: 'Two keywords' });
  await expect(two).toContainText(/goes first/);
  for (const name of names) await expect(two).toContainText(name);
  await expect(two.getByRole('row', { name: /^priority, a day of work/ })).toBeVisible();
});

test('a list is made again after what it would change was shown, and a table comes back from outside', async ({
  page,
  running,
}) => {
  const sieve = { kind: 'figure', figure: 'volume', least: 1000, most: null, unknown: false };
  const lists = await running.api.post(`/look-ups/${lookUp}/sift/list`, {
    name: 'much searched',
    query: { steps: [{ id: 'v', on: true, sieve }] },
  });
  const list = lists.at(-1);
  const { keywords } = await running.api.get(`${at}/lists/${list.id}/keywords`);
  await running.api.patch(`${at}/lists/${list.id}`, { remove: [keywords[0]] });
  await page.goto(`${address}&view=lists`);
  const row = page.getByRole('row', { name: /much searched/ });
  await row.getByRole('button', { name: 'make again' }).click();
  await expect(page.getByText('1 come in:')).toBeVisible();
  await page.getByRole('button', { name: 'Make it again' }).click();
  await expect(row).toContainText(list.keywords.toLocaleString('en-US'));

  const [text] = (await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [], limit: 1 })).rows.map(
    (entry: { text: string }) => entry.text,
  );
  await page.getByLabel('Table worked on outside').setInputFiles({
    name: 'back.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`keyword,verdict,reason\n"${text}",adjacent,complement\nnever heard of,fit,\n`),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('adjacent: complement');
  await expect(dialog).toContainText('1 row fits nothing here');
  await dialog.getByRole('button', { name: 'Apply 1' }).click();
  await expect(dialog).toBeHidden();
  const found = await running.api.post(`/look-ups/${lookUp}/sift`, { steps: [], find: text, limit: 50 });
  expect(found.rows.find((entry: { text: string }) => entry.text === text)).toMatchObject({
    verdict: 'adjacent',
    reason: 'complement',
  });
});

test('what the last change of a recipe did is shown, the result before is kept, the tree goes down', async ({
  page,
  running,
}) => {
  await page.goto(address);
  await expect(page.getByRole('grid', { name: 'Sifted' }).getByRole('row').nth(1)).toContainText(/\w/);
  await add(page, 'volume');
  const sieve = page.getByRole('listitem', { name: 'Sieve 1' });
  const least = sieve.getByLabel('Least');
  for (const value of ['100', '400']) {
    await least.fill(value);
    await least.press('Enter');
    await expect(sieve.getByRole('alert')).toBeHidden();
  }
  const through = async (limit: number): Promise<number> => {
    const figure = { kind: 'figure', figure: 'volume', least: limit, most: null, unknown: true };
    const steps = [{ id: 'x', on: true, sieve: figure }];
    return (await running.api.post(`/look-ups/${lookUp}/sift`, { steps, limit: 1 })).through;
  };
  const [before, now] = [await through(100), await through(400)];
  await page.getByRole('button', { name: 'what the last change did' }).click();
  const view = page.getByRole('region', { name: 'What the last change did' });
  const said = (count: number): string => count.toLocaleString('en-US');
  await expect(view).toContainText(`Before the last change ${said(before)} came through, now ${said(now)}.`);
  await expect(view.getByRole('table', { name: 'Went out' })).toContainText(
    `Went out: ${said(before - now)}`,
  );
  await view.getByLabel('Name of the list of before').fill('as it was');
  await view.getByRole('button', { name: /^Keep the/ }).click();
  await expect(page.getByText('The list “as it was” is kept.')).toBeVisible();
  const lists = await running.api.get(`${at}/lists`);
  expect(lists.find(({ name }: { name: string }) => name === 'as it was').keywords).toBe(before);

  await page.getByText('Tree', { exact: true }).click();
  const tree = page.getByRole('region', { name: 'Tree' });
  const first = tree.getByRole('button', { expanded: false }).first();
  const word = (await first.innerText()).replace(/[▸▾]/g, '').trim();
  await first.click();
  const below = tree.getByRole('row').nth(2);
  await expect(below).toContainText(word);
});

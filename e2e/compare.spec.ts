import { readFileSync } from 'node:fs';
import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import { gapsTitle } from './gapsTitle';
import { BEFORE, DATE, MARKET, OWN, RIVALS, SCOPE, expect, test } from './running';

let address = '';
let at = '';
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 200);
  const csv = [
    'Date,Query,Page,Clicks,Impressions,Average position',
    ...Array.from(
      { length: 20 },
      (_, n) => `2026-03-${10 + (n % 4)},bike bag ${n},https://${OWN}/a,${n},${50 + n},${1 + n}`,
    ),
  ].join('\n');
  await running.bringIn(at, 'own.csv', 'performance', csv);
  address = `${running.server.url}/p/${project.id}/gaps?${SCOPE}`;
});

test('compared, filtered to absent, a field drawn on the map, its row opened and checked against the services', async ({
  page,
  running,
}) => {
  const gaps = (more: string): Promise<GapPage> => running.api.get(`${at}/gaps?${SCOPE}&limit=500${more}`);
  await page.goto(address);
  await page.getByRole('button', { name: /Absent/ }).click();
  const heading = page.getByRole('heading', { level: 1 });
  const absent = await gaps('&kinds=absent');
  await expect(heading).toHaveText(gapsTitle(absent.total));

  await page.getByText('Map', { exact: true }).click();
  const drawing = page.getByRole('img', { name: /^What is added against chance/ });
  await expect(drawing).toHaveAccessibleName(/of [1-9]/);
  // The point drawn last lies on top of all others: pressed, it opens the dossier of its keyword.
  const top = (await drawing.locator('path[fill-opacity="0.62"]').last().boundingBox())!;
  await page.mouse.click(top.x + top.width / 2, top.y + top.height / 2);
  const opened = page.getByRole('complementary', { name: 'Dossier' });
  await expect(opened.getByRole('heading', { level: 1 })).toBeVisible();
  expect(absent.rows.map(({ text }) => text)).toContain(
    await opened.getByRole('heading', { level: 1 }).innerText(),
  );
  await opened.getByRole('button', { name: 'Close the dossier' }).click();
  await expect(opened).toBeHidden();
  const box = (await drawing.boundingBox())!;
  await page.mouse.move(box.x + 70, box.y + 40);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.98, box.y + box.height * 0.6, { steps: 6 });
  await page.mouse.up();
  await expect(page).toHaveURL(/limits=/);
  const limits = new URL(page.url()).searchParams.get('limits')!;
  const within = await gaps(`&kinds=absent&limits=${encodeURIComponent(limits)}`);
  expect(within.total).toBeGreaterThan(0);
  expect(within.total).toBeLessThan(absent.total);
  await expect(heading).toHaveText(gapsTitle(within.total));
  for (const { chance, worthAMonth } of within.rows) {
    const [, low, high, from, to] = /^a month:(.+)\.\.(.+),chance:(.+)\.\.(.+)$/.exec(limits)!.map(Number);
    expect(worthAMonth! >= low! && worthAMonth! <= high! && chance! >= from! && chance! <= to!).toBe(true);
  }

  const grid = page.getByRole('grid', { name: 'Gaps' });
  await grid.getByRole('row').nth(1).getByRole('gridcell').nth(1).click();
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  const row = within.rows[0]!;
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(row.text);
  await expect(dossier.getByRole('heading', { name: 'The front in figures' })).toBeVisible();
  const todo = dossier.getByRole('region', { name: 'What can be done' });
  await expect(todo.getByRole('img', { name: 'Forecast' })).toBeVisible();
  const best = todo.getByRole('button', { name: row.action, exact: true });
  await expect(best).toHaveAttribute('aria-pressed', 'true');
  await checkByHand(running, row);
  await expect(dossier).toContainText(`Priority`);
  await page.getByRole('button', { name: 'clear the field' }).click();
  await expect(page).not.toHaveURL(/limits=/);
});

interface Slot {
  kind: string;
  slot: number;
  position: number;
  record: number | null;
}

/** Positions, volume and the sum of one row, worked out of what the services say. */
async function checkByHand(
  running: { witness: <T>(address: string, body?: unknown) => Promise<T> },
  row: GapRow,
) {
  const answer = await running.witness<{ records: { parent: string }[]; pages: { slots: Slot[] }[] }>(
    '/result-pages',
    { market: MARKET, date: DATE, depth: 100, keywords: [row.text] },
  );
  const { slots } = answer.pages[0]!;
  const best = (host: string): number | 'absent' => {
    const held = slots.filter(
      ({ kind, record }) => kind === 'organic' && record !== null && answer.records[record]!.parent === host,
    );
    return held.length > 0 ? Math.min(...held.map(({ position }) => position)) : 'absent';
  };
  expect([row.own, ...row.rivals]).toEqual([OWN, ...RIVALS].map(best));
  const inFront = row.rivals.filter((place): place is number => typeof place === 'number' && place <= 10);
  const sorted = [...inFront].sort((a, b) => a - b);
  const half = sorted.length / 2;
  const middle =
    sorted.length % 2 ? sorted[Math.floor(half)]! : Math.round((sorted[half - 1]! + sorted[half]!) / 2);
  expect([row.kind, row.spread, row.aim]).toEqual(['absent', inFront.length, Math.max(1, middle)]);
  expect(row.worthAMonth! / row.effort).toBeCloseTo(row.priority!, 9);
  // Nothing is paid for organic clicks: absent and uncovered, a page of our own is what adds most.
  expect(row.gain! * row.worth * 0.7).toBeCloseTo(row.worthAMonth!, 9);
  expect(row.chance!).toBeGreaterThan(row.asIs!);
}

test('a setting is changed, said beside the figures, and taken back with the key', async ({
  page,
  running,
}) => {
  await page.goto(address);
  const first = page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1);
  await expect(first).toContainText(/\w/);
  const before = await running.api.get(`${at}/gaps?${SCOPE}&limit=5`);
  await page.getByRole('link', { name: /Roster/ }).click();
  await page.getByRole('button', { name: 'Settings' }).click();
  const effort = page.getByLabel('retitle', { exact: true });
  await effort.fill('7');
  await effort.press('Enter');
  await expect(page.getByText('usual 0.25').first()).toBeVisible();
  await page.getByRole('link', { name: /Gaps/ }).click();
  await expect(page.getByText('Not as usual: effort to retitle 7.')).toBeVisible();
  expect(await running.api.get(`${at}/gaps?${SCOPE}&limit=5`)).not.toEqual(before);
  await page.getByRole('link', { name: 'Settings' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('usual 0.25')).toHaveCount(0);
  expect(await running.api.get(`${at}/gaps?${SCOPE}&limit=5`)).toEqual(before);
});

test('narrowed by rival, depth and a figure; in groups; with columns and two orders', async ({
  page,
  running,
}) => {
  await page.goto(address);
  const heading = page.getByRole('heading', { level: 1 });
  await page.getByRole('button', { name: 'narrow further' }).click();
  const narrow = page.getByRole('region', { name: 'Narrow by' });
  await narrow.getByRole('button', { name: /^11–20/ }).click();
  await narrow.getByRole('button', { name: /^Cobblemoor/i }).click();
  await narrow.getByLabel('Limit a figure').click();
  await page.getByTitle('volume', { exact: true }).click();
  await narrow.getByLabel('Least volume').fill('100');
  await narrow.getByLabel('Least volume').press('Enter');
  await expect(page).toHaveURL(/limits=volume/);
  const { searchParams } = new URL(page.url());
  const chosen = await running.api.get(
    `${at}/gaps?${SCOPE}&limit=500&bands=${encodeURIComponent('11–20')}&rivals=${searchParams.get('rivals')}&limits=volume:100..`,
  );
  expect(chosen.total).toBeGreaterThan(0);
  await expect(heading).toHaveText(gapsTitle(chosen.total));
  for (const row of chosen.rows) expect(row.own > 10 && row.own <= 20 && row.volume >= 100).toBe(true);

  await page.getByLabel('Groups').click();
  await page.getByTitle('by what to do').click();
  const groups = page.getByRole('region', { name: 'Groups' });
  await expect(groups.getByRole('row').nth(1)).toContainText(/\d/);
  const name = await groups.getByRole('row').nth(1).getByRole('button').innerText();
  await groups.getByRole('button', { name, exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`actions=${name.replace(/ /g, '\\+')}`));

  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'Columns' }).click();
  for (const column of ['In first 20', 'Spread']) {
    await page.getByLabel(column).click();
    await expect(page.getByLabel(column)).toBeChecked();
  }
  await page.keyboard.press('Escape');
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText(/\d+ %/);
  await grid.getByRole('columnheader', { name: 'Kind' }).getByRole('button').click();
  await grid
    .getByRole('columnheader', { name: 'Spread' })
    .getByRole('button')
    .click({ modifiers: ['Shift'] });
  await expect(page).toHaveURL(/sort=kind%2C-spread/);
});

test('own queries are found, narrowed and put into the tray', async ({ page }) => {
  await page.goto(`${address}&view=queries`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('190 clicks from 20 queries');
  await page.getByLabel('Find a query').fill('bag 19');
  await expect(page.getByRole('region', { name: 'Own queries' }).getByRole('row')).toHaveCount(2);
  await page.getByRole('checkbox', { name: /bike bag 19/ }).click();
  await expect(page.getByRole('region', { name: 'Tray' })).toContainText('1');
});

test('what passes, and what is in the tray, is taken away as a file', async ({ page, running }) => {
  await page.goto(`${address}&kinds=absent`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(2)).toContainText(/\w/);
  await grid.focus();
  await page.keyboard.press('Space');
  const rowsOf = async (part: number): Promise<object[]> => {
    await page.locator('#stage').getByRole('button', { name: 'Export' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'JSON' }).nth(part).click(),
    ]);
    return (JSON.parse(readFileSync(await download.path(), 'utf8')) as { rows: object[] }).rows;
  };
  const { total } = await running.api.get(`${at}/gaps?${SCOPE}&kinds=absent&limit=1`);
  const [shown, every] = [await rowsOf(0), await rowsOf(1)];
  expect([shown.length, every.length]).toEqual([total, total]);
  expect(Object.keys(shown[0]!).length).toBeLessThan(Object.keys(every[0]!).length);
  expect(await rowsOf(2)).toHaveLength(1);
});

test('two keywords of the tray are set side by side; one stands across all markets', async ({ page }) => {
  await page.goto(address);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(2)).toContainText(/\w/);
  await grid.focus();
  for (const key of ['Space', 'ArrowDown', 'Space']) await page.keyboard.press(key);
  await page.getByRole('button', { name: 'Two side by side' }).click();
  const two = page.getByRole('region', { name: 'Two keywords' });
  await expect(two).toContainText('goes first');
  await expect(two.getByRole('columnheader')).toHaveCount(3);
  await expect(two.getByRole('row', { name: /^priority, a day of work/ })).toBeVisible();
  await page.getByText('Across surfaces', { exact: true }).click();
  const across = page.getByRole('region', { name: 'Across surfaces' });
  await expect(across.getByRole('columnheader', { name: 'Could be' })).toBeVisible();
  await across.getByText('all markets of this surface').click();
  await expect(across.getByRole('columnheader', { name: 'Worst' })).toBeVisible();
  await expect(across.getByRole('row').nth(1)).toContainText('unknown');
});

test('what is missing is said: no rival captured, a market without captures, a day before the first', async ({
  page,
  running,
}) => {
  await page.goto(`${address.replace(`date=${DATE}`, 'date=2024-02-01')}`);
  await expect(page.getByText(/Nothing was looked up in this market on or before 1 Feb 2024/)).toBeVisible();
  await page.goto(`${address.replace(MARKET, 'web-de-de')}`);
  await expect(page.getByText('No keywords in this scope yet')).toBeVisible();
  await page.goto(`${address.replace(`compare=${BEFORE}`, 'compare=2024-02-01')}`);
  await expect(page.getByText(/no movement can be told/)).toBeVisible();
  const { id } = await running.api.post('/projects', { name: 'Alone' });
  await running.api.post(`/projects/${id}/targets`, { side: 'own', market: MARKET, text: OWN });
  const lookUp = await running.api.post(`/projects/${id}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN],
    extent: 'positions',
  });
  await running.api.finished(lookUp.job.id);
  await page.goto(`${running.server.url}/p/${id}/gaps?${SCOPE}`);
  await expect(page.getByText(/No rival of this surface is in the roster/)).toBeVisible();
});

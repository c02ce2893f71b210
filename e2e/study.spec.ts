import type { GapPage } from '@opsimath/contract/api/gaps';
import type { Study } from '@opsimath/contract/api/study';
import { unreadable } from './readable';
import { DATE, OWN, SCOPE, expect, test } from './running';

let address = '';
let at = '';
let keyword = 0;
const TERM_HEAD =
  'Date,Search term,Keyword,Match type,Landing page,Impressions,Clicks,Cost,Conversions,Conversion value';

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 60);
  const { rows }: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=50`);
  // Facts are shared by all projects: another spec may have fetched the records of the first fronts.
  for (const { id } of rows.filter(({ captureDate }) => captureDate !== null)) {
    const { front, recorded }: Study = await running.api.get(`${at}/keywords/${id}/study?${SCOPE}`);
    if (recorded === front) continue;
    keyword = id;
    break;
  }
  expect(keyword, 'a captured keyword whose front has records to fetch').not.toBe(0);
  address = `${running.server.url}/p/${project.id}/gaps?${SCOPE}`;
});

test('the front is studied: records fetched, results ticked, a tick taken back with the key', async ({
  page,
  running,
}) => {
  const study = (): Promise<Study> => running.api.get(`${at}/keywords/${keyword}/study?${SCOPE}`);
  await page.goto(`${address}&open=${keyword}`);
  const part = page.getByRole('region', { name: 'How the front shows itself' });
  await expect(part).toContainText('Opening lines: nobody has looked yet.');
  await part.getByRole('button', { name: /^Fetch \d+ public records$/ }).click();
  await expect(part.getByRole('button', { name: /public records/ })).toHaveCount(0);
  await part.getByRole('button', { name: 'Look at the results one by one' }).click();
  await expect(part.getByRole('img').first()).toBeVisible();
  const [first, second] = (await study()).results;
  const ticks = (about: string, of: string) => part.getByRole('group', { name: `${about}, ${of}` });
  await ticks('Opening lines', first!.address).getByRole('button', { name: 'the want' }).click();
  await expect(part).toContainText('the want 100 %, the hindrance 0 %, the help 0 % of the 1 looked at');
  await ticks('Opening lines', second!.address).getByRole('button', { name: 'none' }).click();
  await expect(part).toContainText('the want 50 %');
  await ticks('Pictures', first!.address).getByRole('button', { name: 'alone' }).click();
  await expect(part).toContainText('alone 100 %');
  expect((await study()).results[0]!.read).toEqual({ opening: ['the want'], picture: ['alone'] });
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  await page.keyboard.press('Control+z');
  await expect(part).toContainText('Pictures: nobody has looked yet.');
});

test('a position is typed in, stands apart, and is taken away and brought back', async ({
  page,
  running,
}) => {
  await page.goto(`${address}&open=${keyword}`);
  const part = page.getByRole('region', { name: 'Seen by hand' });
  await part.getByRole('button', { name: 'Type a position in' }).click();
  const form = part.getByRole('form', { name: 'Type a position in' });
  await expect(form.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await form.getByLabel('Organic position seen').fill('6');
  await form.getByLabel('Seen by').fill('Ines');
  await page.keyboard.press('Enter');
  await expect(part.getByRole('listitem')).toContainText(/at 6 .*typed in by Ines/);
  await expect(part).toContainText('count nowhere');
  await expect(page.getByRole('button', { name: /^by hand/ })).toHaveText('by hand 1');
  await part.getByRole('button', { name: 'remove' }).click();
  await expect(part.getByRole('listitem')).toHaveCount(0);
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  await page.keyboard.press('Control+z');
  await expect(part.getByRole('listitem')).toContainText('at 6');
  const held = await running.api.get(`${at}/keywords/${keyword}/hand`);
  expect(held).toMatchObject([{ organic: 6, paid: null, date: DATE, person: 'Ines' }]);
});

test('a pasted picture is shown before it is kept, with its note, and again after it was taken away', async ({
  page,
}) => {
  await page.goto(`${address}&open=${keyword}`);
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  const field = dossier.getByRole('textbox', { name: 'New note' }).first();
  await field.focus();
  await field.evaluate((element) => {
    const dot =
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
    const bytes = Uint8Array.from(atob(dot), (letter) => letter.charCodeAt(0));
    const clipboardData = new DataTransfer();
    clipboardData.items.add(new File([bytes], 'seen.png', { type: 'image/png' }));
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(dossier.getByRole('img', { name: 'Picture to be kept' })).toBeVisible();
  await field.fill('as it looked on Saturday');
  await dossier.getByRole('button', { name: 'Keep', exact: true }).click();
  const picture = dossier.getByRole('img', { name: 'Picture noted: as it looked on Saturday' });
  const wide = () => picture.evaluate((image: HTMLImageElement) => image.naturalWidth);
  await expect.poll(wide).toBe(1);
  await dossier.getByRole('list', { name: 'Notes' }).getByRole('button', { name: 'remove' }).click();
  await expect(picture).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(wide).toBe(1);
});

test('own bids are brought in, their auctions observed at the price said, and each unseen one is explained', async ({
  page,
  running,
}) => {
  await page.goto(`${address}&view=paid`);
  // What comes above it moves it down: it is pressed when all of the view is there.
  await page.waitForLoadState('networkidle');
  const part = page.getByRole('region', { name: 'What we bid on' });
  await part.getByRole('button', { name: 'Bring our bids in' }).click();
  // Before any own ad terms nobody knows what was shown.
  await expect(part).toContainText('No own ad terms are held by this date');
  await part.getByRole('button', { name: /^all/ }).click();
  await expect(part.getByRole('row').nth(1)).toContainText('unknown');
  await expect(part.getByRole('row').nth(1)).not.toContainText('never shown');
  await running.bringIn(
    at,
    'first.csv',
    'ad terms',
    `${TERM_HEAD}\n2026-03-10,some other thing,bags,exact,https://${OWN}/a,9,1,1,0,0`,
  );
  await page.reload();
  await expect(part.getByRole('button', { name: 'Bring them in again' })).toBeVisible();
  const observe = part.getByRole('button', { name: /^Observe 14 days of their auctions for/ });
  const units = Number(/for ([\d,]+) units/.exec(await observe.innerText())![1]!.replace(',', ''));
  const before = await running.witness<{ spent: number }>('/allowance');
  await observe.click();
  const spent = async () => (await running.witness<{ spent: number }>('/allowance')).spent - before.spent;
  await expect.poll(spent).toBe(units);
  await expect(part.getByRole('status')).toHaveCount(0);
  await expect(part.getByRole('row').nth(1)).toContainText(
    /never shown: (words missing|bid too low|no demand|unexplained)/,
  );
});

test('conversion is drawn against volume: a term pressed in the picture is found in the table', async ({
  page,
  running,
}) => {
  const { rows }: GapPage = await running.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=12`);
  const terms = rows.map(
    ({ text }, n) => `2026-03-10,${text},${text},exact,https://${OWN}/a,900,${20 + n},12,${n % 4},${n * 10}`,
  );
  await running.bringIn(at, 'terms.csv', 'ad terms', [TERM_HEAD, ...terms].join('\n'));
  await page.goto(`${address}&view=paid`);
  const part = page.getByRole('region', { name: 'Own ad search terms' });
  await part.getByRole('button', { name: 'Conversion against volume as a picture' }).click();
  const picture = part.getByRole('img', { name: 'Conversion rate against volume of 12 terms' });
  await expect(picture).toBeVisible();
  const points = picture.locator('svg path[fill-opacity], svg path[opacity]');
  await points.last().click({ force: true });
  await expect(part.getByLabel('Find a term')).not.toHaveValue('');
  const sought = await part.getByLabel('Find a term').inputValue();
  expect(rows.map(({ text }) => text)).toContain(sought);
  await expect(part.getByRole('row').nth(1)).toContainText(sought);
});

test('every view of gaps can be read by everybody, the dossier with its study open', async ({ page }) => {
  const found: string[] = [];
  for (const view of ['map', 'paid', 'time', 'queries', 'surfaces']) {
    await page.goto(`${address}&view=${view}`);
    await page.waitForLoadState('networkidle');
    found.push(...(await unreadable(page, view)));
  }
  await page.goto(`${address}&open=${keyword}`);
  const part = page.getByRole('region', { name: 'How the front shows itself' });
  await part.getByRole('button', { name: 'Look at the results one by one' }).click();
  await page.getByRole('button', { name: 'Type a position in' }).click();
  found.push(...(await unreadable(page, 'dossier')));
  await page.getByRole('grid', { name: 'Gaps' }).focus();
  for (const key of ['Space', 'ArrowDown', 'Space']) await page.keyboard.press(key);
  await page.getByRole('button', { name: 'Two side by side' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /goes first$/ })).toBeVisible();
  found.push(...(await unreadable(page, 'two keywords')));
  expect(found).toEqual([]);
});

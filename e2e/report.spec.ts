import AxeBuilder from '@axe-core/playwright';
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { ReportContent, ReportTable } from '@opsimath/contract/api/reportContent';
import type { Page } from '@playwright/test';
import { BEFORE, DATE, MARKET } from '../server/testing/running';
import { carry } from './carry';
import { expect, test } from './running';

const READER = fileURLToPath(new URL('../server/testing/readPdf.mjs', import.meta.url));
let at = '';
let root = '';
const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  root = `${running.server.url}/p/${project.id}`;
  await running.compared(at, 60);
});

const sections = (page: Page) => page.getByRole('complementary', { name: 'Sections' });
const names = (page: Page) => sections(page).getByRole('listitem').locator('.name').allTextContents();
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^kept/ })).toBeVisible();

async function begun(page: Page): Promise<number> {
  await page.goto(`${root}/report?${scope}`);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Gap report' })
    .getByRole('button', { name: 'Begin' })
    .click();
  await expect(page.getByRole('table').first()).toBeVisible();
  return Number(new URL(page.url()).searchParams.get('report'));
}

test('built: sections moved by key and by mouse, added, taken away, undone; it stands so after a reload', async ({
  page,
}) => {
  await begun(page);
  const before = await names(page);
  await sections(page).getByRole('button', { name: 'What to do first', exact: true }).focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect.poll(() => names(page)).toEqual([before[0], before[2], before[1], ...before.slice(3)]);
  // The paper follows at once.
  const headings = page.locator('.paper .heading');
  await expect(headings.nth(2)).toHaveValue('What to do first');

  const grip = sections(page).getByRole('button', { name: 'Carry Words used' });
  const over = sections(page).getByRole('button', { name: 'Carry In short' });
  await carry(page, grip, over, { held: page.locator('.report-sections .carried'), put: { x: 4, y: 2 } });
  await page.mouse.up();
  await expect.poll(async () => (await names(page))[0]).toBe('Words used');

  await sections(page).getByRole('button', { name: 'Remove Words used' }).click();
  await expect.poll(() => names(page)).not.toContain('Words used');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await names(page))[0]).toBe('Words used');

  await sections(page).getByRole('combobox', { name: 'Add a section' }).click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'A note for the reader' }).click();
  await expect.poll(async () => (await names(page)).at(-1)).toBe('A note for the reader');
  await kept(page);
  const made = await names(page);
  await page.reload();
  await expect.poll(() => names(page)).toEqual(made);
});

test('text is worded where it stands; its figures stay figures and follow the data', async ({
  page,
  running,
}) => {
  const id = await begun(page);
  await page.getByRole('button', { name: 'Word it yourself' }).click();
  const editor = page.getByRole('textbox', { name: 'Words of In short' });
  const figures = editor.locator('[data-figure]');
  await expect(figures.nth(8)).toBeVisible();
  const many = await figures.count();
  await editor.locator('p').first().click();
  await page.keyboard.press('End');
  await page.keyboard.type(' We can win this.');
  await kept(page);
  await page.reload();
  await expect(editor).toContainText('We can win this.');
  await expect(figures).toHaveCount(many);
  const content: ReportContent = await running.api.get(`${at}/reports/${id}/content?${scope}`);
  const all = Object.entries(content.figures).find(([key]) => key.endsWith('.all'))!;
  await expect(editor.locator(`[data-figure="${all[0]}"]`)).toHaveText(all[1].shown);
  await page.getByRole('button', { name: 'As written from the figures' }).click();
  await expect(editor).toBeHidden();
});

test('a figure leads to its row, money to what it is made of; heading, title and colour are one’s own', async ({
  page,
}) => {
  await begun(page);
  await page.locator('.written-text').getByRole('link').first().click();
  await expect(page.locator('tr.lit')).toHaveCount(1);
  const sum = page.locator('tr', { hasText: ': retitle' }).getByRole('link').first();
  const value = await sum.textContent();
  await sum.click();
  const row = page.locator('[id^="report-sums:"].lit');
  await expect(row).toContainText(value!);
  await page.getByRole('textbox', { name: 'Heading' }).nth(1).fill('Do this');
  await page.getByRole('button', { name: 'Title, logo, colour' }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('For the board');
  await page
    .getByLabel('Title, logo, colour')
    .locator('input[type=file]')
    .setInputFiles({
      name: 'logo.png',
      mimeType: 'image/png',
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    });
  await kept(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'For the board' })).toBeVisible();
  await expect(page.locator('.report-logo')).toBeVisible();
  await expect(sections(page)).toContainText('Do this');
});

test('frozen, taken away, shared; the address that is closed is closed', async ({
  page,
  running,
  context,
}) => {
  const id = await begun(page);
  await page.getByRole('button', { name: 'Freeze' }).click();
  await expect(page.getByText('as it was', { exact: false })).toBeVisible();
  const shown = await page.locator('.paper .written-text').first().innerText();

  await page.getByRole('button', { name: 'Download' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: /^PDF/ }).click(),
  ]);
  const read = JSON.parse(
    execFileSync(process.execPath, [READER, await download.path()], {
      maxBuffer: 64 * 1024 * 1024,
    }).toString(),
  ) as { pages: { text: string }[] };
  const flat = (text: string): string => text.replace(/\s+/g, '');
  const paper = flat(read.pages.map(({ text }) => text).join(' '));
  for (const sentence of shown.split('\n').filter(Boolean)) expect(paper).toContain(flat(sentence));

  await page.getByRole('button', { name: 'Share' }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const link = page.getByRole('region', { name: 'Share' }).getByRole('link');
  const address = (await link.getAttribute('href'))!;
  const reader = await context.newPage();
  await reader.goto(running.server.url + address);
  for (const sentence of shown.split('\n').filter(Boolean))
    await expect(reader.getByText(sentence).first()).toBeVisible();
  await reader.getByRole('link').first().click();
  await expect(reader).toHaveURL(/#/);
  await page.getByRole('button', { name: 'close it' }).click();
  await expect(page.getByRole('region', { name: 'Share' })).toContainText('closed');
  await reader.goto(running.server.url + address);
  await expect(reader.getByRole('heading', { name: 'Closed' })).toBeVisible();
  await reader.close();

  // The data move on: what was frozen does not.
  const list = await running.api.get(`${at}/targets`);
  const rival = list.find(({ name }: { name: string }) => name === 'Saltfen');
  await running.api.delete(`${at}/targets/${rival.id}`);
  await page.reload();
  expect(await page.locator('.paper .written-text').first().innerText()).toBe(shown);
  const now: ReportContent = await running.api.get(`${at}/reports/${id}/content?${scope}`);
  expect(now.rivals).toHaveLength(1);
  await running.api.post(`${at}/targets`, { side: 'rival', market: MARKET, text: 'saltfen.example' });
});

test('two frozen ones are held against each other', async ({ page, running }) => {
  const id = await begun(page);
  const early = await running.api.post(`${at}/reports/${id}/frozen`, { market: MARKET, date: BEFORE });
  const late = await running.api.post(`${at}/reports/${id}/frozen`, { market: MARKET, date: DATE });
  const told = await running.api.get(`${at}/frozen/${late.id}/difference?before=${early.id}`);
  await page.goto(`${root}/report?${scope}&frozen=${late.id}&against=${early.id}`);
  await expect(
    page.getByRole('heading', { name: `${told.closedInAll} closed, ${told.openedInAll} opened` }),
  ).toBeVisible();
  for (const { keyword } of told.closed.slice(0, 3))
    await expect(
      page.getByRole('region', { name: 'Since then' }).getByText(keyword, { exact: true }),
    ).toBeVisible();
});

test('made by itself is said, and kept', async ({ page }) => {
  await begun(page);
  await page.getByRole('combobox', { name: 'Make it by itself' }).click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'once a week' }).click();
  await expect(page.getByRole('navigation', { name: 'Reports' })).toContainText('once a week');
});

test('the same report in two windows: the later word does not wipe out the earlier', async ({
  page,
  context,
}) => {
  await begun(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('table').first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Heading' }).first().fill('Said first');
  await kept(page);
  await expect(other.getByRole('textbox', { name: 'Heading' }).first()).toHaveValue('Said first');
  await other.close();
});

test('from a stranger’s listing to its PDF in less than ten actions, nothing set up before', async ({
  page,
  running,
}) => {
  const market = 'marketplace-us-en';
  const front = await running.witness<{ records: { address: string }[] }>('/result-pages', {
    ...{ market, date: DATE, depth: 20, keywords: ['waterproof panniers'] },
  });
  const listing = front.records.map(({ address }) => address).find((one) => one.includes('/item/'));
  expect(listing).toBeDefined();
  let actions = 0;
  const act = async (what: Promise<unknown>): Promise<void> => {
    actions++;
    await what;
  };
  await act(page.goto(running.server.url));
  await act(page.getByRole('combobox', { name: 'Market of the audit' }).click());
  await act(
    page
      .locator('.ant-select-item-option')
      .filter({ hasText: /Marketplace · United States · English/ })
      .click(),
  );
  await act(page.getByRole('textbox', { name: 'Address to audit' }).fill(`https://${listing!}`));
  await act(page.getByRole('button', { name: 'What it costs' }).click());
  await expect(page.getByText(/at most .* units/)).toBeVisible();
  await act(page.getByRole('button', { name: 'Begin the audit' }).click());
  await expect(page.getByRole('heading', { level: 1 })).toContainText('leaves on the table');
  await expect(page.locator('.audit-progress')).toBeHidden();
  await expect(page.locator('.report-example')).toHaveCount(3);
  await act(page.getByRole('button', { name: 'Download' }).click());
  const download = page.waitForEvent('download');
  await act(page.getByRole('menuitem', { name: /^PDF/ }).click());
  expect((await download).suggestedFilename()).toMatch(/\.pdf$/);
  expect(actions).toBeLessThan(10);
  expect(await running.api.get('/projects')).not.toContainEqual(expect.objectContaining({ name: /Audit/ }));
});

const tablesOf = (content: ReportContent): ReportTable[] =>
  content.sections.flatMap(({ blocks }) =>
    blocks.filter((block): block is ReportTable => block.kind === 'table'),
  );

test('every table stands on the paper with all its columns', async ({ page, running }) => {
  const id = await begun(page);
  const content: ReportContent = await running.api.get(`${at}/reports/${id}/content?${scope}`);
  for (const table of tablesOf(content)) {
    if (table.rows.length === 0) continue;
    const row = page.locator(`[id="report-${table.id}:${table.rows[0]!.key}"]`);
    await expect(row.getByRole('cell')).toHaveCount(table.columns.length);
  }
});

test('an open report can be read by everybody, light and dark', async ({ page }) => {
  await begun(page);
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    await page.reload();
    await expect(page.getByRole('table').first()).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(violations.map(({ id, nodes }) => [scheme, id, nodes[0]?.html])).toEqual([]);
  }
});

import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { BEFORE, DATE, MARKET, OWN, expect, test } from './running';

interface ShownAnswer {
  records: { parent: string | null }[];
  pages: { keyword: string; slots: { kind: string; position: number | null; record: number | null }[] }[];
}

test('from an empty project to an exported report', async ({ page, running }) => {
  // Captures of an earlier date exist nowhere yet: the compare-with date is chosen by hand below.
  await page.goto(running.server.url);
  await page.getByLabel('Name of the brand').fill('Journey');
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('heading', { name: 'Rivals' })).toBeVisible();

  await test.step('ourselves and two rivals, with a line that makes no sense', async () => {
    await page.getByLabel('Add ours, one a line').fill(`https://www.${OWN}/`);
    await page.getByRole('button', { name: 'Add' }).first().click();
    await expect(page.getByRole('row', { name: /Tarnwick/ })).toBeVisible();
    await page
      .getByLabel('Add rivals, one a line')
      .fill('cobblemoor.example\n🚲 no site\nhttps://SALTFEN.example/?utm_x=1');
    await page.getByRole('button', { name: 'Add' }).last().click();
    await expect(page.getByRole('row', { name: /Cobblemoor/ })).toBeVisible();
    await expect(page.getByRole('row', { name: /Saltfen/ })).toBeVisible();
    await expect(page.getByText('Line 2, “🚲 no site”: not an address or id')).toBeVisible();
  });

  await test.step('own search performance from a file as a person exports it', async () => {
    const csv = [
      'Our performance',
      '',
      'Date;Query;Page;Clicks;Impressions;Average position',
      '12.03.2026;Panniers;https://tarnwick.example/;7;1.250;9,4',
      'Total;;;7;1250;',
    ].join('\n');
    await page.getByRole('button', { name: 'Files', exact: true }).click();
    await page
      .getByLabel('Table file')
      .setInputFiles({ name: 'performance.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await expect(page.getByText('separated by semicolons, heads on line 3')).toBeVisible();
    await page.getByRole('button', { name: 'Take in' }).click();
    await expect(page.getByText('1 of 2 rows kept')).toBeVisible();
    await expect(page.getByText('1 row of totals passed over')).toBeVisible();
  });

  await test.step('a look-up of rivals at two dates, its price seen before', async () => {
    await page.getByRole('link', { name: /Look-up/ }).click();
    await chooseCompareDate(page);
    await page.getByText('+ captures').click();
    await page.getByRole('button', { name: 'Price' }).click();
    await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
    await page.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('grid', { name: 'Pool' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
  });

  await test.step('gaps agree with the services’ own result pages', async () => {
    await page.getByRole('link', { name: 'Compare these in Gaps' }).click();
    await page.getByRole('button', { name: /Trailing/ }).click();
    await expect(page).toHaveURL(/kinds=trailing/);
    await expect(page.getByRole('heading', { level: 1, name: /these filters/ })).toBeVisible();
    const shown = await page
      .getByRole('grid', { name: 'Gaps' })
      .getByRole('row')
      .filter({ hasText: 'trailing' })
      .all();
    expect(shown.length).toBeGreaterThan(5);
    const keywords = await Promise.all(
      shown.slice(0, 6).map((row) => row.getByRole('gridcell').nth(1).locator('b').innerText()),
    );
    const lanes = await Promise.all(
      shown.slice(0, 6).map((row) => row.getByRole('img').getAttribute('aria-label')),
    );
    const now = await running.witness<ShownAnswer>('/result-pages', { market: MARKET, date: DATE, keywords });
    const before = await running.witness<ShownAnswer>('/result-pages', {
      market: MARKET,
      date: BEFORE,
      keywords,
    });
    const best = (answer: ShownAnswer, host: string, i: number): number | 'absent' => {
      const positions = answer.pages[i]!.slots.filter(
        (slot) => slot.kind === 'organic' && answer.records[slot.record!]!.parent === host,
      ).map((slot) => slot.position!);
      return positions.length > 0 ? Math.min(...positions) : 'absent';
    };
    keywords.forEach((_, i) => {
      const [own, old] = [best(now, OWN, i), best(before, OWN, i)];
      const was = own === old ? '' : `, was ${old}`;
      expect(lanes[i]).toContain(
        `Organic: Tarnwick ${own}${was}; Cobblemoor ${best(now, 'cobblemoor.example', i)}; Saltfen ${best(now, 'saltfen.example', i)}.`,
      );
    });
  });

  await test.step('a dossier by keyboard, its sum opened out', async () => {
    await page.getByRole('grid', { name: 'Gaps' }).focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    const dossier = page.getByRole('complementary', { name: 'Dossier' });
    await expect(dossier.getByRole('heading', { name: 'How the priority came about' })).toBeVisible();
    await expect(dossier.getByRole('row', { name: /^Adds/ })).toBeVisible();
    await expect(dossier.getByText(/looked to depth 100/)).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.getByText('1 in the tray')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(dossier).toBeHidden();
    await page.reload();
    await expect(page.getByText('1 in the tray')).toBeVisible();
  });

  await test.step('the report printed and exported', async () => {
    await page.keyboard.press('g');
    await page.keyboard.press('t');
    await page.getByRole('button', { name: 'Begin' }).first().click();
    await expect(page.getByRole('heading', { level: 1, name: 'Report on Tarnwick' })).toBeVisible();
    await expect(page.getByRole('table').first()).toBeVisible();
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    await page.getByRole('button', { name: 'Download' }).click();
    await page.getByRole('menuitem', { name: 'CSV, one table' }).hover();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: 'Gaps by kind' }).click(),
    ]);
    const lines = readFileSync(await download.path(), 'utf8')
      .trim()
      .split('\n');
    const [project] = (await running.api.get('/projects')).filter(
      (entry: { name: string }) => entry.name === 'Journey',
    );
    const pool = new URL(page.url()).searchParams.get('pool');
    const scope = `market=${MARKET}&date=${DATE}&compare=${BEFORE}&pool=${pool}`;
    const { totals } = await running.api.get(`/projects/${project.id}/gaps?${scope}&limit=1`);
    expect(lines.find((line) => line.startsWith('absent,'))).toContain(`,${totals.kinds.absent},`);
  });
});

/** The scope bar's compare-with date, picked as a day of which nothing is held yet. */
async function chooseCompareDate(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Compare with/ }).click();
  const box = page.getByLabel('Another compare with');
  await box.click();
  await box.fill(BEFORE);
  await box.press('Enter');
  await expect(page.getByRole('button', { name: 'Compare with: 14 Dec 2025' })).toBeVisible();
}

test('eight actions lead from nothing to the keywords that we lack; a single page raises the question of its site', async ({
  page,
  running,
}) => {
  await page.goto(running.server.url);
  await page.getByLabel('Name of the brand').fill('First steps');
  await page.getByRole('button', { name: 'Start' }).click();
  const path = page.getByRole('region', { name: 'First steps' });
  await path.getByLabel('Our site').fill(OWN);
  await path.getByRole('button', { name: 'This is us' }).click();
  await expect(path).toContainText('Tarnwick');
  await path
    .getByLabel('Sites we face')
    .fill('https://www.cobblemoor.example/range/frame-bags, saltfen.example');
  await expect(path).toContainText('This is a single page.');
  await path.getByRole('button', { name: 'Take cobblemoor.example instead' }).click();
  await expect(path).toContainText('Cobblemoor, Saltfen');
  await expect(path).toContainText(/units? of [\d,]+ left|it costs nothing/);
  await path.getByRole('button', { name: 'Look up 3 targets' }).click();
  await path.getByRole('button', { name: 'See what we lack' }).click();
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await expect(grid.getByRole('row').nth(1)).toContainText('absent');
  // It is done with: the roster does not offer it to whoever has left it.
  await page.getByRole('link', { name: /Roster/ }).click();
  await path.getByRole('button', { name: 'skip this' }).click();
  await expect(path).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'We', exact: true })).toBeVisible();
  await expect(path).toHaveCount(0);
});

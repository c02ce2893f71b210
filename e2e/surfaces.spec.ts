import { DATE, expect, test } from './running';

interface Ranking {
  keyword: string;
  address: string;
  organic: number | null;
}

/** What each surface calls its things, and where its owners live. */
const SURFACES = [
  {
    market: 'web-us-en',
    seed: 'bike bags',
    own: 'tarnwick.example',
    parents: ['cobblemoor.example', 'https://www.Saltfen.example/?utm_x=1'],
    kinds: ['site', 'page', 'section'],
    section: 'pikewater.example/range/*',
  },
  {
    market: 'video-us-en',
    seed: 'panniers',
    own: 'vidlantern.example/on/tarnwick',
    parents: ['vidlantern.example/on/cobblemoor', 'https://vidlantern.example/on/Saltfen/videos'],
    kinds: ['channel', 'video'],
    section: 'vidlantern.example/on/pikewater',
  },
  {
    market: 'marketplace-us-en',
    seed: 'waterproof panniers',
    own: 'stallbridge.example/stall/tarnwick',
    parents: ['stallbridge.example/stall/cobblemoor', 'www.stallbridge.example/stall/saltfen'],
    kinds: ['shop', 'listing'],
    section: 'stallbridge.example/stall/pikewater',
  },
];

for (const surface of SURFACES) {
  test(`on ${surface.market}: find rivals, look up five mixed targets, see the pool`, async ({
    page,
    running,
  }) => {
    const { market, seed, own, parents, kinds, section } = surface;
    await running.api.get('/markets');
    const project = await running.api.post('/projects', { name: `Surfaces ${market}` });
    const at = `/projects/${project.id}`;
    await running.api.post(`${at}/targets`, { side: 'own', market, text: own });
    const query = `market=${market}&date=${DATE}&compare=none`;
    await page.goto(`${running.server.url}/p/${project.id}/roster?${query}`);

    await test.step('the front of a seed keyword as cards; one is added as a rival', async () => {
      await page.getByRole('button', { name: 'Find rivals' }).first().click();
      await page.getByLabel('Seed keyword').fill(seed);
      await page.getByLabel('Seed keyword').press('Enter');
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(`“${seed}”`);
      const witness = await running.witness<{
        records: { address: string; title: string; owner: string }[];
        pages: { slots: { kind: string; position: number; record: number }[] }[];
      }>('/result-pages', { market, date: DATE, keywords: [seed] });
      const organic = witness.pages[0]!.slots.filter((slot) => slot.kind === 'organic').slice(0, 20);
      const cards = page.getByRole('listitem').filter({ hasText: /published/ });
      for (const [i, slot] of organic.slice(0, 5).entries()) {
        const { title, owner } = witness.records[slot.record]!;
        await expect(cards.nth(i)).toContainText(title);
        await expect(cards.nth(i)).toContainText(owner);
      }
      const stranger = cards.filter({ has: page.getByRole('button', { name: 'Add as rival' }) }).first();
      const title = await stranger.locator('.card-title').innerText();
      await stranger.getByRole('button', { name: 'Add as rival' }).click();
      await expect(page.getByText('a rival', { exact: true }).first()).toBeVisible();
      const targets = await running.api.get(`${at}/targets`);
      expect(targets.find((target: { side: string }) => target.side === 'rival').record.title).toBe(title);
    });

    const { rows } = await running.witness<{ rows: Ranking[] }>(
      `/rankings?${new URLSearchParams({ market, date: DATE, target: own, limit: '200' })}`,
    );
    const single = [...new Set(rows.filter((row) => row.organic !== null).map((row) => row.address))].filter(
      (address) => address !== own,
    );
    const paste = [...parents, section, single[0]!, single[1]!, 'nothing here', parents[0]!];

    await test.step('five mixed targets are recognised, repeats counted once, nonsense named', async () => {
      await page.getByRole('link', { name: /Look-up/ }).click();
      const boxes = page.locator('.lookup-targets').getByRole('checkbox');
      await expect(boxes).toHaveCount(2);
      for (const box of await boxes.all()) await box.uncheck();
      await page.getByLabel('More targets, one a line').fill(paste.join('\n'));
      const recognised = page.getByRole('list', { name: 'Recognised targets' }).getByRole('listitem');
      await expect(recognised).toHaveCount(5);
      for (const kind of kinds) await expect(recognised.filter({ hasText: kind }).first()).toBeVisible();
      await expect(page.getByText('1 repeated: counted once.')).toBeVisible();
      await expect(page.getByRole('alert')).toContainText('Line 6, “nothing here”');
    });

    await test.step('priced, started, and its pool is what the services say', async () => {
      await page.getByRole('button', { name: 'Price' }).click();
      await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
      await page.getByRole('button', { name: 'Start' }).click();
      await expect(page.getByRole('grid', { name: 'Pool' })).toBeVisible();
      await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
      const [lookUp] = await running.api.get(`${at}/look-ups`);
      await running.api.finished(lookUp.job.id);
      const expected = new Set<string>();
      for (const target of lookUp.request.targets) {
        let cursor: string | null = '';
        while (cursor !== null) {
          const asked = new URLSearchParams({ market, date: DATE, target, ...(cursor ? { cursor } : {}) });
          const answer: { rows: Ranking[]; cursor: string | null } = await running.witness(
            `/rankings?${asked}`,
          );
          for (const row of answer.rows) expected.add(row.keyword);
          cursor = answer.cursor;
        }
      }
      expect(lookUp.request.targets).toHaveLength(5);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(
        `${expected.size.toLocaleString('en-US')} keywords`,
      );
      const first = await page.getByRole('grid', { name: 'Pool' }).getByRole('row').nth(1).innerText();
      expect(expected.has(first.split('\n')[0]!.trim())).toBe(true);
    });
  });
}

test('seeds, columns, orders, and an export that can be traced', async ({ page, running }) => {
  const { id } = await running.project();
  await page.goto(
    `${running.server.url}/p/${id}/look-up?market=web-us-en&date=${DATE}&compare=none&view=seeds`,
  );
  await page.getByLabel('Seed keywords, one a line or with commas').fill('panniers, frame bag');
  await page.getByRole('checkbox', { name: /also ranked for/ }).check();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('list', { name: 'Seed keywords' })).toContainText('frame bag');
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
  await page.getByRole('button', { name: 'Columns' }).click();
  // Of seeds it is said at once how each was found.
  await expect(page.getByRole('checkbox', { name: 'How found', exact: true })).toBeChecked();
  for (const name of ['Words', 'Results']) {
    await page.getByRole('checkbox', { name, exact: true }).click();
    await expect(page.getByRole('checkbox', { name, exact: true })).toBeChecked();
  }
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Words', exact: true }).click();
  await expect(page).toHaveURL(/poolSort=-words/);
  await page.getByRole('button', { name: 'Keyword', exact: true }).click({ modifiers: ['Shift'] });
  await expect(page).toHaveURL(/poolSort=-words%2Ckeyword/);
  await page.getByRole('button', { name: /^also ranked/ }).click();
  await expect(page).toHaveURL(/poolFound=also\+ranked/);
  const address = page.url();
  await page.goto('about:blank');
  await page.goto(address);
  const grid = page.getByRole('grid', { name: 'Pool' });
  const lookUp = (await running.api.get(`/projects/${id}/look-ups`)).find(
    (entry: { parts: unknown[] }) => entry.parts.length > 0,
  );
  const pool = await running.api.get(
    `/look-ups/${lookUp.id}/keywords?sort=-words,keyword&foundBy=also+ranked&limit=1`,
  );
  await expect(grid.getByRole('row').nth(1)).toContainText(pool.rows[0].text);
  await page.getByRole('button', { name: 'Export' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: /^JSON, .* shown/ }).click(),
  ]);
  expect(download.suggestedFilename()).toContain(`pool-${lookUp.id}-web-us-en-${DATE}`);
  expect(await running.api.get(`/look-ups/${lookUp.id}/exports`)).toMatchObject([{ rows: pool.total }]);
});

test('a target’s panel: profile, keywords, changes seen, and notes that are kept as typed', async ({
  page,
  running,
}) => {
  const { id, at } = await running.project();
  const started = await running.api.post(`${at}/look-ups`, {
    market: 'web-us-en',
    date: DATE,
    targets: ['tarnwick.example', 'cobblemoor.example'],
    extent: 'metrics',
  });
  await running.api.finished(started.job.id);
  await page.goto(`${running.server.url}/p/${id}/roster?market=web-us-en&date=${DATE}&compare=none`);
  await page.getByRole('button', { name: 'Open Cobblemoor' }).click();
  const panel = page.getByRole('complementary', { name: 'Target' });
  await expect(panel.getByRole('row', { name: /organic keywords/ })).toContainText(/\d/);
  await panel.getByText('Keywords', { exact: true }).click();
  await expect(panel.getByText(/keywords, \d+ at 1/)).toBeVisible();
  await panel.getByText('Our notes').click();
  await panel.getByRole('textbox', { name: 'note', exact: true }).fill('Sells the same bags.');
  await expect
    .poll(async () => (await running.api.get(`${at}/targets`))[1].note)
    .toBe('Sells the same bags.');
  await page.reload();
  await expect(panel).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
});

test('held figures are marked old beyond the limit of their surface', async ({ page, running }) => {
  const { id, at } = await running.project();
  const started = await running.api.post(`${at}/look-ups`, {
    market: 'web-us-en',
    date: DATE,
    targets: ['cobblemoor.example'],
    extent: 'metrics',
  });
  await running.api.finished(started.job.id);
  const scope = 'market=web-us-en&date=2026-06-14&compare=none';
  const first = page.getByRole('grid', { name: 'Pool' }).getByRole('row').nth(1);
  await page.goto(`${running.server.url}/p/${id}/look-up?${scope}`);
  const mark = first.getByText('old', { exact: true });
  await expect(mark).toBeVisible();
  await expect(page.getByText('(old: 92 days)')).toBeVisible();
  await page.goto(`${running.server.url}/p/${id}/roster?${scope}`);
  await page.getByRole('button', { name: 'Settings' }).click();
  const limit = page.getByLabel(/^web/);
  await limit.fill('92');
  await limit.press('Enter');
  await expect(page.getByText('Age limit of web changed.')).toBeVisible();
  await page.getByRole('link', { name: /Look-up/ }).click();
  await expect(first).toContainText(/\d/);
  await expect(mark).toBeHidden();
});

import { MARKET, expect, test } from './running';

let at = '';
let address = '';
test.beforeEach(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  address = `${running.server.url}/p/${project.id}/look-up?market=${MARKET}&date=2026-03-14&compare=none`;
});

test('a look-up of pasted pages is followed, cancelled, gone on with, and its pool read', async ({
  page,
  running,
}) => {
  await page.goto(address);
  await expect(page.getByText('No look-up in this market yet')).toBeVisible();
  for (const rival of ['Cobblemoor', 'Saltfen']) await page.getByRole('checkbox', { name: rival }).uncheck();
  await page
    .getByLabel('More targets, one a line')
    .fill('https://rovelot.example/\nnot an address\nwww.greavescycle.example');
  await expect(page.getByText('Line 2, “not an address”: not an address or id')).toBeVisible();
  await page.getByText('+ metrics').click();
  await running.faults({ latencyMs: 1_000 });
  // What it costs comes first.
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('row', { name: /^Units/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'keywords of each target' })).toBeVisible();
  // From here on so slow that the look-up cannot end by itself before it is cancelled, on any machine.
  await running.faults({ latencyMs: 30_000 });
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Cancelled. What had come is kept.')).toBeVisible();
  await running.faults({});
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('Cancelled. What had come is kept.')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Cancel' })).toBeHidden();
  const [{ id, job }] = await running.api.get(`${at}/look-ups`);
  await running.api.finished(job.id);
  const pool = await running.api.get(`/look-ups/${id}/keywords?limit=1`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    `${pool.total.toLocaleString('en-US')} keywords`,
  );
  await expect(page.getByRole('grid', { name: 'Pool' })).toContainText(pool.rows[0].text);
  await page.getByLabel('Find in this pool').fill('zzzz');
  await expect(page.getByText('No keyword of this pool passes these filters.')).toBeVisible();
});

test('a repeat of what is held is priced at nothing', async ({ page, running }) => {
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: '2026-03-14',
    targets: ['tarnwick.example', 'cobblemoor.example', 'saltfen.example'],
    extent: 'positions',
  });
  await running.api.finished(started.job.id);
  await page.goto(address);
  await page.getByText('Positions', { exact: true }).click();
  await page.getByRole('button', { name: 'Price' }).click();
  await expect(page.getByRole('row', { name: /keywords of cobblemoor.example/ })).toContainText('held');
  await expect(page.getByRole('row', { name: /^Units/ })).toContainText('0');
});

test('services that fail are explained, and the look-up can go on when they are back', async ({
  page,
  running,
}) => {
  await page.goto(address);
  await page.getByText('Positions', { exact: true }).click();
  // Something that no other look-up holds already.
  await page.getByLabel('More targets, one a line').fill('ridgeledger.example');
  // What it costs comes first.
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('row', { name: /^Units/ })).toBeVisible();
  await running.faults({ serverError: 1 });
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: /Missing: .* did not answer after \d+ tries: status 500/ }),
  ).toBeVisible();
  await running.faults({});
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('grid', { name: 'Pool' })).toBeVisible();
});

import { MARKET, expect, test } from './running';

let address = '';
let at = '';
test.beforeEach(async ({ page, running }) => {
  const project = await running.project();
  at = project.at;
  address = `${running.server.url}/p/${project.id}/roster?market=${MARKET}&date=2026-03-14&compare=none`;
  await page.goto(address);
});

const FILE = 'Table file';
const csv = (text: string | Buffer) => ({
  name: 'odd.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(text as string),
});

test('a file with unknown heads is corrected before it is taken in, and its bad rows are listed', async ({
  page,
  running,
}) => {
  await page.getByRole('button', { name: 'Files', exact: true }).click();
  await page
    .getByLabel(FILE)
    .setInputFiles(csv('Typed,Day,Seen,Pressed\nrain cover,2026-03-01,20,2\nrain cover,never,20,2\n'));
  await expect(page.getByText('No column for query: choose which one holds it.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take in' })).toBeDisabled();
  for (const [field, head] of [
    ['query', 'Typed'],
    ['impressions', 'Seen'],
    ['clicks', 'Pressed'],
  ] as const) {
    await page.getByRole('combobox', { name: `Column of ${field}` }).click();
    await page.locator('.ant-select-dropdown:visible').getByTitle(head, { exact: true }).click();
  }
  await page.getByRole('button', { name: 'Take in' }).click();
  await expect(page.getByText('1 of 2 rows kept')).toBeVisible();
  await page.getByRole('button', { name: '1 rejected' }).click();
  await expect(page.getByText('Line 3: “never” is not a date.')).toBeVisible();
  expect(await running.api.get(`${at}/imports`)).toMatchObject([{ rowsKept: 1, rowsRejected: 1 }]);
});

for (const [what, content, message] of [
  ['an empty file', '', 'This file is empty.'],
  [
    'a picture',
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13, 0, 1, 2, 3, 0xff, 0xfe, 0, 0]),
    'This file is not a text table',
  ],
] as const) {
  test(`${what} is refused in words`, async ({ page }) => {
    await page.getByRole('button', { name: 'Files', exact: true }).click();
    await page.getByLabel(FILE).setInputFiles(csv(content as string));
    await expect(page.getByRole('alert')).toContainText(message);
  });
}

test('a target can be taken out and added again', async ({ page }) => {
  await page
    .getByRole('row', { name: /Saltfen/ })
    .getByRole('button', { name: 'remove' })
    .click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByRole('row', { name: /Saltfen/ })).toBeHidden();
  await page.getByLabel('Add rivals, one a line').fill('saltfen.example\ncobblemoor.example');
  await page.getByRole('button', { name: 'Add' }).last().click();
  await expect(page.getByRole('row', { name: /Saltfen/ })).toBeVisible();
  await expect(page.getByText('Line 2, “cobblemoor.example”: is in the roster already.')).toBeVisible();
});

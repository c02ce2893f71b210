import type { Dossier } from '@opsimath/contract/api/dossier';
import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { WhatToDo } from '@opsimath/contract/api/whatToDo';
import { DATE, MARKET, OWN, RIVALS, SCOPE, expect, test } from './running';

let address = '';
let at = '';
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 200);
  address = `${running.server.url}/p/${project.id}`;
});

interface Slot {
  kind: string;
  position: number;
  record: number | null;
}

test('the first gap is opened and read against the services, another action chosen, the order follows, undone', async ({
  page,
  running,
}) => {
  const gaps = async (): Promise<GapRow[]> =>
    ((await running.api.get(`${at}/gaps?${SCOPE}&limit=60`)) as GapPage).rows;
  const dossierOf = (id: number): Promise<Dossier> =>
    running.api.get(`${at}/keywords/${id}/dossier?${SCOPE}`);
  // The first row that has another way of known value.
  let [place, row, other]: [number, GapRow | null, string] = [0, null, ''];
  for (const [n, one] of (await gaps()).entries()) {
    const found = (await dossierOf(one.id)).alternatives.find(
      ({ action, value }) => action !== one.action && value !== null,
    );
    if (found === undefined) continue;
    [place, row, other] = [n, one, found.action];
    break;
  }
  await page.goto(`${address}/gaps?${SCOPE}`);
  const grid = page.getByRole('grid', { name: 'Gaps' });
  await grid.getByText(row!.text, { exact: true }).first().click();
  const dossier = page.getByRole('complementary', { name: 'Dossier' });
  await expect(dossier.getByRole('heading', { level: 1 })).toHaveText(row!.text);

  // Positions as the services show them; the sum adds up from line to line.
  const answer = await running.witness<{ records: { parent: string }[]; pages: { slots: Slot[] }[] }>(
    '/result-pages',
    { market: MARKET, date: DATE, depth: 100, keywords: [row!.text] },
  );
  const best = (host: string): number | 'absent' => {
    const held = answer.pages[0]!.slots.filter(
      ({ kind, record }) => kind === 'organic' && record !== null && answer.records[record]!.parent === host,
    );
    return held.length > 0 ? Math.min(...held.map(({ position }) => position)) : 'absent';
  };
  expect([row!.own, ...row!.rivals]).toEqual([OWN, ...RIVALS].map(best));
  const fit = 0.7;
  expect(row!.gain! * row!.worth * fit + row!.elsewhereValue).toBeCloseTo(row!.worthAMonth!, 6);
  expect(row!.worthAMonth! / row!.effort).toBeCloseTo(row!.priority!, 6);

  const todo = dossier.getByRole('region', { name: 'What can be done' });
  await todo
    .getByRole('row', { name: new RegExp(`^${other}`) })
    .getByRole('button', { name: 'Choose' })
    .click();
  await expect(todo.getByText('Chosen:')).toBeVisible();
  await expect(dossier.getByText('Chosen:').first()).toBeVisible();
  const chosen = (await gaps()).findIndex(({ id }) => id === row!.id);
  expect(chosen === -1 || chosen >= place).toBe(true);
  const after = await dossierOf(row!.id);
  expect([after.row.action, after.choice!.action]).toEqual([other, other]);
  if (chosen >= 0) await expect(grid.getByRole('row').nth(1 + chosen)).toContainText(row!.text);

  await page.keyboard.press('Control+z');
  await expect(todo.getByText('Chosen:')).toHaveCount(0);
  expect((await dossierOf(row!.id)).row).toEqual(row);
  await expect(grid.getByRole('row').nth(1 + place)).toContainText(row!.text);

  // Marks lead to the sections.
  await dossier.getByRole('navigation').getByRole('button', { name: 'Result page' }).click();
  await expect(dossier.getByRole('heading', { name: /Result page of/ })).toBeInViewport();
});

test('what to do: the first lines with the keywords they serve, one opened into its dossier; the same sum in the title', async ({
  page,
  running,
}) => {
  const { lines, first, total }: WhatToDo = await running.api.get(`${at}/what-to-do?${SCOPE}&limit=50`);
  await page.goto(`${address}/gaps?${SCOPE}`);
  await page.getByRole('button', { name: 'pieces of work' }).click();
  await expect(page).toHaveURL(/view=work/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    `${total} pieces of work. The first ${first!.lines} would add about`,
  );
  const table = page.getByRole('table', { name: 'What to do' });
  await expect(table.getByRole('button', { expanded: false })).toHaveCount(lines.length);
  const line = lines[0]!;
  await table.getByRole('button', { name: line.lead.text }).first().press('Enter');
  const served = page.getByRole('table', { name: 'Keywords that it serves' });
  await expect(served.getByRole('img').first()).toBeVisible();
  // The head, the keywords, and where there are more a word on that.
  const more = line.serves.length > 25 ? 1 : 0;
  await expect(served.getByRole('row')).toHaveCount(1 + Math.min(25, line.serves.length) + more);
  await expect(table).toContainText(line.reason);
  if (line.title !== null) await expect(table).toContainText(line.title);
  await served.getByRole('button', { name: line.lead.text, exact: true }).click();
  await expect(
    page.getByRole('complementary', { name: 'Dossier' }).getByRole('heading', { level: 1 }),
  ).toHaveText(line.lead.text);
});

test('coverage of a rival in three presses from the roster, with pasted slots', async ({ page, running }) => {
  await page.goto(`${address}/roster?${SCOPE}`);
  const [rival] = (
    (await running.api.get(`${at}/targets`)) as { id: number; side: string; name: string }[]
  ).filter(({ side }) => side === 'rival');
  await page.getByRole('button', { name: rival!.name }).first().click();
  const panel = page.getByRole('complementary', { name: 'Target' });
  await panel.getByText('Coverage', { exact: true }).click();
  const words = panel.getByRole('table', { name: 'Words that are needed' });
  await expect(words.getByRole('row').nth(3)).toBeVisible();
  await panel.getByLabel('Hidden slots').fill('zebra stripes');
  await expect(words.getByRole('columnheader', { name: 'pasted slots' })).toBeVisible();
});

import AxeBuilder from '@axe-core/playwright';
import type { RoundPlan, RoundsView } from '@opsimath/contract/api/rounds';
import { carry } from './carry';
import { BEFORE, DATE, MARKET, SCOPE, expect, test } from './running';

let address = '';
let at = '';
test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 150);
  address = `${running.server.url}/p/${project.id}/rounds?${SCOPE}`;
});

test('a round is filled by optimisation, work moves by key and by mouse, is put off, and all of it is taken back', async ({
  page,
  running,
}) => {
  const board = (): Promise<RoundsView> => running.api.get(`${at}/rounds?${SCOPE}`);
  await page.goto(address);
  await page.getByLabel('Days of person 1').fill('3');
  await page.getByRole('button', { name: 'Add it and fill it' }).click();
  const first = page.getByRole('region', { name: 'Round 1' });
  const cards = first.getByRole('article');
  await expect(cards.nth(2)).toBeVisible();
  const filled = (await board()).rounds[0]!;
  await expect(cards).toHaveCount(filled.tasks.length);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Round 1 adds about');
  await expect(first.getByRole('img', { name: /of 3 days|of 3\.0 days/ })).toBeVisible();

  // Another round; what it would take stands above the line, in the order of the plan.
  await page.getByRole('button', { name: 'Add a round…' }).click();
  await page.getByRole('button', { name: 'Add it', exact: true }).click();
  const second = page.getByRole('region', { name: 'Round 2' });
  await expect(second).toBeVisible();
  await second.getByRole('button', { name: 'Round 2' }).click();
  await expect(page.getByText(/^here Round 2 would end/)).toBeVisible();
  const { rounds } = await board();
  const plan: RoundPlan = await running.api.get(`${at}/rounds/${rounds[1]!.id}/plan?${SCOPE}`);
  const queue = page.getByRole('region', { name: 'Queue' });
  await expect(queue.getByRole('article').first()).toHaveAccessibleName(
    new RegExp(`^${plan.lines[0]!.lead.text}:`),
  );

  // By keyboard: into the second round, up and down in it.
  const [moved, other] = filled.tasks;
  const card = (text: string) => page.getByRole('article', { name: new RegExp(`^${text}:`) });
  await card(moved!.lead.text).focus();
  await page.keyboard.press('2');
  await expect(second.getByRole('article')).toHaveCount(1);
  await card(other!.lead.text).focus();
  await page.keyboard.press('2');
  await expect(second.getByRole('article')).toHaveCount(2);
  await card(other!.lead.text).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(second.getByRole('article').first()).toHaveAccessibleName(new RegExp(`^${other!.lead.text}:`));

  // By mouse: from the queue into the second round.
  const carried = queue.getByRole('article').first();
  const name = (await carried.getByRole('heading').innerText()).trim();
  await carry(page, carried, second.getByText(/^Carry work here/), {
    held: page.locator('.work-card.overlay'),
    taken: { x: 30, y: 14 },
  });
  await expect(second).toHaveClass(/drop-here/);
  await page.mouse.up();
  await expect(second.getByRole('article')).toHaveCount(3);
  await expect(second.getByRole('article', { name: new RegExp(`^${name}:`) })).toBeVisible();

  // Put off with a reason, then everything is taken back in turn.
  await card(other!.lead.text).click();
  const panel = page.getByRole('complementary', { name: 'Piece of work' });
  await panel.getByLabel('Reason').fill('the catalogue comes first');
  await panel.getByLabel('Until').fill('1 May 2026');
  await page.keyboard.press('Enter');
  await panel.getByRole('button', { name: 'Put off' }).click();
  await expect(second.getByRole('article')).toHaveCount(2);
  await panel.getByRole('button', { name: 'Close the piece of work' }).click();
  await expect(page.getByRole('complementary', { name: 'What to mind' })).toContainText(
    'the catalogue comes first',
  );
  for (let step = 0; step < 5; step++) {
    const before = JSON.stringify(await board());
    await page.keyboard.press('Control+z');
    await expect.poll(async () => JSON.stringify(await board()) === before).toBe(false);
  }
  await expect(second.getByRole('article')).toHaveCount(0);
  await expect(cards).toHaveCount(filled.tasks.length);
  expect((await board()).rounds[0]!.tasks.map(({ id }) => id)).toEqual(filled.tasks.map(({ id }) => id));
});

test('every part of it can be read by assistive technology; after a reload it stands as it stood', async ({
  page,
  running,
}) => {
  const { rounds }: RoundsView = await running.api.get(`${at}/rounds?${SCOPE}`);
  if (rounds.length === 0) {
    const { id }: { id: number } = await running.api.post(`${at}/rounds`, {
      name: 'Round 1',
      starts: '2026-03-16',
      ends: '2026-03-27',
      people: [{ name: 'Ada', days: 3 }],
      most: 6,
    });
    await running.api.post(`${at}/rounds/${id}/fill`, { market: MARKET, date: DATE, compare: BEFORE });
  }
  for (const view of ['', '&view=calendar', '&view=answering']) {
    await page.goto(`${address}${view}`);
    await page.waitForLoadState('networkidle');
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(violations.map(({ id, nodes }) => [view, id, nodes[0]?.html])).toEqual([]);
  }
  await page.goto(address);
  await page.getByRole('region', { name: 'Round 1' }).getByRole('article').first().click();
  const panel = page.getByRole('complementary', { name: 'Piece of work' });
  const title = await panel.getByRole('heading', { level: 2 }).innerText();
  await page.reload();
  await expect(panel.getByRole('heading', { level: 2 })).toHaveText(title);
});

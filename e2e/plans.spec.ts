import type { AnsweringView, RoundPlan, RoundsView } from '@opsimath/contract/api/rounds';
import type { Draft } from '@opsimath/contract/api/drafts';
import type { Project } from '@opsimath/contract/api/projects';
import { BEFORE, DATE, MARKET, SCOPE, expect, test } from './running';

let address = '';
let at = '';
let round = 0;

test.beforeAll(async ({ running }) => {
  const project = await running.project();
  at = project.at;
  await running.compared(at, 120);
  address = `${running.server.url}/p/${project.id}`;
  ({ id: round } = await running.api.post(`${at}/rounds`, {
    name: 'Spring',
    starts: '2026-03-16',
    ends: '2026-03-27',
    most: 6,
    people: [{ name: 'Ada', days: 2 }],
  }));
});

test('two plans for one round: more days bring no less, what stands in one only is in bold', async ({
  page,
  running,
}) => {
  await page.goto(`${address}/rounds?${SCOPE}`);
  await page.getByRole('button', { name: 'Compare plans…' }).click();
  const [first, second] = ['First plan', 'Second plan'].map((name) => page.getByRole('region', { name }));
  const days = page.getByLabel('Days of the second plan');
  await days.fill('12');
  await days.press('Tab');
  const plan = (more: string): Promise<RoundPlan> =>
    running.api.get(`${at}/rounds/${round}/plan?${SCOPE}${more}`);
  const [few, many] = [await plan('&days=2&most=6'), await plan('&days=12&most=6')];
  expect(many.value).toBeGreaterThanOrEqual(few.value);
  await expect(first!.getByRole('row')).toHaveCount(few.lines.length);
  await expect(second!.getByRole('row')).toHaveCount(many.lines.length);
  const name = ({ lead, action }: RoundPlan['lines'][number]): string => `${lead.id} ${action}`;
  const common = new Set(few.lines.map(name));
  const only = many.lines.filter((line) => !common.has(name(line)));
  await expect(second!.locator('tbody b')).toHaveText(only.map(({ lead }) => lead.text));
  // One action at most: one line is left.
  const most = page.getByLabel('Most actions of the first plan');
  await most.fill('1');
  await most.press('Tab');
  await expect(first!.getByRole('row')).toHaveCount(1);
  // A plan that was looked at is no plan that was taken.
  const board: RoundsView = await running.api.get(`${at}/rounds?${SCOPE}`);
  expect(board.rounds[0]!.tasks).toEqual([]);
});

test('the calendar has work on its due day, else on its round’s last; pressed it opens', async ({
  page,
  running,
}) => {
  await running.api.post(`${at}/rounds/${round}/fill`, { market: MARKET, date: DATE, compare: BEFORE });
  const { rounds }: RoundsView = await running.api.get(`${at}/rounds?${SCOPE}`);
  const [set, free] = rounds[0]!.tasks;
  await running.api.patch(`${at}/tasks`, { changes: [{ id: set!.id, due: '2026-03-18' }] });
  await page.goto(`${address}/rounds?${SCOPE}&view=calendar`);
  const calendar = page.getByRole('table', { name: 'Calendar of rounds' });
  const day = (words: string) => calendar.getByRole('cell').filter({ hasText: new RegExp(`^${words}`) });
  await expect(day('16 Mar')).toContainText('Spring');
  await expect(day('18 Mar')).toContainText(set!.lead.text);
  await expect(day('27 Mar')).toContainText(free!.lead.text);
  await day('18 Mar').getByRole('button').click();
  await expect(page.getByRole('complementary', { name: 'Piece of work' })).toContainText(set!.lead.text);
  await page.reload();
  await expect(page.getByRole('complementary', { name: 'Piece of work' })).toContainText(set!.lead.text);
});

test('which target answers a keyword is proposed, said by hand, and left to the proposal again', async ({
  page,
  running,
}) => {
  const answering = (): Promise<AnsweringView> => running.api.get(`${at}/answering?${SCOPE}`);
  const { keywords, without } = await answering();
  await page.goto(`${address}/rounds?${SCOPE}&view=answering`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    `${without.toLocaleString('en-US')} keywords`,
  );
  const proposed = keywords.find(({ why }) => why === 'stands best')!;
  const choice = page.getByLabel(`Target for ${proposed.keyword.text}`, { exact: true });
  const choose = async (name: string): Promise<void> => {
    await choice.click();
    await page.getByTitle(name, { exact: true }).last().click();
  };
  await choose('a new one');
  const said = async (): Promise<AnsweringView['keywords'][number]> =>
    (await answering()).keywords.find(({ keyword }) => keyword.id === proposed.keyword.id)!;
  await expect.poll(async () => (await said()).why).toBe('said by hand');
  expect((await said()).address).toBe('');
  await choose('as proposed');
  await expect.poll(async () => (await said()).why).toBe('stands best');
  // Found by a piece of its text, by the keyboard.
  await page.keyboard.press('/');
  await page.keyboard.type(proposed.keyword.text);
  const rows = page.getByRole('table', { name: 'Answering targets' }).getByRole('row');
  await expect(rows.nth(1)).toContainText(proposed.keyword.text);
});

test('headings of the front and what people ask become headings of a page; a brief takes them along', async ({
  page,
  running,
}) => {
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&sort=-demand&limit=3`);
  const lead = (rows as { id: number; text: string }[])[0]!;
  const { id } = await running.api.post(`${at}/drafts`, {
    market: MARKET,
    date: DATE,
    kind: 'page',
    name: 'From the front',
    keywords: [lead.id],
    start: 'empty',
    title: lead.text,
  });
  await page.goto(`${address}/drafts?${SCOPE}&draft=${id}`);
  const front = page.getByRole('complementary', { name: 'The front' });
  await expect(front).toContainText(/0 of its \d+ records are held/);
  await front.getByRole('button', { name: /^Fetch \d+ public records/ }).click();
  const first = front.getByRole('button', { name: /./ }).and(page.getByTitle('Make it a heading')).first();
  await expect(first).toBeVisible();
  const heading = (await first.innerText()).trim();
  await first.click();
  await expect(page.getByRole('textbox', { name: 'heading 1' })).toHaveValue(heading);
  await expect(page.getByRole('status')).toHaveText('kept');
  const draft: Draft = await running.api.get(`${at}/drafts/${id}?date=${DATE}`);
  expect(draft.fields.headings).toBe(heading);
  const brief = await (await fetch(`${running.server.url}/api${at}/drafts/${id}/brief?date=${DATE}`)).text();
  expect(brief).toContain('## Headings that they have');
  expect(brief).toContain(heading.replace(/[\\`*_[\]<>#|]/g, (sign) => `\\${sign}`));
});

test('a house style is the project’s: set where titles are built, it is checked in every draft of the surface', async ({
  page,
  running,
}) => {
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&sort=-demand&limit=3`);
  const ids = (rows as { id: number }[]).map((row) => row.id);
  const write = async (title: string): Promise<number> =>
    (
      await running.api.post(`${at}/drafts`, {
        market: MARKET,
        date: DATE,
        kind: 'page',
        name: title,
        keywords: ids,
        start: 'empty',
        title,
      })
    ).id as number;
  const [plain, kept] = [await write('Panniers for rain'), await write('Panniers for rain | Tarnwick')];
  await page.goto(`${address}/drafts?${SCOPE}&draft=${plain}`);
  await page.getByRole('button', { name: 'Build a title…' }).click();
  await page.getByLabel('Between phrases').click();
  await page.getByTitle('|', { exact: true }).last().click();
  // Typed right after the choice, key by key, and closed with Escape: neither change loses the other.
  await page.getByLabel('Brand').pressSequentially('Tarnwick');
  await expect(page.getByLabel('Brand')).toHaveValue('Tarnwick');
  await page.keyboard.press('Escape');
  await expect
    .poll(async () => {
      const project: Project = await running.api.get(at);
      return project.settings.titleStyles.web;
    })
    .toMatchObject({ separator: ' | ', brand: 'Tarnwick', brandPlace: 'last' });
  await page.getByText('Checks', { exact: true }).click();
  await expect(page.getByText(/The title keeps the house style: “Tarnwick” is not last/)).toBeVisible();
  await page.goto(`${address}/drafts?${SCOPE}&draft=${kept}`);
  await page.getByText('Checks', { exact: true }).click();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'The title keeps the house style' }),
  ).toContainText(', done');
});

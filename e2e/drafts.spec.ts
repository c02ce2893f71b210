import AxeBuilder from '@axe-core/playwright';
import type { Draft, OwnCopy, PublishedChange } from '@opsimath/contract/api/drafts';
import { measure } from '@opsimath/core/copy/measure';
import type { Page } from '@playwright/test';
import type { Running } from '../server/testing/running';
import { expect, test } from './running';

const MARKET = 'marketplace-us-en';
const DATE = '2026-03-14';
const SCOPE = `market=${MARKET}&date=${DATE}&compare=none`;
let address = '';
let at = '';
let listing = '';
let keywords: { id: number; text: string }[] = [];

test.beforeAll(async ({ running }) => {
  await running.api.get('/markets');
  const { id } = await running.api.post('/projects', { name: 'Drafts' });
  at = `/projects/${id}`;
  address = `${running.server.url}/p/${id}/drafts?${SCOPE}`;
  await running.api.post(`${at}/targets`, {
    side: 'own',
    market: MARKET,
    text: 'stallbridge.example/stall/tarnwick',
  });
  await running.api.post(`${at}/targets`, {
    side: 'rival',
    market: MARKET,
    text: 'stallbridge.example/stall/cobblemoor',
  });
  const lookUp = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: ['stallbridge.example/stall/tarnwick', 'stallbridge.example/stall/cobblemoor'],
    extent: 'captures',
    captureMost: 60,
  });
  await running.api.finished(lookUp.job.id);
  const { rows } = await running.api.get(`${at}/gaps?market=${MARKET}&date=${DATE}&limit=200&sort=-demand`);
  const own = (rows as { ownAddress: string | null }[]).find(({ ownAddress }) => ownAddress !== null)!;
  listing = own.ownAddress!;
  keywords = (rows as { id: number; text: string }[])
    .slice(0, 8)
    .map(({ id: keyword, text }) => ({ id: keyword, text }));
  await running.api.post(`${at}/verdicts`, {
    changes: keywords.map(({ id: keyword }) => ({ keyword, verdict: 'fit' })),
  });
});

const draftOf = (running: { api: { get: (path: string) => Promise<unknown> } }, id: number): Promise<Draft> =>
  running.api.get(`${at}/drafts/${id}?date=${DATE}`) as Promise<Draft>;

/** A draft of our listing on its keywords, open in the page. */
async function listingOpened(page: Page, { api }: Running, name: string): Promise<number> {
  const { id } = await api.post(`${at}/drafts`, {
    market: MARKET,
    date: DATE,
    kind: 'listing',
    name,
    address: listing,
    keywords: keywords.map((keyword) => keyword.id),
  });
  await page.goto(`${address}&draft=${id}`);
  return id as number;
}

test('a listing is written to full coverage within its limits, packed, published, and search shows it', async ({
  page,
  running,
}) => {
  const id = await listingOpened(page, running, 'The listing');
  const title = page.getByRole('textbox', { name: 'title', exact: true });
  await expect(title).not.toHaveValue('');
  const lead = keywords[0]!.text;
  await title.fill(`${lead} | Tarnwick`);
  await expect(page.getByRole('status')).toHaveText('kept');
  const whole = page.getByRole('heading', { level: 1 });
  await expect(whole).toContainText(`of ${keywords.length} keywords are whole`);

  // A title too long says where it is cut; taken back it fits.
  await title.fill(`${lead} ${'very '.repeat(60)}`);
  await expect(page.getByText(/the end is cut at/)).toBeVisible();
  await title.fill(`${lead} | Tarnwick`);
  await expect(page.getByText(/the end is cut at/)).toBeHidden();

  // Packed slots are a proposal; taken they complete what was missing, within their bytes.
  await page.getByRole('button', { name: /^Pack / }).click();
  await page.getByRole('group', { name: 'Packed slots' }).getByRole('button', { name: 'Take them' }).click();
  const words = page.getByRole('complementary', { name: 'What it should hold' });
  await expect(words.getByText('Every word that its keywords need is in the copy.')).toBeVisible();
  await expect(page.getByRole('status')).toHaveText('kept');
  await expect.poll(async () => (await draftOf(running, id)).fields['hidden search terms']).not.toBe('');
  const draft = await draftOf(running, id);
  for (const slot of draft.fields['hidden search terms']!.split('\n'))
    expect(measure(slot, 'bytes')).toBeLessThanOrEqual(250);
  expect(draft.fields.title).toBe(`${lead} | Tarnwick`);

  // Closed and opened again nothing is lost.
  await page.reload();
  await expect(title).toHaveValue(`${lead} | Tarnwick`);

  await page.getByRole('button', { name: 'Publish…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /^title/ })).toContainText(`${lead} | Tarnwick`);
  await dialog.getByRole('button', { name: 'Publish it' }).click();
  const table = page.getByRole('table', { name: 'Published' });
  await expect(table).toContainText(/expected from/);
  await page.getByRole('button', { name: 'Ask for re-indexing' }).click();
  await expect(table).toContainText(/since 14 Mar 2026/);
  const [change] = (await running.api.get(`${at}/published?market=${MARKET}`)) as PublishedChange[];
  expect(change).toMatchObject({ address: listing, state: 'published', draft: id });
  expect(change!.keywords.map(({ text }) => text)).toEqual(keywords.map(({ text }) => text));

  // Search itself shows it. The clock stays as it is: other files of tests share these services.
  const { pages } = await running.witness<{ pages: { state: string }[] }>('/own/index', {
    market: MARKET,
    targets: [listing],
  });
  expect(pages[0]!.state).toBe('indexed');
});

test('two windows do not overwrite each other; every part can be read by assistive technology', async ({
  page,
  context,
  running,
}) => {
  const { id } = await running.api.post(`${at}/drafts`, {
    market: MARKET,
    date: DATE,
    kind: 'listing',
    name: 'Two windows',
    address: '',
    keywords: keywords.map((keyword) => keyword.id),
  });
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto(`${address}&draft=${id}`);
    await expect(window.getByRole('textbox', { name: 'title', exact: true })).toBeVisible();
  }
  await page.getByRole('textbox', { name: 'title', exact: true }).fill('First');
  await expect.poll(async () => (await draftOf(running, id)).fields.title).toBe('First');
  await other.getByRole('textbox', { name: 'title', exact: true }).fill('Second');
  await expect(other.locator('#stage').getByRole('alert')).toContainText('changed this draft');
  expect((await draftOf(running, id)).fields.title).toBe('First');
  await expect(other.getByRole('textbox', { name: 'title', exact: true })).toHaveValue('Second');
  // A writer's text is seen field by field before it is taken.
  await page.getByRole('button', { name: 'Writer…' }).click();
  await page.getByText('Bring a text in…').click();
  await page.getByLabel('Text', { exact: true }).fill('# From the writer\n\nDescription: Short and dry.');
  await page.getByRole('button', { name: 'Read what is pasted' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /^title/ })).toContainText('From the writer');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('textbox', { name: 'title', exact: true })).toHaveValue('From the writer');
  await expect.poll(async () => (await draftOf(running, id)).fields.description).toBe('Short and dry.');
  for (const view of [`&draft=${id}`, '', '&view=titles', '&view=published']) {
    await page.goto(`${address}${view}`);
    await page.waitForLoadState('networkidle');
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(violations.map(({ id: rule, nodes }) => [view, rule, nodes[0]?.html])).toEqual([]);
  }
});

test('one word said otherwise in many titles: seen before, put into drafts, taken back', async ({
  page,
  running,
}) => {
  const copy: OwnCopy = await running.api.get(`${at}/own-copy?market=${MARKET}&date=${DATE}`);
  const counts = new Map<string, number>();
  for (const { title } of copy.pages)
    for (const word of new Set(title.toLowerCase().match(/[a-z]{4,}/g) ?? []))
      counts.set(word, (counts.get(word) ?? 0) + 1);
  const [word, times] = [...counts].sort((a, b) => b[1] - a[1])[0]!;
  const drafts = async (): Promise<number> =>
    ((await running.api.get(`${at}/drafts?market=${MARKET}`)) as unknown[]).length;
  const before = await drafts();
  await page.goto(`${address}&view=titles`);
  await expect(page.getByRole('table', { name: 'Own titles' }).getByRole('row').nth(1)).toBeVisible();
  await page.getByRole('button', { name: 'Find and replace…' }).click();
  await page.getByLabel('Find', { exact: true }).fill(word);
  await page.getByLabel('Replace with').fill('renewed');
  const found = page.getByRole('checkbox', { name: /^stallbridge\.example/ });
  await expect(found).toHaveCount(times);
  // One stays as it is.
  await found.first().click();
  await page.getByRole('button', { name: `Put ${times - 1} into drafts` }).click();
  await expect(page.getByText(`${times - 1} drafts were begun.`)).toBeVisible();
  expect(await drafts()).toBe(before + times - 1);
  await page.getByText('drafts were begun').getByRole('button', { name: 'Undo' }).click();
  await expect.poll(drafts).toBe(before);
  // Done again they are other drafts: these are what undo then takes back.
  await page.keyboard.press('Control+y');
  await expect.poll(drafts).toBe(before + times - 1);
  await page.keyboard.press('Control+z');
  await expect.poll(drafts).toBe(before);
});

test('a video’s tags are proposed within their limits and taken; the opening line is ticked by words and by hand', async ({
  page,
  running,
}) => {
  const market = 'video-us-en';
  const found = await running.api.post(`${at}/look-ups`, {
    market,
    date: DATE,
    targets: ['vidlantern.example/on/tarnwick'],
    extent: 'metrics',
  });
  await running.api.finished(found.job.id);
  const { rows } = await running.api.get(`${at}/gaps?market=${market}&date=${DATE}&limit=8&sort=-demand`);
  const wanted = (rows as { id: number; text: string }[]).map(({ id, text }) => ({ id, text }));
  await running.api.post(`${at}/verdicts`, {
    changes: wanted.map(({ id: keyword }) => ({ keyword, verdict: 'fit' })),
  });
  const { id } = await running.api.post(`${at}/drafts`, {
    market,
    date: DATE,
    kind: 'video',
    name: 'The video',
    keywords: wanted.map((keyword) => keyword.id),
    start: 'empty',
  });
  await page.goto(`${address.replace(MARKET, market)}&draft=${id}`);
  await page.getByRole('button', { name: 'Propose tags' }).click();
  const proposal = page.getByRole('group', { name: 'Proposed tags' });
  await expect(proposal.getByRole('row').nth(1)).toContainText(wanted[0]!.text);
  await expect(proposal.getByRole('checkbox').first()).toBeDisabled();
  await proposal.getByRole('checkbox').nth(1).click();
  await expect(proposal.getByRole('button', { name: /^Bring back/ })).toBeVisible();
  await proposal.getByRole('button', { name: /^Take these/ }).click();
  const tags = page.getByRole('textbox', { name: 'tags' });
  await expect(tags).toHaveValue(new RegExp(`^${wanted[0]!.text}\n`));
  expect((await tags.inputValue()).length).toBeLessThanOrEqual(500);

  await page
    .getByRole('textbox', { name: 'description' })
    .fill(`You want a ${wanted[0]!.text}. Chapters below.`);
  await page.getByText('Checks', { exact: true }).click();
  const opening = page.getByRole('region', { name: 'Opening line' });
  await expect(opening.getByRole('checkbox', { name: 'names the want' })).toBeChecked();
  await expect(opening.getByRole('checkbox', { name: 'names the help' })).not.toBeChecked();
  await opening.getByRole('checkbox', { name: 'names the help' }).click();
  await expect(opening).toContainText('by hand');
  await expect(page.getByRole('status')).toHaveText('kept');
  await page.reload();
  await page.getByText('Checks', { exact: true }).click();
  await expect(opening.getByRole('checkbox', { name: 'names the help' })).toBeChecked();
});

test('a copy for another language stands beside, is counted, checked, and kept', async ({
  page,
  running,
}) => {
  const id = await listingOpened(page, running, 'Two languages');
  await page.getByText('Language', { exact: true }).click();
  await page.getByRole('button', { name: 'In Spanish' }).click();
  const second = page.getByRole('region', { name: 'In Spanish' });
  await expect(second).toContainText(/all words of \d+ of \d+ keywords are in it/);
  const title = second.getByRole('textbox', { name: 'title' });
  await title.fill('Alforja para bicicleta');
  const checked = second.getByRole('checkbox').first();
  await checked.click();
  await expect(page.getByRole('status')).toHaveText('kept');
  // What is changed after it was checked is unchecked again.
  await title.fill('Alforja para bicicleta roja');
  await expect(checked).not.toBeChecked();
  await expect(page.getByRole('status')).toHaveText('kept');
  expect((await draftOf(running, id)).second).toMatchObject({
    language: 'es',
    fields: { title: 'Alforja para bicicleta roja' },
    checked: [],
  });
});

import { SCOPE, comparedProject, expect, test } from './running';

let root = '';
test.beforeAll(async ({ running }) => {
  root = await comparedProject(running);
});

const VIEWS = [
  'roster',
  'roster?view=find',
  'roster?view=files',
  'roster?view=settings',
  'look-up',
  'look-up?view=seeds',
  'sift',
  'sift?view=words',
  'sift?view=desk',
  'sift?view=lists',
  'gaps',
  'gaps?view=work',
  'gaps?view=map',
  'gaps?view=paid',
  'gaps?view=time',
  'gaps?view=queries',
  'gaps?view=surfaces',
  'roster?view=index',
  'look-up?poolMode=all+words',
  'sift?view=tree',
  'sift?view=variants',
  'rounds?view=answering',
  'watch?view=changes',
  'rounds',
  'drafts',
  'watch',
  'report',
];
/** What a text looks like that was not found, or whose values were not put in. */
const UNFINISHED =
  /\{\{|\[object|\bundefined\b|\bNaN\b|\b(shell|parts|roster|lookup|sift|gaps|rounds|drafts|watch|report):\w+\.\w+|counts:/;

for (const language of ['en', 'de'])
  test(`every view says whole texts in ${language}`, async ({ page }) => {
    await page.addInitScript((chosen) => localStorage.setItem('opsimath.language', chosen), language);
    const found: string[] = [];
    // Words of a language must not reach the server where it expects a code.
    page.on('response', (answer) => {
      if (answer.status() >= 400) found.push(`${answer.status()} ${answer.url()}`);
    });
    for (const view of VIEWS) {
      await page.goto(`${root}/${view}${view.includes('?') ? '&' : '?'}${SCOPE}`);
      await expect(page.locator('main, .stage-body, h1').first()).toBeVisible();
      await page.waitForLoadState('networkidle');
      const texts = await page.evaluate(() => [
        document.body.innerText,
        ...[...document.querySelectorAll('[title], [aria-label], [placeholder]')].flatMap((one) =>
          ['title', 'aria-label', 'placeholder'].map((name) => one.getAttribute(name) ?? ''),
        ),
      ]);
      for (const text of texts) {
        const wrong = UNFINISHED.exec(text);
        if (wrong) found.push(`${view}: ${text.slice(Math.max(0, wrong.index - 40), wrong.index + 60)}`);
      }
    }
    expect(found).toEqual([]);
  });

test('why an action stands where it does is said in German', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('opsimath.language', 'de'));
  await page.goto(`${root}/gaps?view=work&${SCOPE}`);
  await page.getByRole('row').nth(1).getByRole('button').first().click();
  await expect(page.locator('tr.opened p').first()).toHaveText(
    /^(Bringt etwa [\d.,]+ USD im Monat bei .* Arbeit: |Unbekannt, was es bringt, )/,
  );
});

test('what went wrong is said in German, with the case in the words of the server', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('opsimath.language', 'de'));
  await page.goto(`${root}/gaps?${SCOPE}&list=987654`);
  const told = page.getByRole('alert');
  await expect(told).toContainText('Diese Liste gibt es nicht.');
  await expect(told).toContainText(/Im Wortlaut des Servers: .*987654/);
});

test('the language is chosen by a press; what was open stays open, numbers and days are spelled as there', async ({
  page,
}) => {
  await page.goto(`${root}/gaps?${SCOPE}&kinds=absent`);
  const stages = page.getByRole('navigation', { name: /Stages|Stufen/ });
  await expect(stages.getByRole('link', { name: /^Gaps/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /14 Mar 2026/ })).toBeVisible();
  await stages.getByRole('button', { name: 'Deutsch' }).click();
  await expect(stages.getByRole('link', { name: /^Lücken/ })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'de');
  await expect(page.getByRole('button', { name: /14\. März 2026/ })).toBeVisible();
  await expect(page).toHaveURL(/kinds=absent/);
  await expect(page.getByRole('button', { name: /nicht gelistet/i, pressed: true })).toBeVisible();
  await page.reload();
  await expect(stages.getByRole('link', { name: /^Lücken/ })).toBeVisible();
  await stages.getByRole('button', { name: 'English' }).click();
  await expect(stages.getByRole('link', { name: /^Gaps/ })).toBeVisible();
});

import { existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { SCOPE, comparedProject, expect, test } from './running';

const DIST = fileURLToPath(new URL('../web/dist', import.meta.url));
/** Compressed script of the first page with a table, in kB: what it weighs, and a little. */
const MOST_KB = 425;

test('the first page of a stage takes no more script than it may, and none that draws or writes', async ({
  page,
  running,
}) => {
  const root = await comparedProject(running);
  const scripts: string[] = [];
  page.on('response', (answer) => {
    const { pathname } = new URL(answer.url());
    if (pathname.endsWith('.js')) scripts.push(pathname);
  });
  await page.goto(`${root}/gaps?${SCOPE}`);
  await expect(page.getByRole('grid', { name: 'Gaps' }).getByRole('row').nth(1)).toContainText(/\w/);
  const weights = scripts.map((name) => {
    const file = path.join(DIST, `${name}.gz`);
    return [name, existsSync(file) ? statSync(file).size : NaN] as const;
  });
  const kb = weights.reduce((sum, [, size]) => sum + size, 0) / 1000;
  expect(scripts.length).toBeGreaterThan(3);
  expect(kb, JSON.stringify(weights)).toBeLessThan(MOST_KB);
  expect(scripts.filter((name) => /drawing|TextEditor|date-picker|de_DE/.test(name))).toEqual([]);
});

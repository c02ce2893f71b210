// Pictures of each main view from the demo data, for docs/screenshots. Starts the demo's programs if it is filled.
import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS, ensureChromium } from './chromium.mjs';
import { installPackages, root } from './install.mjs';

installPackages();
const { buildAll } = await import('./build.mjs');
await buildAll();
const { chromium } = await import('@playwright/test');
const { startServer, startServices } = await import('./programs.mjs');
const data = path.join(root, '.data', 'demo');
if (!existsSync(path.join(data, 'seeded')))
  throw new Error('The demo is not filled yet: run npm run demo once.');
if (!ensureChromium()) process.exit(1);

const services = await startServices(
  ['--allowance', '1000000', '--state', path.join(data, 'services.json')],
  root,
);
const server = await startServer(['--port', '0', '--data', data, '--services', services.url], root);
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: CHROMIUM_ARGS,
});
const folder = path.join(root, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });

const SHOTS = [
  { name: 'gaps', path: 'gaps', ready: '.grid-row', theme: 'light' },
  { name: 'dossier', path: 'gaps', ready: '.grid-row', theme: 'light', act: openDossier },
  { name: 'what-to-do', path: 'gaps?view=work', ready: 'table.work tbody tr', theme: 'light', act: openWork },
  { name: 'map', path: 'gaps?view=map', ready: '.gap-map svg', theme: 'light', act: drawField },
  { name: 'paid', path: 'gaps?view=paid', ready: '.paid-view table .tick', theme: 'light' },
  { name: 'over-time', path: 'gaps?view=time', ready: '.over-time svg', theme: 'light' },
  { name: 'own-queries', path: 'gaps?view=queries', ready: '.own-queries tbody tr', theme: 'light' },
  {
    name: 'study',
    path: 'gaps?market=marketplace-us-en&sort=-demand',
    ready: '.grid-row',
    theme: 'light',
    act: openStudy,
  },
  { name: 'look-up', path: 'look-up?lookUp=1&market=web-us-en', ready: '.grid-row', theme: 'light' },
  {
    name: 'sift',
    path: 'sift?lookUp=1&market=web-us-en',
    ready: '.grid-row',
    theme: 'light',
    act: buildRecipe,
  },
  { name: 'desk', path: 'sift?lookUp=1&market=web-us-en&view=desk', ready: '.desk-front li', theme: 'light' },
  {
    name: 'variants',
    path: 'sift?lookUp=1&market=web-us-en&view=variants',
    ready: '.words-view tbody',
    theme: 'light',
  },
  { name: 'roster', path: 'roster', ready: '.targets', theme: 'light' },
  { name: 'profile', path: 'roster?target=2&market=web-us-en', ready: '.depth-days', theme: 'light' },
  {
    name: 'find-rivals',
    path: 'roster?view=find&market=marketplace-us-en&seed=waterproof+panniers',
    ready: '.card',
    theme: 'light',
  },
  { name: 'rounds', path: 'rounds?market=web-us-en', ready: '.board-round .work-card .lane', theme: 'light' },
  {
    name: 'drafts',
    path: 'drafts?market=marketplace-us-en',
    ready: 'tbody tr',
    theme: 'light',
    act: openDraft,
  },
  { name: 'watch', path: 'watch?market=web-us-en', ready: '.strips .strip', theme: 'light' },
  { name: 'report', path: 'report?report=1', ready: '.paper .ledger', theme: 'light' },
];

async function drawField(page) {
  // Drawn anew when its rows come: only then is it where it stays.
  const map = page.getByRole('img', { name: /^What is added against chance, of [1-9]/ });
  await map.waitFor();
  const { x, y, width, height } = await map.boundingBox();
  await page.mouse.move(x + width * 0.5, y + height * 0.12);
  await page.mouse.down();
  await page.mouse.move(x + width * 0.75, y + height * 0.45, { steps: 5 });
  await page.mouse.up();
}

async function openDraft(page) {
  await page.locator('tbody tr button').first().click();
  await page.locator('.draft-sheet textarea').first().waitFor();
  await page.getByRole('table', { name: 'Words to place' }).waitFor();
}

async function openWork(page) {
  await page.locator('.work-what').nth(1).click();
  await page.waitForSelector('.work-keywords svg');
}

async function openDossier(page) {
  await page.locator('.grid').focus();
  for (const key of ['ArrowDown', 'Space', 'ArrowDown', 'ArrowDown', 'Enter']) await page.keyboard.press(key);
  await page.locator('.dossier h1').waitFor();
}

async function openStudy(page) {
  await openDossier(page);
  const study = page.getByRole('region', { name: 'How the front shows itself' });
  await study.waitFor();
  const fetch = study.getByRole('button', { name: /public records$/ });
  if (await fetch.count()) await fetch.click();
  await fetch.waitFor({ state: 'detached' });
  await study.getByRole('button', { name: 'Look at the results one by one' }).click();
  await study.evaluate((element) => element.scrollIntoView());
}

async function buildRecipe(page) {
  const add = async (name, field, value) => {
    await page.getByRole('button', { name: 'Add a sieve' }).click();
    await page.getByRole('menuitem', { name, exact: true }).click();
    await page.getByLabel(field).last().fill(value);
    await page.getByLabel(field).last().press('Enter');
  };
  await add('words it leaves out', 'Words of the sieve', 'tarnwick, cheap, vs');
  await add('volume', 'Least', '300');
  await add('how many targets rank', 'Targets that rank', '3');
  await page.locator('.grid').focus();
  for (const key of [
    'f',
    'ArrowDown',
    'f',
    'ArrowDown',
    'a',
    'ArrowDown',
    'f',
    'ArrowDown',
    'o',
    'ArrowDown',
    'w',
  ])
    await page.keyboard.press(key);
}

try {
  // Named ones only, if any are named.
  const named = process.argv.slice(2);
  for (const { name, path: view, ready, theme, act } of SHOTS) {
    if (named.length > 0 && !named.includes(name)) continue;
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: theme });
    const page = await context.newPage();
    await page.goto(`${server.url}/p/1/${view}`);
    await page.locator(ready).first().waitFor();
    await page.waitForLoadState('networkidle');
    await act?.(page);
    await page.waitForLoadState('networkidle');
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    await context.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  await server.stop();
  await services.stop();
}

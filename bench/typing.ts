import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { api } from '../scripts/api.mjs';
import { CHROMIUM, CHROMIUM_ARGS } from '../scripts/chromium.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';

/** Times what typing in a long draft takes in the real interface: from the key to the frame that shows its letter. */

const MARKET = 'web-us-en';
const DATE = '2026-03-14';
const KEYWORDS = 500;
const LETTERS = 100_000;
const KEYS = 60;

const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-typing-'));
const services = await startServices([]);
const server = await startServer(['--port', '0', '--data', folder, '--services', services.url]);
const opsimath = api(server.url);
try {
  const { id } = await opsimath.post('/projects', { name: 'Typing' });
  const at = `/projects/${id}`;
  await opsimath.get('/markets');
  await opsimath.post(`${at}/targets`, { side: 'own', market: MARKET, text: 'tarnwick.example' });
  await opsimath.post(`${at}/targets`, { side: 'rival', market: MARKET, text: 'cobblemoor.example' });
  const lookUp = await opsimath.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: ['tarnwick.example', 'cobblemoor.example'],
    extent: 'metrics',
  });
  await opsimath.finished(lookUp.job.id);
  const { rows } = await opsimath.get(`${at}/gaps?market=${MARKET}&date=${DATE}&limit=500&sort=-demand`);
  const keywords = (rows as { id: number; text: string }[]).slice(0, KEYWORDS);
  let body = '';
  for (let n = 0; body.length < LETTERS; n++)
    body += `${keywords[(n * 7) % keywords.length]!.text} for the road. `;
  for (const letters of [1000, LETTERS]) {
    const draft = await opsimath.post(`${at}/drafts`, {
      market: MARKET,
      date: DATE,
      kind: 'page',
      name: `A page of ${letters}`,
      keywords: keywords.map((keyword) => keyword.id),
      start: 'empty',
    });
    await opsimath.patch(`${at}/drafts/${draft.id}`, {
      revision: (await opsimath.get(`${at}/drafts/${draft.id}?date=${DATE}`)).revision,
      fields: { title: keywords[0]!.text, body: body.slice(0, letters) },
    });
    const spent = await typed(
      `${server.url}/p/${id}/drafts?market=${MARKET}&date=${DATE}&compare=none&draft=${draft.id}`,
    );
    spent.sort((a, b) => a - b);
    const [middle, late, most] = [spent[KEYS >> 1]!, spent[Math.floor(KEYS * 0.95)]!, spent.at(-1)!];
    process.stdout.write(
      `a key in a body of ${letters} characters, ${keywords.length} keywords: ${middle.toFixed(0)} ms (95 % within ${late.toFixed(0)}, most ${most.toFixed(0)})\n`,
    );
  }
} finally {
  await server.stop();
  await services.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Milliseconds from each key to the frame that shows it. */
async function typed(address: string): Promise<number[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(address);
    const body = page.getByRole('textbox', { name: 'body' });
    await body.click();
    await page.evaluate(() => {
      const spent: number[] = [];
      Object.assign(window, { spent });
      document.addEventListener(
        'keydown',
        ({ timeStamp }) => {
          requestAnimationFrame(() => setTimeout(() => spent.push(performance.now() - timeStamp)));
        },
        true,
      );
    });
    await page.keyboard.type('roll top ');
    for (let n = 0; n < KEYS; n++) await page.keyboard.press('abcde fghi'[n % 10]!, { delay: 60 });
    return await page.evaluate(() => (window as unknown as { spent: number[] }).spent.slice(9));
  } finally {
    await browser.close();
  }
}

import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../scripts/chromium.mjs';
import { type Measured, medianOf } from './measure';

const RUNS = 9;

/** How long the real interface takes from a press to the drawn answer, and how even scrolling is. */
export async function measureFace(address: string): Promise<Measured[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(address);
    await page.locator('.grid-row').nth(5).waitFor();
    const kinds = ['Absent', 'Buried', 'Trailing', 'Open', 'Leading'];
    const pressed: number[] = [];
    const filters: number[] = [];
    for (let run = 0; run < RUNS; run++) {
      filters.push(
        await page.evaluate(
          async (name) => {
            const title = document.querySelector('h1')!;
            const button = [...document.querySelectorAll<HTMLElement>('button.kind')].find((one) =>
              one.textContent!.includes(name),
            )!;
            const before = title.textContent;
            const start = performance.now();
            button.click();
            while (title.textContent === before) await new Promise(requestAnimationFrame);
            await new Promise(requestAnimationFrame);
            return performance.now() - start;
          },
          kinds[run % kinds.length]!,
        ),
      );
    }
    await page.goto(address);
    await page.locator('.grid-row').nth(5).waitFor();
    const frames = await page.evaluate(async () => {
      const grid = document.querySelector('.grid')!;
      const times: number[] = [];
      let last = performance.now();
      for (let step = 0; step < 120; step++) {
        grid.scrollTop += 170;
        await new Promise(requestAnimationFrame);
        const now = performance.now();
        times.push(now - last);
        last = now;
      }
      return times;
    });
    const slow = frames.filter((time) => time > 50).length;
    return [
      {
        what: 'interface: from pressing a kind to the pressed kind being drawn',
        medianMs: medianOf(pressed),
        runs: RUNS,
        limitMs: 100,
      },
      {
        what: 'interface: from pressing a kind to the drawn answer',
        medianMs: medianOf(filters),
        runs: RUNS,
        limitMs: 100,
      },
      {
        what: `interface: a frame while scrolling five rows a frame (${slow} of ${frames.length} over 50 ms)`,
        medianMs: medianOf(frames),
        runs: frames.length,
        limitMs: null,
      },
    ];
  } finally {
    await browser.close();
  }
}

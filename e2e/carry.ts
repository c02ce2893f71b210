import { type Locator, type Page, expect } from '@playwright/test';

interface Way {
  /** What shows while something is in the hand. */
  held: Locator;
  /** Where in `from` it is taken, and where in `to` it is put; pixels from the upper left corner. */
  taken?: { x: number; y: number };
  put?: { x: number; y: number };
}

/**
 * Carries `from` to `to` by mouse, each step once the one before shows: it is taken when it stands
 * still, and let go over where `to` is by then.
 */
export async function carry(page: Page, from: Locator, to: Locator, way: Way): Promise<void> {
  await from.hover(way.taken && { position: way.taken });
  const start = (await from.boundingBox())!;
  const at = {
    x: start.x + (way.taken?.x ?? start.width / 2),
    y: start.y + (way.taken?.y ?? start.height / 2),
  };
  await page.mouse.down();
  await page.mouse.move(at.x + 8, at.y + 8, { steps: 4 });
  await expect(way.held).toBeVisible();
  const end = (await to.boundingBox())!;
  await page.mouse.move(end.x + (way.put?.x ?? end.width / 2), end.y + (way.put?.y ?? end.height / 2), {
    steps: 8,
  });
}

import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What of a page somebody could not read or reach: serious findings only, each with where. */
export async function unreadable(page: Page, name: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => {
      const places = nodes.map(({ target }) => target.join(' ')).slice(0, 3);
      return `${name}: ${id} at ${places.join(' | ')}`;
    });
}

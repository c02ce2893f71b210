import { test as base } from '@playwright/test';
import { Running } from '../server/testing/running';

/** The real programs, once for a file of specs, the interface served by the application itself. */
export const test = base.extend<object, { running: Running }>({
  running: [
    async ({}, use) => {
      const running = await Running.start(['--source-retries', '4']);
      await use(running);
      await running.stop();
    },
    { scope: 'worker', timeout: 900_000 },
  ],
});
export { expect } from '@playwright/test';
export { BEFORE, DATE, MARKET, OWN, RIVALS } from '../server/testing/running';

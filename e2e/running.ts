import { test as base } from '@playwright/test';
import { BEFORE, DATE, MARKET, Running } from '../server/testing/running';

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

/** The usual market, day and day compared with, as an address has them. */
export const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;

/** The address of a new project with us, rivals and the thirty most searched keywords captured on both days. */
export async function comparedProject(running: Running): Promise<string> {
  const project = await running.project();
  await running.compared(project.at, 30);
  return `${running.server.url}/p/${project.id}`;
}

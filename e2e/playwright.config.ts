import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../scripts/chromium.mjs';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // No test fails by its clock, on however busy a machine: these only end what would wait for ever.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  workers: 2,
  reporter: [
    ['list'],
    ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? '../test-results/interface.json' }],
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath: CHROMIUM,
      args: CHROMIUM_ARGS,
    },
    trace: 'retain-on-failure',
  },
});

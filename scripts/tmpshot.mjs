import { CHROMIUM, CHROMIUM_ARGS } from './chromium.mjs';
import { chromium } from '@playwright/test';
import { startServer, startServices } from './programs.mjs';
const root = process.cwd(), data = root + '/.data/demo';
const services = await startServices(['--allowance', '1000000', '--state', data + '/services.json'], root);
const server = await startServer(['--port', '0', '--data', data, '--services', services.url], root);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
try {
  const { default: steps } = await import(process.argv[2]);
  await steps(page, server.url);
} finally { await browser.close(); await server.stop(); await services.stop(); }

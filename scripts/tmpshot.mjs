import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './chromium.mjs';
import { startServer, startServices } from './programs.mjs';
import { api } from './api.mjs';
const data = process.env.DATA ?? '/tmp/demo1';
const services = await startServices(['--allowance', '1000000', '--state', data + '/services.json']);
const server = await startServer(['--port', '0', '--data', data, '--services', services.url]);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)));
try { await (await import(process.argv[2])).default({ page, url: server.url, api: api(server.url) }); }
finally { await browser.close(); await server.stop(); await services.stop(); }

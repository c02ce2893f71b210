// Everything from nothing: installs, builds, starts the services and the application, fills the demo, says where it is.
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { installPackages, root } from './install.mjs';
import { EARLIER_DAYS } from './seed-watch.mjs';

const DEMO_DAY = '2026-03-14';
const dayBefore = (date, days) => new Date(Date.parse(date) - days * 86_400_000).toISOString().slice(0, 10);

const fresh = process.argv.includes('--fresh');
const once = process.argv.includes('--once');
const data = path.join(root, '.data', 'demo');
const seeded = path.join(data, 'seeded');

/** The wanted port, or any free one. */
function freePort(wanted) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => resolve(0));
    probe.listen(wanted, '127.0.0.1', () => probe.close(() => resolve(wanted)));
  });
}

const started = Date.now();
installPackages();
const { buildAll } = await import('./build.mjs');
await buildAll();
const { startServer, startServices } = await import('./programs.mjs');
// A demo that was stopped while being filled starts over.
if (fresh || !existsSync(seeded)) rmSync(data, { recursive: true, force: true });

if (!existsSync(path.join(root, '.cache', 'standin')))
  console.log('Generating the world of the simulated services (once)…');
const services = await startServices(
  [
    '--port',
    String(await freePort(4281)),
    '--allowance',
    '1000000',
    '--state',
    path.join(data, 'services.json'),
    // Where nothing is filled yet, the story begins some weeks before the demo’s own day.
    ...(existsSync(seeded) ? [] : ['--today', dayBefore(DEMO_DAY, EARLIER_DAYS)]),
  ],
  root,
);
const server = await startServer(
  ['--port', String(await freePort(4280)), '--data', data, '--services', services.url],
  root,
);
const stop = async () => {
  await Promise.all([server.stop(), services.stop()]);
  process.exit(0);
};
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
if (!existsSync(seeded)) {
  const { seedDemo } = await import('./seed-demo.mjs');
  try {
    await seedDemo(server.url, services.url, console.log);
  } catch (error) {
    console.error(`Filling the demo failed: ${error.message}\n${server.output()}`);
    await Promise.all([server.stop(), services.stop()]);
    process.exit(1);
  }
  writeFileSync(seeded, new Date().toISOString());
}
console.log(
  `\nOpsimath is ready after ${((Date.now() - started) / 1000).toFixed(0)} s: ${server.url}\nStop with Ctrl+C; start over with npm run demo -- --fresh`,
);
if (once) await stop();

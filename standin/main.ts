import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createServices } from './http/app';
import { openWorld } from './world/world';

const home = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '0' },
    seed: { type: 'string', default: '1' },
    size: { type: 'string', default: '1' },
    scenario: { type: 'string', default: path.join(home, 'scenarios', 'touring-bags.json') },
    today: { type: 'string' },
    allowance: { type: 'string', default: '100000' },
    state: { type: 'string' },
    cache: { type: 'string', default: path.join(home, '..', '.cache', 'standin') },
  },
});

const world = openWorld({
  scenarioFile: path.resolve(values.scenario),
  seed: Number(values.seed),
  size: Number(values.size),
  cacheFolder: path.resolve(values.cache),
});
const { app, services } = createServices(world, {
  today: values.today ?? world.scenario.today,
  allowance: Number(values.allowance),
  ...(values.state === undefined ? {} : { stateFile: path.resolve(values.state) }),
});
const listening = app.listen(Number(values.port), '127.0.0.1', () => {
  // The one line that whoever started this waits for.
  process.stdout.write(`Services at http://127.0.0.1:${(listening.address() as AddressInfo).port}\n`);
});
// Longer than any caller keeps a connection: none is closed under a request that is on its way.
listening.keepAliveTimeout = 120_000;
process.once('SIGTERM', () => {
  services.close();
  process.exit(0);
});

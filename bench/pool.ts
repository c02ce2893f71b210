import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { api } from '../scripts/api.mjs';
import { startServer, startServices } from '../scripts/programs.mjs';
import { measureLargePool } from './largePool';
import { print } from './measure';

// The large pool alone: npm run bench -- --pool
const folder = mkdtempSync(path.join(tmpdir(), 'opsimath-pool-'));
const services = await startServices(['--size', '0.08']);
const server = await startServer(['--port', '0', '--data', folder, '--services', services.url]);
try {
  const opsimath = api(server.url);
  await opsimath.get('/markets');
  print(await measureLargePool(opsimath, server.url, server.pid, folder, (text) => console.log(text)));
} finally {
  await server.stop();
  await services.stop();
  rmSync(folder, { recursive: true, force: true });
}

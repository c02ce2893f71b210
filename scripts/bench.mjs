// Builds and runs the benchmarks; prints a table for docs/performance.md.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { installPackages, root } from './install.mjs';

installPackages();
const { buildAll } = await import('./build.mjs');
await buildAll();
const only = process.argv.includes('--pool') ? 'pool.js' : 'main.js';
const { status } = spawnSync(
  process.execPath,
  ['--enable-source-maps', path.join(root, 'bench', 'dist', only)],
  {
    cwd: root,
    stdio: 'inherit',
  },
);
process.exit(status ?? 1);

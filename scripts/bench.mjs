// Builds and runs the benchmarks, and what is too long for every run of the tests: kills and made-up requests.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { installPackages, root } from './install.mjs';

installPackages();
const { buildAll } = await import('./build.mjs');
await buildAll();
const parts = {
  '--pool': 'pool.js',
  '--gaps': 'largeGaps.js',
  '--crash': 'crash.js',
  '--fuzz': 'fuzz.js',
  '--people': 'people.js',
  '--validate': 'validate.js',
  '--plan': 'plan.js',
  '--typing': 'typing.js',
  '--watch': 'watch.js',
  '--effects': 'effects.js',
  '--report': 'report.js',
};
const only = parts[process.argv.find((word) => word in parts)] ?? 'main.js';
const { status } = spawnSync(
  process.execPath,
  ['--enable-source-maps', path.join(root, 'bench', 'dist', only), ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
  },
);
process.exit(status ?? 1);

// Everything that must hold: types, lint, unit and server tests, build, interface tests. The last line sums it up.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { installPackages, root } from './install.mjs';

const results = path.join(mkdtempSync(path.join(tmpdir(), 'opsimath-test-')));
const total = { passed: 0, failed: 0 };

function count(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  console.log(`${name}: ${failed === 0 ? 'good' : `${failed} failed`} (${passed} passed)`);
}
function run(command, args, env = {}) {
  return (
    spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0
  );
}
const readJson = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

installPackages();
const { checkTypes } = await import('./types.mjs');
const types = checkTypes();
count('Types', types.filter(Boolean).length, types.filter((good) => !good).length);
const linted = [
  run('npx', ['eslint', '.', '--max-warnings', '0']),
  run('npx', ['prettier', '--check', '--log-level', 'warn', '.']),
  // No file and no room imports itself in a ring.
  run('npx', [
    '--no-install',
    'depcruise',
    '--config',
    '.dependency-cruiser.mjs',
    'core',
    'contract',
    'server',
    'standin',
    'web',
  ]),
];
count('Lint', linted.filter(Boolean).length, linted.filter((good) => !good).length);

const unitFile = path.join(results, 'unit.json');
const unitRan = run('npx', ['jest', '--silent', '--json', `--outputFile=${unitFile}`]);
const unit = readJson(unitFile);
if (unit === null) count('Unit and server tests', 0, 1);
else
  count(
    'Unit and server tests',
    unit.numPassedTests,
    unit.numFailedTests + unit.numRuntimeErrorTestSuites || (unitRan ? 0 : 1),
  );

const { buildAll } = await import('./build.mjs');
let built = true;
await buildAll().catch((error) => {
  console.error(error);
  built = false;
});
count('Build', built ? 1 : 0, built ? 0 : 1);

if (!ensureChromium()) count('Interface tests', 0, 1);
else {
  const faceFile = path.join(results, 'interface.json');
  const ran = run('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: faceFile,
  });
  const stats = readJson(faceFile)?.stats;
  if (!stats) count('Interface tests', 0, 1);
  else count('Interface tests', stats.expected, stats.unexpected + stats.flaky || (ran ? 0 : 1));
}

console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);

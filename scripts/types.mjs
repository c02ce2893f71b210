// Checks the types of every part: core without Node and DOM, the interface with DOM, the rest with Node.
import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { root } from './install.mjs';

export function checkTypes() {
  return ['core', '.', 'web'].map(
    (part) => spawnSync('npx', ['tsc', '-p', part], { cwd: root, stdio: 'inherit' }).status === 0,
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) process.exit(checkTypes().every(Boolean) ? 0 : 1);

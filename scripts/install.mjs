// Installs packages when they are missing or older than the lock file. Uses nothing that needs installing.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');
const mark = path.join(root, 'node_modules', '.opsimath-lock');

export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  console.log('Installing packages (npm ci)…');
  execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel', 'error'], {
    cwd: root,
    stdio: 'inherit',
  });
  writeFileSync(mark, lock);
}

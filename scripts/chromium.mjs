// Debian's Chromium: installed when it is missing and this may be done.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

export const CHROMIUM = '/usr/bin/chromium';
/** Runs as root, without a graphics card and without asking anything of the network. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** True when Chromium is there; otherwise says in one line how to get it. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return true;
  const isRoot = process.getuid?.() === 0;
  if (isRoot && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium (apt-get)…');
    const options = {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    };
    spawnSync('apt-get', ['update', '-qq'], options);
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], options);
  }
  if (existsSync(CHROMIUM)) return true;
  console.log('The interface tests need Chromium: run "sudo apt-get install chromium", then npm test again.');
  return false;
}

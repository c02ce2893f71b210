// Builds what runs: the server and services always (a second), the interface when its sources changed.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { fileURLToPath } from 'node:url';
import { installPackages, root } from './install.mjs';

const SOURCES = ['web', 'contract', 'core', 'package-lock.json'];

function stateOf(file) {
  const full = path.join(root, file);
  const found = statSync(full);
  if (!found.isDirectory()) return `${file}:${found.mtimeMs}:${found.size}`;
  return readdirSync(full)
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .sort()
    .map((name) => stateOf(path.join(file, name)))
    .join('\n');
}

const COMPRESSED = /\.(js|css|html|svg)$/;

/** Beside each text file its compressed forms: the server hands out what a browser takes. */
function compressBeside(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    if (!COMPRESSED.test(name)) continue;
    const file = path.join(folder, name);
    const bytes = readFileSync(file);
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
    );
  }
}

export async function buildAll() {
  const { bundle } = await import('./bundle.mjs');
  await bundle();
  const state = createHash('sha256').update(SOURCES.map(stateOf).join('\n')).digest('hex');
  const mark = path.join(root, 'web', 'dist', '.built-from');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === state) return;
  console.log('Building the interface…');
  const { build } = await import('vite');
  await build({ root: path.join(root, 'web'), logLevel: 'warn' });
  compressBeside(path.join(root, 'web', 'dist'));
  writeFileSync(mark, state);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  installPackages();
  await buildAll();
}

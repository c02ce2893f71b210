// Bundles the server, its workers and the services for Node. Packages from the registry stay outside.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

export const root = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');

const packagesStayOutside = {
  name: 'packages-stay-outside',
  setup(bundle) {
    bundle.onResolve({ filter: /^[^./]/ }, (found) =>
      found.path.startsWith('@opsimath/') || found.kind === 'entry-point'
        ? null
        : { path: found.path, external: true },
    );
  },
};

const ENTRIES = {
  server: [
    'server/main.ts',
    'server/work/jobWorker.ts',
    'server/analysis/thread/analysisWorker.ts',
    'server/analysis/words/wordWorker.ts',
    'server/analysis/models/fitWorker.ts',
    'server/analysis/planning/solveWorker.ts',
    'server/work/imports/rankingsParser.ts',
    'server/files/fileWorker.ts',
    'server/files/report/reportWorker.ts',
  ],
  standin: ['standin/main.ts'],
  bench: [
    'bench/main.ts',
    'bench/pool.ts',
    'bench/largeGaps.ts',
    'bench/crash.ts',
    'bench/fuzz.ts',
    'bench/people.ts',
    'bench/validate.ts',
    'bench/plan.ts',
    'bench/typing.ts',
    'bench/watch.ts',
    'bench/report.ts',
    'bench/effects.ts',
  ],
};

export async function bundle(...names) {
  for (const name of names.length > 0 ? names : Object.keys(ENTRIES)) {
    const entryPoints = ENTRIES[name].map((file) => path.join(root, file)).filter((file) => existsSync(file));
    if (entryPoints.length === 0) continue;
    await build({
      entryPoints,
      outdir: path.join(root, name, 'dist'),
      entryNames: '[name]',
      bundle: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      sourcemap: true,
      logLevel: 'warning',
      absWorkingDir: root,
      banner: {
        js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
      },
      plugins: [packagesStayOutside],
    });
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await bundle(...process.argv.slice(2));

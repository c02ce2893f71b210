// Lists every package that the application runs on, with its licence, for docs/licences.md. `--check` only compares.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { root } from './install.mjs';

const PLACE = path.join(root, 'docs', 'licences.md');
const lock = JSON.parse(readFileSync(path.join(root, 'package-lock.json'), 'utf8'));

const licenceOf = (at) => {
  const file = path.join(root, at, 'package.json');
  if (!existsSync(file)) return null;
  const { license, licenses } = JSON.parse(readFileSync(file, 'utf8'));
  return (
    (typeof license === 'object' ? license?.type : license) ??
    licenses?.map(({ type }) => type).join(' or ') ??
    null
  );
};

const packages = Object.entries(lock.packages)
  .filter(([at, entry]) => at.includes('node_modules/') && !entry.dev && !entry.link)
  .map(([at, entry]) => ({
    name: at.slice(at.lastIndexOf('node_modules/') + 'node_modules/'.length),
    version: entry.version,
    licence: entry.license ?? licenceOf(at) ?? 'not stated',
  }));
const once = new Map(packages.map((one) => [`${one.name} ${one.version}`, one]));
const sorted = [...once.values()].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
const counts = Object.entries(
  sorted.reduce((sum, { licence }) => ({ ...sum, [licence]: (sum[licence] ?? 0) + 1 }), {}),
).sort((a, b) => b[1] - a[1]);

const text = `# Licences of what it runs on

Made by \`node scripts/licences.mjs\` from the lock file: ${sorted.length} packages, those for development left out. The fonts Newsreader and Source Sans 3 come as packages too.

${counts.map(([licence, many]) => `- ${licence}: ${many}`).join('\n')}

| package | version | licence |
|---|---|---|
${sorted.map(({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`).join('\n')}
`;

if (process.argv.includes('--check')) {
  if (!existsSync(PLACE) || readFileSync(PLACE, 'utf8') !== text) {
    console.error('docs/licences.md is not of today: run node scripts/licences.mjs.');
    process.exit(1);
  }
} else writeFileSync(PLACE, text);

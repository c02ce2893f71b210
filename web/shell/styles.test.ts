import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.join(__dirname, '..');
const files = (readdirSync(ROOT, { recursive: true }) as string[])
  .map((file) => path.join(ROOT, file))
  .filter((file) => /\.(tsx?|css)$/.test(file) && !/\/(dist|node_modules)\/|\.test\./.test(file));
const text = new Map(files.map((file) => [file, readFileSync(file, 'utf8')]));

function resolved(from: string, named: string): string[] {
  if (!named.startsWith('.')) return [];
  const base = path.resolve(path.dirname(from), named);
  return ['', '.ts', '.tsx'].map((end) => base + end).filter((file) => text.has(file) && existsSync(file));
}
const found = (file: string, pattern: RegExp): string[] =>
  [...text.get(file)!.matchAll(pattern)].flatMap(([, named]) => resolved(file, named!));

/** What comes along with a file, and what it has come later. */
const along = new Map<string, string[]>();
const later = new Map<string, string[]>();
for (const file of files) {
  if (file.endsWith('.css')) continue;
  along.set(file, found(file, /(?:import|export)\s+(?!type\b)(?:[^'";]*?from\s+)?'([^']+)'/g));
  later.set(file, found(file, /import\(\s*'([^']+)'\s*\)/g));
}

function withAll(start: string): Set<string> {
  const seen = new Set<string>();
  const go = (file: string): void => {
    if (seen.has(file)) return;
    seen.add(file);
    for (const next of along.get(file) ?? []) go(next);
  };
  go(start);
  return seen;
}

const MAIN = path.join(ROOT, 'main.tsx');
const roots = [MAIN, ...new Set([...later.values()].flat())];
const reach = new Map(roots.map((root) => [root, withAll(root)]));

/** Files that are there when a root is on the screen: its own, and those of one way to it from the start. */
function there(root: string, seen: readonly string[] = []): Set<string> {
  const own = reach.get(root)!;
  if (root === MAIN || seen.includes(root)) return new Set([...own, ...reach.get(MAIN)!]);
  const parents = roots.filter((other) =>
    [...reach.get(other)!].some((file) => (later.get(file) ?? []).includes(root)),
  );
  // What all ways bring along is sure to be there.
  const [first, ...rest] = parents.map((parent) => there(parent, [...seen, root]));
  const sure = [...(first ?? [])].filter((file) => rest.every((other) => other.has(file)));
  return new Set([...own, ...sure, ...reach.get(MAIN)!]);
}

function classesUsed(file: string): string[] {
  return [...text.get(file)!.matchAll(/className=(?:"([^"]+)"|\{`([^`]+)`\})/g)].flatMap(([, plain, mixed]) =>
    (plain ?? mixed!.replace(/\$\{[^}]*\}/g, ' ')).split(/[^\w-]+/).filter(Boolean),
  );
}

const definedIn = new Map<string, Set<string>>();
for (const file of files.filter((each) => each.endsWith('.css')))
  for (const [, name] of text
    .get(file)!
    .replace(/\/\*[\s\S]*?\*\//g, '')
    .matchAll(/\.([a-zA-Z][\w-]*)/g))
    definedIn.set(name!, (definedIn.get(name!) ?? new Set()).add(file));

test('whatever is on the screen has its styles: none rests on a file that comes with something else', () => {
  const missing = new Set<string>();
  for (const root of roots) {
    const sheets = [...there(root)].filter((file) => file.endsWith('.css'));
    for (const file of reach.get(root)!) {
      if (!file.endsWith('.tsx') || (root !== MAIN && reach.get(MAIN)!.has(file))) continue;
      for (const name of classesUsed(file)) {
        const defined = definedIn.get(name);
        if (defined === undefined || sheets.some((sheet) => defined.has(sheet))) continue;
        missing.add(`${path.relative(ROOT, file)}: .${name}`);
      }
    }
  }
  expect([...missing].sort()).toEqual([]);
});

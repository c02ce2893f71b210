import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

/** Every `@example call // answer` of the core's comments: it is worked out, and must be what stands there. */
const FILES = readdirSync(__dirname, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.includes('node_modules'),
);
const EXAMPLES = FILES.flatMap((file) =>
  [...readFileSync(path.join(__dirname, file), 'utf8').matchAll(/^\s*\* @example (.+) \/\/ (.+)$/gm)].map(
    ([, call, answer]) => ({ file, call: call!.trim(), answer: answer!.trim() }),
  ),
);

test('there are examples', () => expect(EXAMPLES.length).toBeGreaterThan(40));

test.each(EXAMPLES)('$file: $call', ({ file, call, answer }) => {
  // eslint-disable-next-line @typescript-eslint/no-require-imports
  const module = require(path.join(__dirname, file)) as Record<string, unknown>;
  const names = Object.keys(module).filter((name) => /^\w+$/.test(name) && name !== 'default');
  const valueOf = (text: string): unknown =>
    new Function(...names, `return (${text});`)(...names.map((name) => module[name])) as unknown;
  const found = valueOf(call);
  const stated = valueOf(answer);
  if (typeof stated === 'number' && typeof found === 'number') {
    // As many digits as are written are right.
    const digits = /\.(\d+)$/.exec(answer)?.[1]?.length ?? 0;
    if (Number.isFinite(stated)) return expect(found).toBeCloseTo(stated, digits);
  }
  expect(found).toEqual(stated);
});

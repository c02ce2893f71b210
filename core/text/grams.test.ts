import fc from 'fast-check';
import { type Gram, countGrams } from './grams';
import { words } from './key';

function count(keys: string[], volumes: number[], least?: number): Gram[] {
  const steps = countGrams(keys.join('\n'), volumes, least);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    expect(value).toBeGreaterThanOrEqual(0);
    expect(value).toBeLessThanOrEqual(1);
  }
}

/** Every run of one to three words, counted in the plainest way. */
function plainly(keys: string[], volumes: number[], least: number): Gram[] {
  const found = new Map<string, Gram>();
  keys.forEach((key, n) => {
    const own = words(key);
    const runs = new Set<string>();
    for (let length = 1; length <= 3; length++)
      for (let start = 0; start + length <= own.length; start++)
        runs.add(own.slice(start, start + length).join(' '));
    for (const text of runs) {
      const gram = found.get(text) ?? { text, length: words(text).length, keywords: 0, volume: 0 };
      found.set(text, {
        ...gram,
        keywords: gram.keywords + 1,
        volume: gram.volume + (Number.isNaN(volumes[n]!) ? 0 : volumes[n]!),
      });
    }
  });
  return [...found.values()]
    .filter(({ keywords }) => keywords >= least)
    .sort((a, b) => b.keywords - a.keywords || (a.text < b.text ? -1 : 1));
}

test('an example: each keyword counts once, unknown volumes count nothing', () => {
  const keys = ['bike bag', 'red bike bag', 'bag bag bike', 'rain cover'];
  expect(count(keys, [100, 20, NaN, 5], 2)).toEqual([
    { text: 'bag', length: 1, keywords: 3, volume: 120 },
    { text: 'bike', length: 1, keywords: 3, volume: 120 },
    { text: 'bike bag', length: 2, keywords: 2, volume: 120 },
  ]);
});

test('is what counting every run plainly gives, whatever the keywords', () => {
  const key = fc
    .array(fc.constantFrom('bike', 'bag', 'red', 'für', 'x'), { minLength: 1, maxLength: 6 })
    .map((parts) => parts.join(' '));
  const entry = fc.tuple(key, fc.oneof(fc.nat(1000), fc.constant(NaN)));
  fc.assert(
    fc.property(fc.array(entry, { maxLength: 30 }), fc.integer({ min: 1, max: 5 }), (entries, least) => {
      const keys = entries.map(([text]) => text);
      const volumes = entries.map(([, volume]) => volume);
      expect(count(keys, volumes, least)).toEqual(plainly(keys, volumes, least));
    }),
  );
});

test('more different words than a table begins with keep their numbers apart', () => {
  const keys = Array.from({ length: 5000 }, (_, n) => `word${n % 2500} ${'x'.repeat(1 + (n % 7))}`);
  const volumes = keys.map((_, n) => n);
  expect(count(keys, volumes, 2)).toEqual(plainly(keys, volumes, 2));
});

test('nothing gives nothing', () => {
  expect(count([], [])).toEqual([]);
});

import fc from 'fast-check';
import { type NamedStep, mergeSets, mergeSteps } from './mergeSteps';

interface Step extends NamedStep {
  value: number;
}
const same = (a: Step, b: Step) => a.value === b.value;
const s = (id: string, value = 0): Step => ({ id, value });
const BASE = [s('a'), s('b'), s('c')];

test.each<[string, Step[], Step[], Step[]]>([
  [
    'each changed another',
    [s('a', 1), s('b'), s('c')],
    [s('a'), s('b', 2), s('c')],
    [s('a', 1), s('b', 2), s('c')],
  ],
  ['each added one', [...BASE, s('m')], [s('t'), ...BASE], [s('t'), s('a'), s('b'), s('c'), s('m')]],
  ['one took away, one changed another', [s('b'), s('c')], [s('a'), s('b'), s('c', 3)], [s('b'), s('c', 3)]],
  [
    'one moved, one changed',
    [s('c'), s('a'), s('b')],
    [s('a', 5), s('b'), s('c')],
    [s('c'), s('a', 5), s('b')],
  ],
  ['both did the same', [s('a', 1), s('b')], [s('a', 1), s('b')], [s('a', 1), s('b')]],
])('%s: both stand', (_, mine, theirs, merged) => {
  expect(mergeSteps(BASE, mine, theirs, same)).toEqual({ merged });
});

test.each<[string, Step[], Step[], string[]]>([
  ['both changed one differently', [s('a', 1), s('b'), s('c')], [s('a', 2), s('b'), s('c')], ['a']],
  ['one took away what the other changed', [s('b'), s('c')], [s('a', 2), s('b'), s('c')], ['a']],
  ['both moved differently', [s('c'), s('a'), s('b')], [s('b'), s('a'), s('c')], ['order']],
])('%s: that is a clash', (_, mine, theirs, clashes) => {
  expect(mergeSteps(BASE, mine, theirs, same)).toEqual({ clashes });
});

const stack = fc.uniqueArray(fc.record({ id: fc.constantFrom(...'abcdefg'), value: fc.nat(2) }), {
  selector: ({ id }) => id,
});

test('who changed nothing loses nothing and adds nothing', () => {
  fc.assert(
    fc.property(stack, stack, (base, changed) => {
      expect(mergeSteps(base, changed, base, same)).toEqual({ merged: changed });
      expect(mergeSteps(base, base, changed, same)).toEqual({ merged: changed });
    }),
  );
});

test('a merged stack holds each step once, and every change of either side', () => {
  fc.assert(
    fc.property(stack, stack, stack, (base, mine, theirs) => {
      const result = mergeSteps(base, mine, theirs, same);
      if ('clashes' in result) return expect(result.clashes.length).toBeGreaterThan(0);
      const ids = result.merged.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      const of = (steps: Step[], id: string) => steps.find((step) => step.id === id)?.value;
      for (const id of 'abcdefg')
        for (const side of [mine, theirs])
          if (of(side, id) !== of(base, id)) expect(of(result.merged, id)).toBe(of(side, id));
    }),
  );
});

test('sets keep what either added and lose what either took out', () => {
  const set = fc.uniqueArray(fc.nat(9));
  fc.assert(
    fc.property(set, set, set, (base, mine, theirs) => {
      const merged = mergeSets(base, mine, theirs);
      expect(new Set(merged).size).toBe(merged.length);
      for (let n = 0; n < 10; n++) {
        const kept = base.includes(n)
          ? mine.includes(n) && theirs.includes(n)
          : mine.includes(n) || theirs.includes(n);
        expect(merged.includes(n)).toBe(kept);
      }
    }),
  );
});

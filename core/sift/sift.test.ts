import fc from 'fast-check';
import { anyOfBits, anyOfCodes, members, rankedByAtLeast, withinBounds } from './passes';
import { type Sieve, sieveProblem } from './sieve';
import { MOST_STEPS, runStack } from './stack';

const bytes = (size: number) => fc.uint8Array({ minLength: size, maxLength: size, max: 1 });
const figure = fc.oneof(fc.integer({ min: 0, max: 50 }), fc.constant(NaN));
const limit = fc.option(fc.integer({ min: 0, max: 50 }));

describe('a stack of sieves', () => {
  const stacks = fc.nat(40).chain((size) =>
    fc.record({
      size: fc.constant(size),
      steps: fc.array(fc.option(bytes(size)), { maxLength: 6 }),
      rescued: fc.option(bytes(size)),
    }),
  );

  test('does what walking through it keyword by keyword does', () => {
    fc.assert(
      fc.property(stacks, ({ size, steps, rescued }) => {
        const { counts, passes, removedBy } = runStack(size, steps, rescued);
        let alive = Array.from({ length: size }, (_, i) => i);
        steps.forEach((step, n) => {
          const before = alive.length;
          const next = alive.filter((i) => step === null || step[i] === 1 || rescued?.[i] === 1);
          for (const i of alive) if (!next.includes(i)) expect(removedBy[i]).toBe(n + 1);
          alive = next;
          expect(counts[n]).toEqual({ in: before, out: alive.length });
        });
        expect([...passes].flatMap((pass, i) => (pass === 1 ? [i] : []))).toEqual(alive);
        for (const i of alive) expect(removedBy[i]).toBe(0);
      }),
    );
  });

  test('a step that is off changes nothing, and what comes out does not hang on the order', () => {
    fc.assert(
      fc.property(stacks, fc.nat(), ({ size, steps, rescued }, at) => {
        const whole = runStack(size, steps, rescued);
        const withOff = runStack(size, steps.toSpliced(at % (steps.length + 1), 0, null), rescued);
        expect(withOff.passes).toEqual(whole.passes);
        expect(runStack(size, [...steps].reverse(), rescued).passes).toEqual(whole.passes);
      }),
    );
  });

  test('what is rescued is never taken; without sieves nothing is hidden', () => {
    fc.assert(
      fc.property(stacks, ({ size, steps, rescued }) => {
        const { passes } = runStack(size, steps, rescued);
        rescued?.forEach((kept, i) => kept === 1 && expect(passes[i]).toBe(1));
        expect(runStack(size, [], null).passes.every((pass) => pass === 1)).toBe(true);
      }),
    );
  });

  test('more sieves than can be told apart are refused', () => {
    expect(() => runStack(1, new Array<null>(MOST_STEPS + 1).fill(null), null)).toThrow(RangeError);
  });
});

describe('what one sieve lets through', () => {
  test('figures within limits, both included; the unknown only when they are kept', () => {
    fc.assert(
      fc.property(fc.array(figure), limit, limit, fc.boolean(), (figures, least, most, unknown) => {
        const passes = withinBounds(Float64Array.from(figures), { least, most }, unknown);
        figures.forEach((value, i) =>
          expect(passes[i] === 1).toBe(
            Number.isNaN(value) ? unknown : value >= (least ?? value) && value <= (most ?? value),
          ),
        );
      }),
    );
  });

  test('keywords that enough targets rank for', () => {
    fc.assert(
      fc.property(
        fc.array(fc.uint8Array({ minLength: 12, maxLength: 12, max: 110 }), { maxLength: 5 }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 100 }),
        (columns, atLeast, within) => {
          const passes = rankedByAtLeast(columns, 12, atLeast, within);
          for (let i = 0; i < 12; i++) {
            const ranking = columns.filter((column) => column[i]! > 0 && column[i]! <= within).length;
            expect(passes[i] === 1).toBe(ranking >= atLeast);
          }
        },
      ),
    );
  });

  test('bits, codes and members', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(31)), fc.nat(31), fc.boolean(), (sets, wanted, out) => {
        expect([...anyOfBits(Uint32Array.from(sets), wanted)]).toEqual(
          sets.map((set) => ((set & wanted) === 0 ? 0 : 1)),
        );
        expect([...anyOfCodes(Uint8Array.from(sets), [wanted, 3])]).toEqual(
          sets.map((set) => (set === wanted || set === 3 ? 1 : 0)),
        );
        const inside = new Set(sets.filter((set) => set < 10));
        expect([...members(inside, 10, out)]).toEqual(
          Array.from({ length: 10 }, (_, i) => (inside.has(i) !== out ? 1 : 0)),
        );
      }),
    );
  });
});

test.each<[string, Sieve, string | null]>([
  ['no word', { kind: 'words', mode: 'phrase', text: ' - ', out: false }, 'Type a word.'],
  ['a word', { kind: 'words', mode: 'phrase', text: '30l', out: false }, null],
  [
    'a pattern with a bracket',
    { kind: 'words', mode: 'pattern', text: 'bag[', out: true },
    'In a pattern only * (any letters) and ? (one letter) have a meaning.',
  ],
  ['a pattern of stars', { kind: 'words', mode: 'pattern', text: '**', out: false }, 'Type a word.'],
  ['a pattern', { kind: 'words', mode: 'pattern', text: 'bike b?g*', out: false }, null],
  [
    'no limits',
    { kind: 'figure', figure: 'volume', least: null, most: null, unknown: true },
    'Set a least or a most.',
  ],
  [
    'limits that cross',
    { kind: 'figure', figure: 'CPC', least: 3, most: 2, unknown: true },
    'The least, 3, is above the most, 2.',
  ],
  ['limits that meet', { kind: 'position', target: 'a.example', least: 3, most: 3, unknown: false }, null],
  ['no target', { kind: 'ranked by', atLeast: 0, within: 10 }, 'At least one target must rank.'],
  ['no way', { kind: 'found', ways: [] }, 'Choose a way.'],
  ['no trend', { kind: 'trend', trends: [], unknown: false }, 'Choose a trend.'],
  ['only an unknown trend', { kind: 'trend', trends: [], unknown: true }, null],
  ['no verdict', { kind: 'verdict', verdicts: [] }, 'Choose a verdict.'],
  ['a list', { kind: 'list', list: 4, out: true }, null],
  ['no list', { kind: 'list', list: 0, out: true }, 'Choose a list.'],
])('%s: what is wrong is said', (_, sieve, problem) => {
  expect(sieveProblem(sieve)).toBe(problem);
});

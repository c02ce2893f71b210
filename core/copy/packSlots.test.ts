import fc from 'fast-check';
import loadHighs from 'highs';
import type { Solver } from '../rounds/fillRound';
import { measure } from './measure';
import { type PackedKeyword, packSlots } from './packSlots';

let solver: Solver;
beforeAll(async () => {
  solver = (await loadHighs()) as unknown as Solver;
});

const WORDS = ['a', 'bb', 'ccc', 'dddd', 'é', '自転車', 'rain'];
const keywords: fc.Arbitrary<PackedKeyword[]> = fc.array(
  fc.record({
    missing: fc.uniqueArray(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 3 }),
    volume: fc.integer({ min: 1, max: 100 }),
  }),
  { maxLength: 7 },
);
const heldBy = (all: readonly PackedKeyword[], words: ReadonlySet<string>): number =>
  all.reduce((sum, { missing, volume }) => sum + (missing.every((word) => words.has(word)) ? volume : 0), 0);

/** The best of every set of words that fits into one slot. */
function byTrying(all: readonly PackedKeyword[], most: number): number {
  let best = 0;
  for (let set = 0; set < 1 << WORDS.length; set++) {
    const words = WORDS.filter((_, n) => (set >> n) & 1);
    if (measure(words.join(' '), 'bytes') <= most) best = Math.max(best, heldBy(all, new Set(words)));
  }
  return best;
}

test('one slot is packed as well as it can be, within its bytes', () => {
  fc.assert(
    fc.property(keywords, fc.integer({ min: 0, max: 24 }), (all, most) => {
      const { slots, words, volume } = packSlots(all, { slots: 1, most, unit: 'bytes' }, solver);
      expect(volume).toBe(byTrying(all, most));
      expect(volume).toBe(heldBy(all, new Set(words)));
      for (const slot of slots) expect(measure(slot, 'bytes')).toBeLessThanOrEqual(most);
      expect(slots.flatMap((slot) => slot.split(' ')).sort()).toEqual([...words].sort());
    }),
    { numRuns: 120 },
  );
});

test('several slots each keep their limit; no word is said twice; what comes next says what it lacks', () => {
  fc.assert(
    fc.property(
      keywords,
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 3 }),
      (all, most, slots) => {
        const packed = packSlots(all, { slots, most, unit: 'characters' }, solver);
        expect(packed.slots.length).toBeLessThanOrEqual(slots);
        const words = packed.slots.flatMap((slot) => slot.split(' '));
        expect(new Set(words).size).toBe(words.length);
        for (const slot of packed.slots) expect(measure(slot, 'characters')).toBeLessThanOrEqual(most);
        for (const word of packed.next?.words ?? []) expect(words).not.toContain(word);
      },
    ),
    { numRuns: 120 },
  );
});

test('more words than are solved exactly are still packed within the limits', () => {
  const many = Array.from({ length: 400 }, (_, n) => ({ missing: [`word${n}`], volume: 400 - n }));
  const packed = packSlots(many, { slots: 5, most: 250, unit: 'bytes' }, solver);
  expect(packed.slots.length).toBe(5);
  expect(packed.words).toContain('word0');
  for (const slot of packed.slots) expect(measure(slot, 'bytes')).toBeLessThanOrEqual(250);
});

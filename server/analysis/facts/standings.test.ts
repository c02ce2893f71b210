import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import fc from 'fast-check';
import { findSegments } from '../../data/segments/segments';
import { temporaryDatabase } from '../../testing/database';
import { storeCapture, storeRanking } from '../../testing/facts';
import { ColumnStore } from '../kept/columnStore';
import type { Sides } from './sides';
import { buildStandings } from './standings';

/** A fact as anybody would write it down. */
interface Ranked {
  type: 'look-up';
  date: string;
  keyword: number;
  place: number;
  organic: number;
  paid: number;
}
interface Captured {
  type: 'capture';
  date: string;
  keyword: number;
  slots: { place: number; organic: number; paid: number }[];
}
type Fact = Ranked | Captured;

const RANGE = { least: 1, most: 3 };
/** Place 1 is ours, 2 and 3 are the rivals', 4 is ours and rival 2's, 5 is nobody's. */
const MASKS = Uint32Array.of(0, 1, 2, 4, 5, 0);
const sides = { own: [], ownName: 'Us', ownPlaces: [], rivals: [{}, {}], masks: MASKS } as unknown as Sides;

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());

async function store(facts: readonly Fact[]): Promise<void> {
  await held.database.client.execute('DELETE FROM segment');
  for (const fact of facts)
    await (fact.type === 'look-up' ? storeRanking(held.database, fact) : storeCapture(held.database, fact));
}

/** The plain version: for one side, keyword and kind of slot, the newest day that says anything decides. */
function naive(facts: readonly Fact[], keyword: number, bit: number, slot: 'organic' | 'paid'): number {
  const days = [...new Set(facts.map((fact) => fact.date))].sort().reverse();
  const belongs = (place: number): boolean => (MASKS[place]! & (1 << bit)) !== 0;
  for (const day of days) {
    const said = facts.filter((fact) => fact.date === day && fact.keyword === keyword);
    const captures = said.filter((fact): fact is Captured => fact.type === 'capture');
    if (captures.length > 0) {
      const found = captures
        .at(-1)!
        .slots.filter((held) => belongs(held.place) && held[slot] > 0)
        .map((held) => held[slot]);
      return found.length > 0 ? Math.min(...found) : ABSENT;
    }
    const found = said
      .filter((fact): fact is Ranked => fact.type === 'look-up' && belongs(fact.place) && fact[slot] > 0)
      .map((fact) => fact[slot]);
    if (found.length > 0) return Math.min(...found);
  }
  return UNKNOWN;
}

async function standings(facts: readonly Fact[]) {
  await store(facts);
  const segments = await findSegments(held.database, { marketId: 1 });
  return buildStandings(new ColumnStore(held.database, 1e6), segments, sides, RANGE);
}

const date = fc.constantFrom('2026-01-01', '2026-02-01', '2026-03-01');
const keyword = fc.integer({ min: 1, max: 3 });
const place = fc.integer({ min: 1, max: 5 });
const position = fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 100 }));
const fact: fc.Arbitrary<Fact> = fc.oneof(
  fc.record({
    type: fc.constant('look-up' as const),
    date,
    keyword,
    place,
    organic: position,
    paid: position,
  }),
  fc.record({
    type: fc.constant('capture' as const),
    date,
    keyword,
    slots: fc.array(fc.record({ place, organic: position, paid: position }), { maxLength: 5 }),
  }),
);

test('agree with the plain version for any facts in any order', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fact, { maxLength: 8 }), async (facts) => {
      const built = await standings(facts);
      for (const id of [1, 2, 3]) {
        [built.own, ...built.rivals].forEach((side, bit) => {
          expect([id, bit, side.organic[id - 1], side.paid[id - 1]]).toEqual([
            id,
            bit,
            naive(facts, id, bit, 'organic'),
            naive(facts, id, bit, 'paid'),
          ]);
        });
      }
    }),
    { numRuns: 60 },
  );
}, 60_000);

test('a look-up makes nobody absent, a capture does', async () => {
  const lookedUp = await standings([
    { type: 'look-up', date: '2026-01-01', keyword: 1, place: 2, organic: 4, paid: 0 },
  ]);
  expect([lookedUp.own.organic[0], lookedUp.rivals[0]!.organic[0], lookedUp.rivals[1]!.organic[0]]).toEqual([
    UNKNOWN,
    4,
    UNKNOWN,
  ]);
  const captured = await standings([
    { type: 'capture', date: '2026-01-01', keyword: 1, slots: [{ place: 2, organic: 4, paid: 0 }] },
  ]);
  expect([captured.own.organic[0], captured.rivals[0]!.organic[0], captured.rivals[1]!.organic[0]]).toEqual([
    ABSENT,
    4,
    ABSENT,
  ]);
});

test('our places in a capture are counted, and the best one is remembered', async () => {
  const built = await standings([
    {
      type: 'capture',
      date: '2026-01-01',
      keyword: 2,
      slots: [
        { place: 4, organic: 9, paid: 0 },
        { place: 5, organic: 2, paid: 0 },
        { place: 1, organic: 3, paid: 0 },
      ],
    },
  ]);
  expect([built.own.organic[1], built.ownPlace[1], built.ownTargets[1], built.ownSlot[1]]).toEqual([
    3, 1, 2, 2,
  ]);
});

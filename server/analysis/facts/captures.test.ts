import fc from 'fast-check';
import { findSegments } from '../../data/segments/segments';
import { temporaryDatabase } from '../../testing/database';
import { type TestSlot, storeCapture } from '../../testing/facts';
import { ColumnStore } from '../kept/columnStore';
import { CaptureReader, newestCaptures } from './captures';
import { firstPlaces } from './firstPlaces';

interface Page {
  date: string;
  keyword: number;
  slots: TestSlot[];
}

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());

async function read(pages: readonly Page[], masks?: Uint32Array) {
  await held.database.client.execute('DELETE FROM segment');
  for (const page of pages) await storeCapture(held.database, page);
  const store = new ColumnStore(held.database, 1e6);
  const segments = await findSegments(held.database, { marketId: 1 });
  const newest = await newestCaptures(store, segments, { least: 1, most: 3 });
  return { store, newest, reader: await CaptureReader.over(store, newest, masks) };
}

const slot = (place: number, organic: number, more: Partial<TestSlot> = {}): TestSlot => ({
  place,
  organic,
  ...more,
});

test('the newest page of a keyword counts, of one day the one written last', async () => {
  const page = fc.record({
    date: fc.constantFrom('2026-01-01', '2026-02-01', '2026-03-01'),
    keyword: fc.integer({ min: 1, max: 3 }),
    place: fc.integer({ min: 1, max: 9 }),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(page, { maxLength: 6 }), async (pages) => {
      const { reader } = await read(
        pages.map(({ place, ...head }) => ({ ...head, slots: [slot(place, 1)] })),
      );
      for (const keyword of [1, 2, 3]) {
        const own = pages.filter((one) => one.keyword === keyword);
        const last = own.filter(({ date }) => own.every((other) => other.date <= date)).at(-1);
        const found = reader.page(keyword);
        expect(found && reader.results(found, 10).map(({ place }) => place)).toEqual(
          last ? [last.place] : null,
        );
      }
      expect(reader.page(0)).toBeNull();
      expect(reader.page(99)).toBeNull();
    }),
    { numRuns: 25 },
  );
});

test('results: organic ones down to a position, with their features, ours told by the mask', async () => {
  const { reader, store, newest } = await read(
    [
      {
        date: '2026-01-01',
        keyword: 2,
        slots: [
          slot(9, 0, { paid: 1 }),
          slot(1, 1, { phrase: 1, authority: 255 }),
          slot(2, 10),
          slot(3, 11),
          slot(0, 4, { authority: 12 }),
        ],
      },
    ],
    Uint32Array.of(1, 1, 2, 3),
  );
  const page = reader.page(2)!;
  expect(reader.results(page, 10)).toEqual([
    { slot: 1, position: 1, place: 1, own: true, authority: null, phraseInTitle: true },
    { slot: 2, position: 10, place: 2, own: false, authority: 40, phraseInTitle: false },
    // Whose it is nobody said: it is not ours, whatever stands at place 0 of the mask.
    { slot: 4, position: 4, place: 0, own: false, authority: 12, phraseInTitle: false },
  ]);
  expect(reader.results(page, 11).map(({ place }) => place)).toEqual([1, 2, 3, 0]);
  expect(reader.paidSlots(page)).toBe(1);
  // An answer box and one paid slot above.
  expect(reader.featureFactor(page)).toBeCloseTo(0.85 * 0.95, 12);
  expect([...(await firstPlaces(store, newest, [1, 2]))]).toEqual([
    ...new Array<number>(10).fill(0),
    ...[1, 0, 0, 0, 0, 0, 0, 0, 0, 2],
  ]);
});

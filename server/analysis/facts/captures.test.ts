import fc from 'fast-check';
import { findSegments, segmentStatements } from '../../data/segments/segments';
import { writeTogether } from '../../data/storage/connection';
import { temporaryDatabase } from '../../testing/database';
import { ColumnStore } from '../kept/columnStore';
import { CaptureReader, newestCaptures } from './captures';
import { firstPlaces } from './firstPlaces';

interface Page {
  date: string;
  keyword: number;
  slots: { place: number; organic: number; paid: number; authority: number; phrase: number }[];
}

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());

async function read(pages: readonly Page[], masks?: Uint32Array) {
  await held.database.client.execute('DELETE FROM segment');
  for (const { date, keyword, slots } of pages) {
    const bytes = (of: (slot: Page['slots'][number]) => number): Uint8Array => Uint8Array.from(slots, of);
    await writeTogether(
      held.database,
      segmentStatements(
        { kind: 'captures', marketId: 1, source: 'services', date, rows: 1 },
        {
          keyword: Int32Array.of(keyword),
          depth: Uint8Array.of(100),
          slotStart: Int32Array.of(0),
          slotCount: Int32Array.of(slots.length),
          place: Int32Array.from(slots, ({ place }) => place),
          organic: bytes(({ organic }) => organic),
          paid: bytes(({ paid }) => paid),
          authority: bytes(({ authority }) => authority),
          phrase: bytes(({ phrase }) => phrase),
          feature: bytes(() => 0),
          titleWords: bytes(() => 0),
          fieldWords: bytes(() => 0),
          engagement: Float32Array.from(slots, () => NaN),
          age: Int32Array.from(slots, () => -1),
          updated: Int32Array.from(slots, () => -1),
          above: Uint8Array.of(1),
          paidAbove: Uint8Array.of(slots.filter(({ paid }) => paid > 0).length),
          words: Uint8Array.of(2),
          ...Object.fromEntries(
            ['m0', 'm1', 'm2', 'm3', 'm4', 'm5', 'm6'].map((name) => [name, Float64Array.of(1)]),
          ),
        },
      ),
    );
  }
  const store = new ColumnStore(held.database, 1e6);
  const segments = await findSegments(held.database, { marketId: 1 });
  const newest = await newestCaptures(store, segments, { least: 1, most: 3 });
  return { store, newest, reader: await CaptureReader.over(store, newest, masks) };
}

const slot = (
  place: number,
  organic: number,
  more: Partial<Page['slots'][number]> = {},
): Page['slots'][number] => ({
  place,
  organic,
  paid: 0,
  authority: 40,
  phrase: 0,
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

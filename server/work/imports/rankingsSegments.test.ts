import fc from 'fast-check';
import { dayOf } from '@opsimath/core/day';
import { keywordsById } from '../../data/keywords';
import { temporaryDatabase } from '../../testing/database';
import { FileNumbers } from './fileNumbers';
import { AddressNumbers, KeywordNumbers, PartColumns, type RankingsPart } from './rankingsColumns';
import { partSegments } from './rankingsSegments';
import { Tally } from './tally';

let held: Awaited<ReturnType<typeof temporaryDatabase>>;
beforeAll(async () => {
  held = await temporaryDatabase();
});
afterAll(() => held.remove());

const DAY = dayOf('2026-03-14');
const hostOf = (address: string): string => address.split('/')[0]!;
type Row = [query: string, page: string, day: number, organic: number, paid: number, volume: number];

/** Rows as the parser's thread hands them over, in parts of so many. */
function partsOf(rows: readonly Row[], most: number, restartAt = -1): RankingsPart[] {
  let [keywords, addresses] = [new KeywordNumbers('utf-8'), new AddressNumbers()];
  const tally = new Tally(() => null, ',', 1, 0, 0);
  const parts: RankingsPart[] = [];
  for (let from = 0; from < rows.length; from += most) {
    const restart = from === restartAt;
    if (restart) [keywords, addresses] = [new KeywordNumbers('utf-8'), new AddressNumbers()];
    const part = new PartColumns(most, restart);
    for (const [query, page, day, organic, paid, volume] of rows.slice(from, from + most))
      part.add(keywords.slotOf(query), addresses.slotOf(page), { day, organic, paid, volume });
    parts.push(part.finish(keywords, addresses, tally.settle(), from + most >= rows.length));
  }
  return parts;
}

/** What the segments of all parts say, in words: one line a ranking, and the volumes by day. */
async function told(parts: readonly RankingsPart[]): Promise<{ rankings: string[]; volumes: string[][] }> {
  const { database } = held;
  const numbers = new FileNumbers();
  const rankings: string[] = [];
  const volumes: string[][] = [];
  for (const part of parts) {
    await numbers.take(database, 1, part, hostOf);
    for (const { kind, date, subject, rows, columns } of partSegments(part, numbers)) {
      const ids = [...columns.keyword!];
      expect(rows).toBe(ids.length);
      const texts = await keywordsById(database, ids);
      const lines = ids.map((id, n) =>
        kind === 'rankings'
          ? `${texts.get(id)!.key} ${date} ${subject} ${columns.organic![n]} ${columns.paid![n]}`
          : `${texts.get(id)!.key} ${date} ${columns.volume![n]}`,
      );
      if (kind === 'rankings') rankings.push(...lines);
      else {
        expect(ids).toEqual([...new Set(ids)].sort((a, b) => a - b));
        volumes.push(lines.sort());
      }
    }
  }
  return { rankings: rankings.sort(), volumes };
}

test('every row is stored once, for its keyword, day and subject, however the file falls into parts', async () => {
  const row = fc.tuple(
    fc.constantFrom('bike bag', 'Bike Bag', 'pannier', 'rain cover', 'zip bag'),
    fc.constantFrom('south.example/a', 'south.example/b', 'east.example', 'west.example/c'),
    fc.constantFrom(DAY, DAY - 90),
    fc.integer({ min: 0, max: 250 }),
    fc.integer({ min: 0, max: 9 }),
    fc.constantFrom(NaN, 0, 1300, 2_000_000_000),
  );
  await fc.assert(
    fc.asyncProperty(
      fc.array(row, { minLength: 1, maxLength: 20 }),
      fc.integer({ min: 1, max: 8 }),
      async (rows, most) => {
        const expected = rows.map(
          ([query, page, day, organic, paid]) =>
            `${query.toLowerCase()} ${day === DAY ? '2026-03-14' : '2025-12-14'} ${hostOf(page)} ${organic} ${paid}`,
        );
        // Numbers may begin anew with any part.
        const restartAt = most * Math.floor(rows.length / most / 2);
        const { rankings } = await told(partsOf(rows, most, restartAt));
        expect(rankings).toEqual(expected.sort());
      },
    ),
    { numRuns: 60 },
  );
});

test('of several volumes of a keyword on a day the last of a part counts; none is told where the file has none', async () => {
  const rows: Row[] = [
    ['bike bag', 'south.example', DAY, 3, 0, 900],
    ['pannier', 'south.example', DAY, 4, 0, NaN],
    ['Bike Bag', 'east.example', DAY, 5, 0, 1000],
    ['bike bag', 'south.example', DAY - 90, 6, 0, 700],
  ];
  const { volumes } = await told(partsOf(rows, 10));
  expect(volumes).toEqual([['bike bag 2026-03-14 1000'], ['bike bag 2025-12-14 700']]);
});

test('ids that lie far apart are put in order too', async () => {
  const [part] = partsOf(
    [
      ['far away', 'south.example', DAY, 1, 0, 20],
      ['close by', 'south.example', DAY, 2, 0, 10],
      ['far away', 'south.example', DAY, 3, 0, 30],
    ],
    10,
  );
  const numbers = new FileNumbers();
  await numbers.take(held.database, 1, part!, hostOf);
  numbers.keyword = Int32Array.of(5_000_000, 7);
  const metrics = partSegments(part!, numbers).find(({ kind }) => kind === 'metrics')!;
  expect([...metrics.columns.keyword!]).toEqual([7, 5_000_000]);
  expect([...metrics.columns.volume!]).toEqual([10, 30]);
});

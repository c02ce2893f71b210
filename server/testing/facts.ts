import { segmentStatements } from '../data/segments/segments';
import { type Database, writeTogether } from '../data/storage/connection';

/** One slot of a result page as a test writes it down; what is left out is of no account. */
export interface TestSlot {
  place: number;
  organic?: number;
  paid?: number;
  authority?: number;
  phrase?: number;
  /** Words of the keyword in its title and its other fields, of two. */
  titleWords?: number;
  fieldWords?: number;
  /** Days since its last update; −1 where nobody said. */
  updated?: number;
  version?: number;
}

/** A look-up's row: where one place stands for a keyword. */
export function storeRanking(
  database: Database,
  row: { date: string; keyword: number; place: number; organic?: number; paid?: number; importId?: number },
): Promise<unknown> {
  const { date, keyword, place, organic = 0, paid = 0, importId } = row;
  return writeTogether(
    database,
    segmentStatements(
      {
        kind: 'rankings',
        marketId: 1,
        date,
        rows: 1,
        source: importId === undefined ? 'services' : 'table.csv',
        ...(importId === undefined ? {} : { importId }),
      },
      {
        keyword: Int32Array.of(keyword),
        place: Int32Array.of(place),
        organic: Uint8Array.of(organic),
        paid: Uint8Array.of(paid),
      },
    ),
  );
}

/** A captured page of a keyword, with every column that readers ask for; an answer box stands above. */
export function storeCapture(
  database: Database,
  { date, keyword, slots }: { date: string; keyword: number; slots: readonly TestSlot[] },
): Promise<unknown> {
  const bytes = (of: (slot: TestSlot) => number): Uint8Array => Uint8Array.from(slots, of);
  const none = bytes(() => 0);
  const medians = ['m0', 'm1', 'm2', 'm3', 'm4', 'm5', 'm6'].map((name) => [name, Float64Array.of(1)]);
  return writeTogether(
    database,
    segmentStatements(
      { kind: 'captures', marketId: 1, source: 'services', date, rows: 1 },
      {
        keyword: Int32Array.of(keyword),
        depth: Uint8Array.of(100),
        slotStart: Int32Array.of(0),
        slotCount: Int32Array.of(slots.length),
        place: Int32Array.from(slots, ({ place }) => place),
        organic: bytes(({ organic = 0 }) => organic),
        paid: bytes(({ paid = 0 }) => paid),
        authority: bytes(({ authority = 40 }) => authority),
        phrase: bytes(({ phrase = 0 }) => phrase),
        feature: none,
        titleWords: bytes(({ titleWords = 0 }) => titleWords),
        fieldWords: bytes(({ fieldWords = 0 }) => fieldWords),
        version: Int32Array.from(slots, ({ version = 0 }) => version),
        engagement: Float32Array.from(slots, () => NaN),
        age: Int32Array.from(slots, () => -1),
        updated: Int32Array.from(slots, ({ updated = -1 }) => updated),
        above: Uint8Array.of(1),
        paidAbove: Uint8Array.of(slots.filter(({ paid = 0 }) => paid > 0).length),
        words: Uint8Array.of(2),
        ...(Object.fromEntries(medians) as Record<string, Float64Array>),
      },
    ),
  );
}

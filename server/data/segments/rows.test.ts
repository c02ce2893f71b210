import fc from 'fast-check';
import { type Columns, joinColumns } from './columns';
import { pickRows, rowHashes } from './rows';
import { splitColumns } from './split';

/** Captures with slots, and a column of several entries a row. */
const captures = fc
  .array(
    fc.record({ keyword: fc.integer({ min: 1, max: 99 }), slots: fc.array(fc.nat(255), { maxLength: 4 }) }),
    {
      minLength: 1,
      maxLength: 8,
    },
  )
  .map((entries): Columns => {
    let next = 0;
    return {
      keyword: Int32Array.from(entries, ({ keyword }) => keyword),
      m0: Float64Array.from(entries, ({ keyword }) => keyword / 2),
      slotStart: Int32Array.from(entries, ({ slots }) => (next += slots.length) - slots.length),
      slotCount: Int32Array.from(entries, ({ slots }) => slots.length),
      place: Int32Array.from(entries.flatMap(({ slots }) => slots)),
      organic: Uint8Array.from(entries.flatMap(({ slots }) => slots)),
    };
  });
const metrics = fc.array(fc.nat(50), { minLength: 1, maxLength: 8 }).map((ids): Columns => ({
  keyword: Int32Array.from(ids),
  volume: Int32Array.from(ids, (id) => id * 10),
  season: Float64Array.from(ids.flatMap((id) => Array.from({ length: 12 }, (_, month) => id + month))),
}));
const all = (columns: Columns) => Array.from(columns.keyword!, (_, row) => row);

test('all rows are the whole, and a row says the same wherever it stands', () => {
  fc.assert(
    fc.property(fc.oneof(captures, metrics), fc.infiniteStream(fc.nat()), (columns, draws) => {
      expect(pickRows(columns, all(columns))).toEqual(columns);
      const order = all(columns)
        .map((row) => ({ row, by: draws.next().value! }))
        .sort((a, b) => a.by - b.by)
        .map(({ row }) => row);
      const hashes = rowHashes(columns);
      expect(rowHashes(pickRows(columns, order))).toEqual(order.map((row) => hashes[row]));
    }),
  );
});

test('rows that differ anywhere have another hash', () => {
  fc.assert(
    fc.property(metrics, fc.nat(), (columns, draw) => {
      const row = draw % columns.keyword!.length;
      const other = { ...columns, season: columns.season!.slice() };
      other.season[row * 12 + 5]! += 1;
      const [before, after] = [rowHashes(columns), rowHashes(other)];
      expect(after.map((hash, n) => hash === before[n])).toEqual(before.map((_, n) => n !== row));
    }),
  );
});

test('parts together are the whole', () => {
  fc.assert(
    fc.property(captures, fc.integer({ min: 20, max: 200 }), (columns, most) => {
      const parts = [...splitColumns(columns, most)];
      expect(parts.reduce((sum, { rows }) => sum + rows, 0)).toBe(columns.keyword!.length);
      const joined = joinColumns(parts.map((part) => part.columns));
      for (const name of ['keyword', 'm0', 'slotCount', 'place', 'organic'])
        expect(joined[name]).toEqual(columns[name]);
    }),
  );
});

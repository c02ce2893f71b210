import type { FileReading } from '@opsimath/contract/api/imports';
import fc from 'fast-check';
import { type ImportedRows, rowReader } from '../../files/rowReaders';
import { RankingBytes } from './rankingsBytes';
import { AddressNumbers, KeywordNumbers } from './rankingsColumns';

const READING = {
  kind: 'rankings',
  format: 'csv',
  encoding: 'utf-8',
  delimiter: ',',
  headerLine: 1,
  columns: { query: 0, page: 1, date: 2, organic: 3, paid: 4, volume: 5 },
  dateOrder: 'day first',
  decimalComma: false,
  fixedDate: null,
} as unknown as FileReading;

/** A line of these fields as it lies in a file. */
function cellsOf(fields: readonly string[]) {
  const bytes = Buffer.from(`${fields.join(',')}\n`);
  const [starts, ends] = [new Int32Array(20), new Int32Array(20)];
  let at = 0;
  fields.forEach((field, n) => {
    starts[n] = at;
    ends[n] = at + Buffer.byteLength(field);
    at = ends[n]! + 1;
  });
  return { bytes, starts, ends, count: fields.length };
}

const line = fc.tuple(
  fc.constantFrom('bike bag', 'Bike Bag', ' bike bag ', 'Ünï pannier', '', '!!', 'x'.repeat(1001), 'bag 2'),
  fc.constantFrom(
    'south.example/p1',
    'https://www.South.example/p1/',
    'nonsense',
    '',
    ' south.example',
    'a.example/b?utm_x=1',
  ),
  fc.constantFrom('2026-03-14', '14.03.2026', '3/4/2026', '', 'total', '2026-02-30', ' 2026-03-14'),
  fc.constantFrom('1', '12', '250', '251', '', '0', '-', '3.0', '4.5', '007'),
  fc.constantFrom('', '2', '0', '99', 'x', '1000'),
  fc.constantFrom('', '10', '-', '2000000000', '2000000001', '1,200', '99999999999', '10–100', '1.5'),
);

test('what is read from bytes is what is read from texts; what is left alone is left to them', () => {
  fc.assert(
    fc.property(fc.array(line, { minLength: 1, maxLength: 12 }), (lines) => {
      const [keywords, addresses] = [new KeywordNumbers('utf-8'), new AddressNumbers()];
      const bytes = new RankingBytes(READING, [], keywords, addresses);
      const reader = rowReader(READING);
      const texts: string[] = [];
      const pages: string[] = [];
      for (const fields of lines) {
        const isRead = bytes.read(cellsOf(fields));
        const row = reader(fields) as ImportedRows['rankings'] | string | null;
        if (!isRead) continue;
        // A row, no refusal: its texts stand behind the numbers that were given.
        const { query, page, ...figures } = row as ImportedRows['rankings'];
        const { keyword, address, ...read } = bytes.row;
        expect(read).toEqual(figures);
        expect(address).toBe(addresses.slotOf(page));
        expect(keyword).toBe(keywords.slotOf(query));
        texts.push(query);
        pages.push(page);
      }
      // Nothing is learnt from lines that were not read.
      expect(addresses.takeFresh()).toEqual([...new Set(pages)]);
      expect(keywords.takeFresh().keys.length).toBe(new Set(texts.map((text) => text.toLowerCase())).size);
    }),
    { numRuns: 500 },
  );
});

test('the usual line is read from its bytes, once and again', () => {
  const bytes = new RankingBytes(READING, [], new KeywordNumbers('utf-8'), new AddressNumbers());
  const cells = cellsOf(['Bike Bag', 'https://www.south.example/p1/', '14.03.2026', '12', '', '1300']);
  for (let n = 0; n < 2; n++) {
    expect(bytes.read(cells)).toBe(true);
    expect(bytes.row).toEqual({ keyword: 0, address: 0, day: 20_526, organic: 12, paid: 0, volume: 1300 });
  }
});

test('of several texts of one key the first is kept; keys come sorted, each with its number', () => {
  const keywords = new KeywordNumbers('utf-8');
  const slots = ['Bike Bag', 'bike bag', 'apple bag', 'BIKE BAG'].map((text) => keywords.slotOf(text));
  expect(slots).toEqual([0, 0, 1, 0]);
  expect(keywords.takeFresh()).toEqual({
    keys: ['apple bag', 'bike bag'],
    keySlots: Int32Array.of(1, 0),
    texts: [null, 'Bike Bag'],
  });
  expect(keywords.slotOf('zip bag')).toBe(2);
  expect(keywords.takeFresh().keys).toEqual(['zip bag']);
});

test('bytes that say one text in the file and another in UTF-8 are two keywords', () => {
  const keywords = new KeywordNumbers('windows-1252');
  const bytes = new RankingBytes(
    { ...READING, encoding: 'windows-1252' },
    [],
    keywords,
    new AddressNumbers(),
  );
  const slotOf = (query: string): number => {
    const cells = cellsOf(['', 'south.example', '14.03.2026', '3', '', '']);
    const text = Buffer.concat([Buffer.from(query, 'latin1'), cells.bytes]);
    const moved = (column: Int32Array): Int32Array => column.map((at) => at + query.length);
    const [starts, ends] = [moved(cells.starts), moved(cells.ends)];
    starts[0] = 0;
    expect(bytes.read({ bytes: text, starts, ends, count: cells.count })).toBe(true);
    return bytes.row.keyword;
  };
  // The second is the first in UTF-8, read as Windows text.
  expect([slotOf('für'), slotOf('fÃ¼r'), slotOf('für')]).toEqual([0, 1, 0]);
});

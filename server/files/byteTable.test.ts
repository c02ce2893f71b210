import fc from 'fast-check';
import { ByteTable } from './byteTable';

test('finds what a map of texts would, whatever the texts and their order', () => {
  const text = fc.string({ unit: fc.constantFrom('a', 'b', 'é', ' ', '0'), maxLength: 12 });
  fc.assert(
    fc.property(fc.array(text, { maxLength: 60 }), (texts) => {
      const table = new ByteTable();
      const map = new Map<string, number>();
      texts.forEach((sought, n) => {
        const bytes = Buffer.from(`,${sought},`);
        const found = table.find(bytes, 1, bytes.length - 1);
        expect(found).toBe(map.get(sought) ?? -1);
        if (found >= 0) return;
        map.set(sought, n);
        table.add(bytes, 1, bytes.length - 1, n);
      });
      expect(table.size).toBe(map.size);
    }),
  );
});

test('grows with what it holds: a hundred thousand texts, each found under its own number', () => {
  const table = new ByteTable();
  const bytesOf = (n: number): Buffer => Buffer.from(`the same beginning ${n} and the same end`);
  for (let n = 0; n < 100_000; n++) table.add(bytesOf(n), 0, bytesOf(n).length, n);
  let wrong = 0;
  for (let n = 0; n < 100_000; n++) if (table.find(bytesOf(n), 0, bytesOf(n).length) !== n) wrong++;
  expect(wrong).toBe(0);
  const other = bytesOf(100_000);
  expect(table.find(other, 0, other.length)).toBe(-1);
});

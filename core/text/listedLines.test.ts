import fc from 'fast-check';
import { key } from './key';
import { leftLines } from './listedLines';

test('what is no keyword and what repeats one above is told, in the order of the list', () =>
  expect(leftLines(['Frame bag', '--', 'frame  bag', 'saddle bag', 'FRAME BAG'])).toEqual([
    { text: '--', why: 'holds no letter or number' },
    { text: 'frame  bag', why: 'repeats one above it' },
    { text: 'FRAME BAG', why: 'repeats one above it' },
  ]));

test('what is left and what is kept are all lines, and no two kept are the same by key', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('a b', 'A-B', 'c', '…', 'd', ' c ')), (lines) => {
      const kept = new Set(lines.map(key).filter((same) => same !== ''));
      expect(leftLines(lines)).toHaveLength(lines.length - kept.size);
    }),
  );
});

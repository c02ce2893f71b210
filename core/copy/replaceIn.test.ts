import fc from 'fast-check';
import { replaceIn } from './replaceIn';

test.each([
  ['Bag and bags, bag', 'bag', 'pannier', true, 'Pannier and bags, pannier', 2],
  ['Bag and bags', 'bag', 'pannier', false, 'Pannier and panniers', 2],
  ['a | Tarnwick', ' | Tarnwick', '', true, 'a', 1],
  ['über und überall', 'über', 'unter', true, 'unter und überall', 1],
  ['C++ and c', 'c++', 'rust', true, 'Rust and c', 1],
  ['自転車バッグ', 'バッグ', '袋', false, '自転車袋', 1],
  ['nothing', 'x', 'y', true, 'nothing', 0],
])('%j, %j for %j', (text, find, replace, whole, expected, count) => {
  expect(replaceIn(text, find, replace, whole)).toEqual({ text: expected, count });
});

test('what was replaced by itself is as it was; nothing is found behind an empty word', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 30 }), fc.string({ minLength: 1, maxLength: 4 }), (text, find) => {
      const lower = text.toLowerCase();
      expect(replaceIn(lower, find.toLowerCase(), find.toLowerCase(), false).text.toLowerCase()).toBe(
        lower.toLowerCase(),
      );
      expect(replaceIn(text, '', 'x', true)).toEqual({ text, count: 0 });
    }),
  );
});

import fc from 'fast-check';
import { readAddress } from './address';

describe('reading addresses', () => {
  test.each([
    ['https://www.Cobblemoor.example/', 'cobblemoor.example', 'site'],
    ['cobblemoor.example/Bags/Fell?utm_x=1#top', 'cobblemoor.example/Bags/Fell', 'page'],
    ['  http://shop.cobblemoor.example:8080//a//b/ ', 'shop.cobblemoor.example/a/b', 'page'],
    ['- cobblemoor.example', 'cobblemoor.example', 'site'],
    ['2) https://cobblemoor.example/a', 'cobblemoor.example/a', 'page'],
    ['WWW.4bags.example', '4bags.example', 'site'],
    ['a.example/item?id=5&utm_source=x', 'a.example/item?id=5', 'page'],
    ['a.example/?xclid=9', 'a.example', 'site'],
  ])('%j is %s, a %s', (line, address, kind) => expect(readAddress(line)).toEqual({ address, kind }));

  test.each([
    [''],
    ['panniers'],
    ['two words.example'],
    ['🚲.example'],
    ['a.example/x y'],
    ['-.example'],
    ['حقيبة'],
  ])('%j is refused with a reason', (line) => expect(readAddress(line)).toHaveProperty('reason'));

  test('reading an address again changes nothing, whatever was pasted', () => {
    fc.assert(
      fc.property(fc.oneof(fc.webUrl(), fc.string({ unit: 'grapheme' })), (line) => {
        const once = readAddress(line);
        if ('address' in once) expect(readAddress(once.address)).toEqual(once);
      }),
    );
  });
});

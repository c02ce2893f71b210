import fc from 'fast-check';
import { type AddressPlatform, liesUnder, readAddress } from './address';

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
  ])('%j is %s, a %s', (line, address, kind) =>
    expect(readAddress(line)).toEqual({ address, kind, surface: 'web' }),
  );

  test.each([
    [''],
    ['panniers'],
    ['two words.example'],
    ['🚲.example'],
    ['a.example/x y'],
    ['-.example'],
    ['حقيبة'],
  ])('%j is refused with a reason', (line) => expect(readAddress(line)).toHaveProperty('reason'));

  const platforms: AddressPlatform[] = [
    {
      surface: 'video',
      host: 'films.example',
      target: '/see/{id}',
      parent: '/by/{id}',
      id: '^f-[a-z0-9]{4}$',
    },
    {
      surface: 'marketplace',
      host: 'stalls.example',
      target: '/thing/{id}',
      parent: '/stall/{id}',
      id: '^t-[0-9]{3}$',
    },
  ];
  test.each([
    ['https://www.Films.example/see/F-12ab?t=3s', 'films.example/see/f-12ab', 'video', 'video'],
    ['f-12ab', 'films.example/see/f-12ab', 'video', 'video'],
    ['films.example/by/Tarnwick/videos', 'films.example/by/tarnwick', 'channel', 'video'],
    ['* T-001', 'stalls.example/thing/t-001', 'listing', 'marketplace'],
    ['http://stalls.example/stall/tarnwick/', 'stalls.example/stall/tarnwick', 'shop', 'marketplace'],
    ['stalls.example/thing/t-001/a-nice-bag', 'stalls.example/thing/t-001', 'listing', 'marketplace'],
    ['cobblemoor.example/range/*', 'cobblemoor.example/range/*', 'section', 'web'],
    ['cobblemoor.example/*', 'cobblemoor.example', 'site', 'web'],
  ])('%j is %s, a %s on %s', (line, address, kind, surface) =>
    expect(readAddress(line, platforms)).toEqual({ address, kind, surface }),
  );

  test.each([['films.example'], ['films.example/see/x'], ['stalls.example/terms'], ['f-12']])(
    '%j is no target of a platform',
    (line) => expect(readAddress(line, platforms)).toHaveProperty('reason'),
  );

  test('what lies under a parent', () => {
    expect(liesUnder('a.example/b/c', 'a.example')).toBe(true);
    expect(liesUnder('a.example/bc', 'a.example/b/*')).toBe(false);
    expect(liesUnder('a.example/b/c', 'a.example/b/*')).toBe(true);
    expect(liesUnder('a.example.b', 'a.example')).toBe(false);
  });

  test('reading an address again changes nothing, whatever was pasted', () => {
    fc.assert(
      fc.property(fc.oneof(fc.webUrl(), fc.string({ unit: 'grapheme' })), (line) => {
        const once = readAddress(line);
        if ('address' in once)
          expect(readAddress(once.address, platforms)).toEqual(readAddress(line, platforms));
      }),
    );
  });
});

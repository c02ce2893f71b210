import { pageKind } from './pageKind';

test.each([
  ['north.example', 'home'],
  ['https://north.example/', 'home'],
  ['north.example/products/red-bag', 'item'],
  ['north.example/shop/products/red-bag?colour=red', 'item'],
  ['north.example/Collections/bags#top', 'collection'],
  ['north.example/search?q=bags', 'search page'],
  ['north.example/blog/how-to-pack', 'article'],
  ['north.example/talk/bags', 'talk'],
  ['north.example/bags/red', 'unknown'],
])('%s is %s', (address, kind) => expect(pageKind(address)).toBe(kind));

test('rules of one’s own hold alone', () => {
  expect(pageKind('north.example/bags/red', { item: ['bags'] })).toBe('item');
  expect(pageKind('north.example/blog/red', { item: ['bags'] })).toBe('unknown');
});

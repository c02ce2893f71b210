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

test('what somebody said of a page goes before every rule, until it is taken back', () => {
  const page = 'north.example/blog/red';
  expect(pageKind(page, undefined, { [page]: 'item' })).toBe('item');
  expect(pageKind('north.example/blog/blue', undefined, { [page]: 'item' })).toBe('article');
  expect(pageKind(page, undefined, { [page]: 'by rule' })).toBe('article');
  expect(pageKind('constructor/blog', undefined, {})).toBe('article');
});

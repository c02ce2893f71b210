import { key } from './key';
import { readSeeds } from './seeds';

test.each([
  ['bike bag, frame bag\n\n saddle bag ', ['bike bag', 'frame bag', 'saddle bag']],
  ['- bike bag\n* frame bag\n• saddle bag\n2. bar bag', ['bike bag', 'frame bag', 'saddle bag', 'bar bag']],
  ['Bike  Bag,bike bag', ['Bike  Bag']],
  [' , ,\n–', []],
])('%j holds %j', (text, seeds) => expect(readSeeds([text])).toEqual(seeds));

test('no two of several pastes are the same by key', () => {
  const seeds = readSeeds(['Frame bag', 'FRAME BAG, été', 'été\nframe-bag']);
  expect(new Set(seeds.map(key)).size).toBe(seeds.length);
});

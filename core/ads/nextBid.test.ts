import { nextBid } from './nextBid';

const guide = { low: 0.5, high: 1.5 };
test.each([
  ['too early', { bid: 1, days: 3, slot: 4 }, { step: 'wait', days: 4 }],
  ['one step up', { bid: 1, days: 7, slot: 4 }, { step: 'raise', to: 1.1 }],
  ['never shown: at least to the low end', { bid: 0.1, days: 9, slot: null }, { step: 'raise', to: 0.5 }],
  ['not beyond the high end', { bid: 1.45, days: 9, slot: 4 }, { step: 'raise', to: 1.5 }],
  ['at the high end it stays', { bid: 1.5, days: 9, slot: 4 }, { step: 'stay' }],
  ['there', { bid: 1, days: 9, slot: 2.3 }, { step: 'stay' }],
  ['better than wanted: one step down', { bid: 1, days: 9, slot: 1 }, { step: 'lower', to: 0.9 }],
])('%s', (_, standing, next) => {
  expect(nextBid({ ...standing, guide }, 2)).toEqual(next);
});

import fc from 'fast-check';
import { exactBidGuide, matchedBidGuide, matchesQuery, whyUnseen } from './bidGuide';

test('the guide is the median of the lowest winning bids, its range the 20th to 80th percentile', () => {
  expect(exactBidGuide([0.5, 0.1, 0.4, 0.2, 0.3])).toEqual({
    low: expect.closeTo(0.18, 12),
    middle: 0.3,
    high: expect.closeTo(0.42, 12),
    days: 5,
  });
  expect(exactBidGuide([0.7])).toEqual({ low: 0.7, middle: 0.7, high: 0.7, days: 1 });
  expect(exactBidGuide([])).toBeNull();
});

test('phrase and broad weigh the queries they match by volume', () => {
  const guide = (middle: number) => ({ low: middle / 2, middle, high: middle * 2, days: 4 });
  expect(
    matchedBidGuide([
      { guide: guide(1), volume: 300 },
      { guide: guide(2), volume: 100 },
      { guide: guide(9), volume: null },
    ]),
  ).toEqual({ low: 0.625, middle: 1.25, high: 2.5, days: 12 });
  expect(
    matchedBidGuide([
      { guide: guide(1), volume: null },
      { guide: guide(3), volume: 0 },
    ])!.middle,
  ).toBe(2);
  expect(matchedBidGuide([])).toBeNull();
});

test.each([
  ['bike bag', 'exact', 'bike bag', true],
  ['bike bag', 'exact', 'bike bags', false],
  ['bike bag', 'phrase', 'red bike bag cheap', true],
  ['bike bag', 'phrase', 'bag bike', false],
  ['bike bag', 'phrase', 'bike bags', false],
  ['bike bag', 'broad', 'bags for a bike', true],
  ['bike bag', 'broad', 'bag', false],
] as const)('%s in %s match competes for “%s”: %s', (keyword, match, query, competes) => {
  expect(matchesQuery(keyword, match, query, 'en')).toBe(competes);
});

const guide = { low: 0.4, middle: 0.6, high: 0.9, days: 14 };
test.each([
  [{ covered: false, bid: 0.1, guide, volume: 0 }, 'words missing'],
  [{ covered: true, bid: 0.39, guide, volume: 0 }, 'bid too low'],
  [{ covered: null, bid: 0.4, guide, volume: 0 }, 'no demand'],
  [{ covered: true, bid: 0.1, guide: null, volume: 50 }, 'unexplained'],
  [{ covered: null, bid: null, guide, volume: null }, 'unexplained'],
] as const)('%j is explained by: %s', (facts, reason) => {
  expect(whyUnseen(facts)).toBe(reason);
});

test('dearer days never lower a guide; its range holds its middle; the order of days is idle', () => {
  const days = fc.array(fc.double({ min: 0.01, max: 50, noNaN: true }), { minLength: 1, maxLength: 40 });
  fc.assert(
    fc.property(days, fc.double({ min: 0, max: 5, noNaN: true }), (bids, dearer) => {
      const found = exactBidGuide(bids)!;
      expect(found.low).toBeLessThanOrEqual(found.middle);
      expect(found.middle).toBeLessThanOrEqual(found.high);
      expect(exactBidGuide([...bids].reverse())).toEqual(found);
      expect(exactBidGuide(bids.map((bid) => bid + dearer))!.middle).toBeGreaterThanOrEqual(found.middle);
    }),
  );
});

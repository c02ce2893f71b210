import fc from 'fast-check';
import { PACE_DAYS, pace, thingCounts, traitShares } from './frontStudy';

test('shares are of what was looked at; unknown counts nowhere, no tick counts as none', () => {
  const asked = ['alone', 'in use'];
  expect(traitShares(asked, [['alone'], ['alone', 'in use'], [], null, ['gone trait']])).toEqual({
    looked: 4,
    shares: [
      { trait: 'alone', shown: 2, share: 0.5 },
      { trait: 'in use', shown: 1, share: 0.25 },
    ],
  });
  expect(traitShares(asked, [null, null]).shares.map(({ share }) => share)).toEqual([null, null]);
});

test('titles are counted by the things they name, by stems; those of none beside', () => {
  const titles = [
    'Waterproof panniers for touring',
    'Pannier pair, waxed canvas',
    'Frame bag of canvas',
    'Bell',
  ];
  const { counts, none } = thingCounts(
    titles,
    ['pannier', 'frame bag', 'Pannier', ' '],
    'Tarnwick frame bags',
    'en',
  );
  expect(counts).toEqual([
    { thing: 'pannier', titles: 2, ours: false },
    { thing: 'frame bag', titles: 1, ours: true },
  ]);
  expect(none).toBe(1);
  expect(thingCounts(titles, [], null, 'en')).toEqual({ counts: [], none: 4 });
});

test('the pace is that of the weakest seller that is known, over eight days', () => {
  expect(pace([600, null, 90, 150])).toEqual({ aDay: 3, inAll: 24, weakest: 2, known: 3 });
  expect(pace([null, null])).toBeNull();
  expect(pace([])).toBeNull();
});

test('whatever the front, its pace is no faster than any known seller’s, and the order changes nothing', () => {
  const units = fc.array(fc.option(fc.double({ min: 0, max: 1e6, noNaN: true }), { nil: null }), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(units, (sold) => {
      const found = pace(sold);
      const known = sold.filter((count) => count !== null);
      expect(found === null).toBe(known.length === 0);
      if (found === null) return;
      for (const count of known) expect(found.aDay).toBeLessThanOrEqual(count / 30);
      expect(found.inAll).toBe(found.aDay * PACE_DAYS);
      expect(pace([...sold].reverse())!.aDay).toBe(found.aDay);
    }),
  );
});

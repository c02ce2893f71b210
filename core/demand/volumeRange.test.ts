import fc from 'fast-check';
import { middleOf, rangeSigma, readVolume } from './volumeRange';

test.each([
  ['1,300', false, 1300, 1300],
  ['1.300', true, 1300, 1300],
  ['1.3K', false, 1300, 1300],
  ['100–1,000', false, 100, 1000],
  ['1K – 10K', false, 1000, 10_000],
  ['10K+', false, 10_000, 100_000],
  ['1,5 Tsd. bis 2 Tsd.', true, 1500, 2000],
  ['0 - 10', false, 0, 10],
  ['1M to 10M', false, 1e6, 1e7],
] as const)('%s is read', (text, decimalComma, low, high) => {
  expect(readVolume(text, decimalComma)).toEqual({ low, high });
});

test.each(['', 'many', '10-', '-10', '1000 – 100', '1K K', '5%'])('“%s” is no volume', (text) => {
  expect(readVolume(text, false)).toBeNull();
});

test('the middle lies within the range and its spread grows with the range', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 1000 }), (low, times) => {
      const range = { low, high: low * times };
      expect(middleOf(range)).toBeGreaterThanOrEqual(low);
      expect(middleOf(range)).toBeLessThanOrEqual(range.high);
      expect(rangeSigma(range)).toBeCloseTo(Math.log(times) / Math.sqrt(12), 12);
      expect(readVolume(`${low} – ${range.high}`, false)).toEqual(range);
    }),
  );
});

test('a hundred to a thousand stands for 316', () => expect(middleOf({ low: 100, high: 1000 })).toBe(316));

import fc from 'fast-check';
import { priorCurve } from './clickThrough';
import { ABSENT, UNKNOWN } from './position';
import { clicksOfSide, shareOfClicks } from './visibility';

const curve = priorCurve('web');

test('share of clicks: its own over all, what is unknown on neither side', () => {
  const positions = Uint8Array.of(1, ABSENT, UNKNOWN, 2, 3);
  const volumes = Float64Array.of(100, 50, 1000, NaN, 10);
  const held = Float64Array.of(0.6, 0.5, 0.9, 0.7, NaN);
  // Keyword 2 is absent: it counts among all, and brings nothing.
  expect(shareOfClicks(positions, volumes, held, curve, [0, 1, 2, 3, 4])).toBeCloseTo(
    (100 * curve[1]!) / (100 * 0.6 + 50 * 0.5),
    12,
  );
  expect(shareOfClicks(positions, volumes, held, curve, [2, 3, 4])).toBeNull();
  expect(shareOfClicks(positions, volumes, held, curve, [])).toBeNull();
  expect(shareOfClicks(positions, volumes, held, curve, [1])).toBe(0);
});

test('sides that share a page share its clicks', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 50 }), { minLength: 1, maxLength: 6 }), (places) => {
      const held = Float64Array.of(places.reduce((sum, place) => sum + curve[place]!, 0));
      const shares = places.map((place) =>
        shareOfClicks(Uint8Array.of(place), Float64Array.of(70), held, curve, [0])!,
      );
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
    }),
  );
});

test('clicks of a side: volume · c(p) · what stands above; unknown adds nothing', () => {
  const positions = Uint8Array.of(1, 4, ABSENT, UNKNOWN);
  const volumes = Float64Array.of(200, NaN, 90, 90);
  const factors = Float64Array.of(0.85, 1, 1, 1);
  expect(clicksOfSide(positions, volumes, factors, curve, [0, 1, 2, 3])).toBeCloseTo(200 * 0.3 * 0.85, 12);
  expect(clicksOfSide(positions, volumes, factors, curve, [])).toBe(0);
});

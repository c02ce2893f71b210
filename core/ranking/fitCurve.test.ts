import fc from 'fast-check';
import { priorCurve } from './clickThrough';
import { addToBuckets, emptyBuckets, fitClickCurve } from './fitCurve';

const fitted = (rows: [position: number, impressions: number, clicks: number][]) => {
  const buckets = emptyBuckets();
  for (const [position, impressions, clicks] of rows)
    addToBuckets(buckets, { position, impressions, clicks });
  return fitClickCurve('web', buckets);
};

describe('click-through fitted from own search performance', () => {
  test('without a row it is the prior', () => {
    expect(fitted([])).toEqual(priorCurve('web'));
    expect(
      fitted([
        [NaN, 900, 10],
        [0.2, 900, 10],
        [130, 900, 10],
      ]),
    ).toEqual(priorCurve('web'));
  });

  test('a bucket leans on the prior by 500 impressions; positions are rounded half up', () => {
    // (60 + 500 · 0.15) / (1000 + 500) = 0.09, below c(1) = 0.30 and c(2) of the prior is 0.15.
    expect(
      fitted([
        [1.5, 600, 40],
        [2.49, 400, 20],
      ])[2],
    ).toBeCloseTo(0.09);
  });

  test('what would rise is pooled with its neighbours by weight', () => {
    // c(3): (500 + 50) / 1500 = 0.3667; pooled with c(2) = 0.15 (500) and c(1) = 0.30 (500): (550 + 75 + 150) / 2500.
    const curve = fitted([[3, 1000, 500]]);
    for (const position of [1, 2, 3]) expect(curve[position]).toBeCloseTo(0.31);
    expect(curve[4]).toBeCloseTo(0.075);
  });

  test('it never rises, stays within 0 and 1, and keeps all clicks', () => {
    const row = fc.tuple(
      fc.double({ min: 0.5, max: 100.4, noNaN: true }),
      fc.integer({ min: 0, max: 1e5 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(row, { maxLength: 60 }), (rows) => {
        const given = rows.map(([position, impressions, share]): [number, number, number] => [
          position,
          impressions,
          Math.floor(impressions * share),
        ]);
        const buckets = emptyBuckets();
        for (const [position, impressions, clicks] of given)
          addToBuckets(buckets, { position, impressions, clicks });
        const curve = fitClickCurve('marketplace', buckets);
        const prior = priorCurve('marketplace');
        let [told, expected] = [0, 0];
        for (let p = 1; p <= 100; p++) {
          if (p > 1) expect(curve[p]!).toBeLessThanOrEqual(curve[p - 1]! + 1e-12);
          expect(curve[p]!).toBeGreaterThanOrEqual(0);
          expect(curve[p]!).toBeLessThanOrEqual(1);
          told += curve[p]! * (buckets.impressions[p]! + 500);
          expected += buckets.clicks[p]! + 500 * prior[p]!;
        }
        expect(told).toBeCloseTo(expected, 4);
      }),
    );
  });
});

import { SURFACES } from '../text/surfaces';
import fc from 'fast-check';
import {
  estimatedClicks,
  featureFactor,
  paidClickThrough,
  priorClickThrough,
  priorCurve,
} from './clickThrough';
import { difficulty } from './difficulty';
import { ABSENT, DEPTH_BANDS, UNKNOWN, better, depthBand } from './position';
import { median } from './statistics';
import { countsByDepth, visibility } from './visibility';

const bare = { answerBox: false, imageBlock: false, videoBlock: false, paidSlots: 0 };

describe('click-through', () => {
  test.each([
    ['web', 1, 0.3],
    ['web', 5, 0.06],
    ['web', 10, 0.03],
    ['web', 14, (0.3 / 14) * 0.5],
    ['web', 21, (0.3 / 21) * 0.25],
    ['video', 2, 0.22 * 2 ** -0.8],
    ['marketplace', 3, 0.24 * 3 ** -0.9],
    ['web', ABSENT, 0],
  ] as const)('%s at %i is %d', (surface, position, expected) => {
    expect(priorClickThrough(surface, position)).toBeCloseTo(expected, 12);
    expect(priorCurve(surface)[position]).toBeCloseTo(expected, 12);
  });

  test('never rises with depth', () => {
    for (const surface of SURFACES)
      for (let p = 1; p < 100; p++)
        expect(priorClickThrough(surface, p)).toBeGreaterThan(priorClickThrough(surface, p + 1));
    expect(paidClickThrough(1)).toBe(0.08);
    expect(paidClickThrough(2)).toBeCloseTo(0.08 * 2 ** -0.7, 12);
  });

  test('features above organic multiply, paid slots together not below 0.80', () => {
    expect(featureFactor(bare)).toBe(1);
    expect(featureFactor({ ...bare, paidSlots: 1 })).toBe(0.95);
    expect(featureFactor({ ...bare, paidSlots: 9 })).toBe(0.8);
    expect(featureFactor({ answerBox: true, imageBlock: true, videoBlock: true, paidSlots: 2 })).toBeCloseTo(
      0.85 * 0.95 * 0.95 * 0.95 * 0.95,
      12,
    );
    expect(estimatedClicks(1000, 1, 0.95, priorCurve('web'))).toBeCloseTo(285, 9);
  });
});

describe('positions', () => {
  test('the better of two: a position beats absent, anything beats unknown', () => {
    expect(better(UNKNOWN, ABSENT)).toBe(ABSENT);
    expect(better(ABSENT, 40)).toBe(40);
    expect(better(7, 3)).toBe(3);
    expect(better(UNKNOWN, UNKNOWN)).toBe(UNKNOWN);
  });
  test.each([
    [1, '1–3'],
    [3, '1–3'],
    [4, '4–10'],
    [10, '4–10'],
    [11, '11–20'],
    [20, '11–20'],
    [21, '21–50'],
    [50, '21–50'],
    [51, '51–100'],
    [100, '51–100'],
    [ABSENT, 'absent'],
    [UNKNOWN, 'unknown'],
  ])('%i lies in band %s', (position, band) => expect(DEPTH_BANDS[depthBand(position)]).toBe(band));
});

describe('figures of a result page', () => {
  test.each([
    [[], null],
    [[4], 4],
    [[4, 1], 2.5],
    [[9, 1, 5], 5],
  ])('median of %j is %j', (values, expected) => expect(median(values)).toBe(expected));
  test('difficulty', () => {
    const slot = (authority: number | null, phraseInTitle: boolean) => ({ authority, phraseInTitle });
    expect(difficulty([])).toBeNull();
    expect(difficulty([slot(null, true)])).toBeNull();
    expect(difficulty([slot(40, true), slot(60, false)])).toBe(50);
    expect(difficulty([slot(100, true)])).toBe(100);
  });
});

describe('visibility', () => {
  const curve = priorCurve('web');
  test('is 1 when always first, 0 when always absent, unknown left out', () => {
    const volumes = Float64Array.of(100, 50, 10, NaN);
    expect(visibility(Uint8Array.of(1, 1, UNKNOWN, 1), volumes, curve, [0, 1, 2, 3])).toBe(1);
    expect(visibility(Uint8Array.of(ABSENT, ABSENT, UNKNOWN, 1), volumes, curve, [0, 1, 2, 3])).toBe(0);
    expect(visibility(Uint8Array.of(UNKNOWN, UNKNOWN, UNKNOWN, 1), volumes, curve, [0, 1, 2, 3])).toBeNull();
    expect(visibility(Uint8Array.of(2, ABSENT, 0, 0), volumes, curve, [0, 1])).toBeCloseTo(
      (100 * 0.15) / 45,
      12,
    );
  });
  test('counts by depth add up to the rows', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (positions) => {
        const rows = Array.from(positions.keys());
        const counts = countsByDepth(positions, rows, depthBand);
        expect(counts.reduce((sum, count) => sum + count, 0)).toBe(rows.length);
      }),
    );
  });
});

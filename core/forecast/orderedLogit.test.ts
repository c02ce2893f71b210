import fc from 'fast-check';
import { draws } from '../rates/draws';
import { ABSENT_BAND, BAND_COUNT, within } from './bands';
import { CUT_LEVELS, distributionAt, fitOrderedLogit, score } from './orderedLogit';

const WIDTH = 3;
const TRUE = {
  thresholds: CUT_LEVELS.map((cut) => 0.4 - 1.6 * cut),
  weights: [1.2, -0.7, 0],
};

/** Rows whose bands come of the true model; inputs on very different scales. */
function drawn(size: number, seed: number) {
  const { normal, even } = draws(seed);
  const inputs = new Float64Array(size * WIDTH);
  const band = new Uint8Array(size);
  for (let row = 0; row < size; row++) {
    inputs[row * WIDTH] = normal();
    inputs[row * WIDTH + 1] = 3 * normal() + 5;
    inputs[row * WIDTH + 2] = 0.1 * normal();
    const distribution = distributionAt(TRUE.thresholds, score(TRUE.weights, inputs, row * WIDTH));
    let left = even();
    band[row] = distribution.findIndex((part) => (left -= part) < 0);
    if (band[row] === 255) band[row] = ABSENT_BAND;
  }
  return { inputs, width: WIDTH, band };
}

describe('a cumulative logit', () => {
  const rows = drawn(20_000, 11);

  test.each(['free', 'on levels'] as const)(
    'finds what made the rows within its errors, thresholds %s',
    (way) => {
      const fit = fitOrderedLogit(rows, way)!;
      const size = CUT_LEVELS.length + WIDTH;
      const found = [...fit.thresholds, ...fit.weights];
      [...TRUE.thresholds, ...TRUE.weights].forEach((value, n) => {
        const error = Math.sqrt(fit.covariance[n * size + n]!);
        expect(error).toBeGreaterThan(0);
        expect(Math.abs(found[n]! - value)).toBeLessThan(4.5 * error);
      });
    },
  );

  test('no small step from what was fitted makes the rows more likely', () => {
    const fit = fitOrderedLogit(rows, 'free')!;
    const likelihood = (thresholds: ArrayLike<number>, weights: ArrayLike<number>): number => {
      let sum = 0;
      rows.band.forEach((band, row) => {
        sum += Math.log(distributionAt(thresholds, score(weights, rows.inputs, row * WIDTH))[band]!);
      });
      return sum;
    };
    const best = likelihood(fit.thresholds, fit.weights);
    for (const step of [-0.02, 0.02]) {
      for (let n = 0; n < CUT_LEVELS.length; n++) {
        const moved = Float64Array.from(fit.thresholds);
        moved[n]! += step;
        expect(likelihood(moved, fit.weights)).toBeLessThan(best + 0.1);
      }
      for (let n = 0; n < WIDTH; n++) {
        const moved = Float64Array.from(fit.weights);
        moved[n]! += step;
        // The ridge draws a little towards 0.
        expect(likelihood(fit.thresholds, moved)).toBeLessThan(best + 0.1);
      }
    }
  });

  test('rows left out say nothing', () => {
    const half = fitOrderedLogit(rows, 'free', (row) => row % 2 === 0)!;
    const alone = fitOrderedLogit(
      {
        width: WIDTH,
        band: rows.band.filter((_, row) => row % 2 === 0),
        inputs: rows.inputs.filter((_, n) => Math.floor(n / WIDTH) % 2 === 0),
      },
      'free',
    )!;
    half.weights.forEach((weight, n) => expect(weight).toBeCloseTo(alone.weights[n]!, 9));
  });

  test('scale and shift of an input change nothing but its weight', () => {
    const other = fitOrderedLogit(
      { ...rows, inputs: rows.inputs.map((value, n) => (n % WIDTH === 0 ? value * 40 - 3 : value)) },
      'on levels',
    )!;
    const fit = fitOrderedLogit(rows, 'on levels')!;
    expect(other.weights[0]! * 40).toBeCloseTo(fit.weights[0]!, 5);
    expect(other.weights[1]).toBeCloseTo(fit.weights[1]!, 5);
  });

  test('nothing is fitted where all stand alike', () => {
    expect(
      fitOrderedLogit({ inputs: new Float64Array(5), width: 1, band: new Uint8Array(5) }, 'free'),
    ).toBeNull();
  });
});

test('a distribution is one: parts of 0 and more that sum to 1, and a higher score stands higher', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -30, max: 30, noNaN: true }),
      fc.double({ min: 0.01, max: 5, noNaN: true }),
      (at, more) => {
        const [low, high] = [distributionAt(TRUE.thresholds, at), distributionAt(TRUE.thresholds, at + more)];
        expect(low.every((part) => part >= 0)).toBe(true);
        expect(low).toHaveLength(BAND_COUNT);
        expect(low.reduce((sum, part) => sum + part, 0)).toBeCloseTo(1, 9);
        for (const k of [1, 5, 10, 100])
          expect(within(high, k)).toBeGreaterThanOrEqual(within(low, k) - 1e-12);
      },
    ),
  );
});

import fc from 'fast-check';
import { CHANCE_FEATURES, defaultChanceWeights } from './chance';
import { type ChanceRows, fitChance, logitError, qualityOf } from './fitChance';

const DEFAULTS = defaultChanceWeights(10);
const WIDTH = CHANCE_FEATURES.length;
/** Deterministic draws, 0–1. */
function drawer(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const TRUE = { intercept: -1.2, weights: [0.8, 1.4, 0, 0.5, -0.6, 0, 0.2] };

/** Captures whose results are inside by the true weights; features on very different scales. */
function drawn(captures: number, seed: number, each = 30): ChanceRows {
  const draw = drawer(seed);
  const size = captures * each;
  const rows = {
    features: new Float64Array(size * WIDTH),
    inside: new Uint8Array(size),
    keyword: new Int32Array(size),
  };
  for (let row = 0; row < size; row++) {
    rows.keyword[row] = Math.floor(row / each);
    let logit = TRUE.intercept;
    for (let f = 0; f < WIDTH; f++) {
      const value = f === 1 ? Number(draw() < 0.4) : (draw() + draw() + draw() - 1.5) * 2;
      rows.features[row * WIDTH + f] = value;
      logit += TRUE.weights[f]! * value;
    }
    rows.inside[row] = Number(draw() < 1 / (1 + Math.exp(-logit)));
  }
  return rows;
}

describe('the chance model fitted on captures', () => {
  test('foretells keywords it has not seen better than other weights and than a share alone', () => {
    const { quality, others } = fitChance(drawn(400, 9), DEFAULTS)!;
    expect(quality.auc).toBeGreaterThan(others.against.auc);
    expect(quality.brier).toBeLessThan(others.against.brier);
    expect(others.constant.auc).toBeCloseTo(0.5, 9);
    expect(quality.brier).toBeLessThan(others.constant.brier);
  });

  const fitted = fitChance(drawn(600, 5), DEFAULTS)!;

  test('finds the weights that made the rows, within their errors', () => {
    [fitted.intercept, ...fitted.weights].forEach((weight, i) => {
      const error = Math.sqrt(fitted.covariance[i * (WIDTH + 1) + i]!);
      expect(error).toBeGreaterThan(0);
      expect(Math.abs(weight - [TRUE.intercept, ...TRUE.weights][i]!)).toBeLessThan(4 * error);
    });
    expect([fitted.captures, fitted.rows]).toEqual([600, 18_000]);
  });

  test('foretells keywords it has not seen, and is calibrated', () => {
    expect(fitted.quality.auc).toBeGreaterThan(0.75);
    expect(fitted.quality.calibrationError).toBeLessThan(0.03);
    expect(fitted.quality.calibration.reduce((sum, { rows }) => sum + rows, 0)).toBe(18_000);
  });

  test('the error of a logit is least near the middle of the rows', () => {
    const at = (value: number): number => logitError(new Array<number>(WIDTH).fill(value), fitted.covariance);
    expect(at(0)).toBeGreaterThan(0);
    expect(at(4)).toBeGreaterThan(at(1));
  });

  test('scale and shift of a feature change nothing but its weight', () => {
    const rows = drawn(220, 9);
    const other = {
      ...rows,
      features: rows.features.map((value, n) => (n % WIDTH === 0 ? value * 50 + 7 : value)),
    };
    const [a, b] = [fitChance(rows, DEFAULTS)!, fitChance(other, DEFAULTS)!];
    expect(b.weights[0]! * 50).toBeCloseTo(a.weights[0]!, 6);
    expect(b.weights[1]).toBeCloseTo(a.weights[1]!, 6);
    expect(b.quality.auc).toBeCloseTo(a.quality.auc, 6);
  });

  test('a feature that never differs weighs nothing; the others are found all the same', () => {
    const rows = drawn(300, 3);
    const flat = { ...rows, features: rows.features.map((value, n) => (n % WIDTH === 4 ? 0 : value)) };
    const model = fitChance(flat, DEFAULTS)!;
    expect(model.weights[4]).toBeCloseTo(0);
    expect(model.weights[1]!).toBeGreaterThan(0.8);
  });

  test('too few captures, or all on one side, give none', () => {
    expect(fitChance(drawn(199, 1), DEFAULTS)).toBeNull();
    const rows = drawn(250, 1);
    expect(fitChance({ ...rows, inside: rows.inside.map(() => 1) }, DEFAULTS)).toBeNull();
  });
});

describe('quality of probabilities', () => {
  test('known small cases', () => {
    const perfect = qualityOf(Float64Array.of(0.1, 0.2, 0.8, 0.9), [0, 0, 1, 1]);
    expect(perfect.auc).toBe(1);
    expect(perfect.brier).toBeCloseTo((0.01 + 0.04 + 0.04 + 0.01) / 4);
    expect(qualityOf(Float64Array.of(0.5, 0.5), [0, 1]).auc).toBe(0.5);
    expect(qualityOf(Float64Array.of(0.9, 0.1), [0, 1]).auc).toBe(0);
    expect(qualityOf(Float64Array.of(0.3, 0.3, 0.3, 0.3), [0, 0, 0, 1]).calibrationError).toBeCloseTo(0.05);
  });

  test('the AUC is the share of pairs in the right order, ties half', () => {
    const row = fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 1 }));
    fc.assert(
      fc.property(fc.array(row, { minLength: 2, maxLength: 30 }), (rows) => {
        const inside = rows.map(([, y]) => y);
        const { auc } = qualityOf(
          Float64Array.from(rows, ([p]) => p / 6),
          inside,
        );
        let [right, pairs] = [0, 0];
        for (const [p, y] of rows)
          for (const [q, z] of rows)
            if (y === 1 && z === 0) {
              pairs++;
              right += p > q ? 1 : p === q ? 0.5 : 0;
            }
        if (pairs === 0) expect(auc).toBeNaN();
        else expect(auc).toBeCloseTo(right / pairs);
      }),
    );
  });
});

import fc from 'fast-check';
import { type JudgedKeyword, learnLikelyFit, likelihoodOf } from './likelyFit';

const keyword = (key: string, fit: boolean, ranking: string[] = []): JudgedKeyword => ({ key, fit, ranking });
const NOUNS = ['bag', 'pannier', 'rack', 'cover', 'strap', 'hook', 'light', 'pump'];
/** Somebody who sells bags and panniers: everything else is off. */
const sellsBags = (n: number): JudgedKeyword[] =>
  Array.from({ length: n }, (_, i) => {
    const noun = NOUNS[i % NOUNS.length]!;
    return keyword(`${['red', 'large', 'cheap'][i % 3]!} ${noun} ${i}`, noun === 'bag' || noun === 'pannier');
  });

test('what the words tell is learnt, in every form of them, and how right it has been is said', () => {
  const model = learnLikelyFit(sellsBags(80), 'en');
  expect(model).toMatchObject({ judged: 80, baseline: 0.75 });
  expect(model.accuracy).toBeGreaterThan(0.95);
  const likely = (key: string): number => likelihoodOf(model, { key, ranking: [] }, 'en');
  expect(likely('blue panniers')).toBeGreaterThan(0.5);
  expect(likely('blue bags')).toBeGreaterThan(likely('blue pumps'));
  expect(likely('bike lights')).toBeLessThan(0.5);
});

test('who ranks tells as well', () => {
  const judged = Array.from({ length: 40 }, (_, i) =>
    keyword(`keyword ${i}`, i % 2 === 0, i % 2 === 0 ? ['Cobblemoor'] : ['Lanternroad']),
  );
  const model = learnLikelyFit(judged, 'en');
  expect(model.accuracy).toBe(1);
  expect(likelihoodOf(model, { key: 'new', ranking: ['Cobblemoor'] }, 'en')).toBeGreaterThan(0.8);
  expect(likelihoodOf(model, { key: 'new', ranking: ['Lanternroad'] }, 'en')).toBeLessThan(0.2);
});

test('with verdicts that have nothing to do with the words it is no better than guessing, and says so', () => {
  // Fit or not by a coin that was thrown beforehand.
  const coin = [1, 0, 0, 1, 0, 1, 1, 0, 1, 0, 1, 0, 0, 1, 1, 0, 0, 0, 1, 1];
  const judged = Array.from({ length: 100 }, (_, i) =>
    keyword(`unlike${i} other${i}`, coin[i % coin.length] === 1),
  );
  expect(learnLikelyFit(judged, 'en').accuracy).toBeLessThan(0.7);
});

test('too few verdicts of one kind: nothing is said of accuracy', () => {
  expect(learnLikelyFit([], 'en')).toMatchObject({ accuracy: null, baseline: 0, judged: 0 });
  expect(learnLikelyFit(sellsBags(8), 'en').accuracy).toBeNull();
});

test('a likelihood lies between 0 and 1, and the same verdicts give the same model', () => {
  const judged = fc.array(
    fc.record({
      key: fc
        .array(fc.constantFrom(...NOUNS, 'für', '30l'), { minLength: 1, maxLength: 4 })
        .map((parts) => parts.join(' ')),
      fit: fc.boolean(),
      ranking: fc.subarray(['a', 'b', 'c']),
    }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(judged, (rows) => {
      const model = learnLikelyFit(rows, 'en');
      expect(learnLikelyFit(rows, 'en')).toEqual(model);
      for (const row of rows) {
        const likely = likelihoodOf(model, row, 'en');
        expect(likely).toBeGreaterThanOrEqual(0);
        expect(likely).toBeLessThanOrEqual(1);
      }
    }),
    { numRuns: 40 },
  );
});

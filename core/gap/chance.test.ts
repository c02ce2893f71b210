import fc from 'fast-check';
import { afterAction, chance, defaultChanceWeights, type FieldStanding } from './chance';

describe('chance with the default weights', () => {
  const medians = [50, 0, 0.5, 0.6, 10, 400, 100];
  const average: FieldStanding = {
    authority: 50,
    phraseInTitle: 0,
    wordsInTitle: 0.5,
    wordsInFields: 0.6,
    engagement: 10,
    ageDays: 400,
    daysSinceUpdate: 100,
  };
  const model = defaultChanceWeights(10);

  test('an average result stands at the intercept', () => {
    expect(chance(average, medians, model)).toBeCloseTo(1 / (1 + Math.exp(-(Math.log(10 / 40) - 0.2))), 12);
  });
  test('is worked out as stated', () => {
    const better: FieldStanding = {
      ...average,
      authority: 60,
      phraseInTitle: 1,
      wordsInTitle: 1,
      engagement: 21,
      daysSinceUpdate: 0,
    };
    const logit = Math.log(0.25) - 0.2 + 0.6 + 1 + 0.75 + 0.3 * Math.log(22 / 11) - 0.15 * Math.log(1 / 101);
    expect(chance(better, medians, model)).toBeCloseTo(1 / (1 + Math.exp(-logit)), 12);
  });
  test('an unknown figure counts as the median', () => {
    expect(chance({ ...average, authority: null, engagement: null }, medians, model)).toBe(
      chance(average, medians, model),
    );
    expect(chance({ ...average, ageDays: 3 }, [50, 0, 0.5, 0.6, 10, NaN, 100], model)).toBe(
      chance(average, medians, model),
    );
  });
  test('the action never lowers it', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, fc.constantFrom(0 as const, 1 as const), (title, fields, phrase) => {
        const standing = { ...average, phraseInTitle: phrase, wordsInTitle: title, wordsInFields: fields };
        expect(chance(afterAction(standing), medians, model)).toBeGreaterThanOrEqual(
          chance(standing, medians, model),
        );
      }),
    );
  });
});

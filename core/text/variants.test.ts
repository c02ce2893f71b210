import fc from 'fast-check';
import { countStems, likeness, stemVector } from './likeness';
import { candidatePhrases } from './phrases';
import { isSpellingVariant, likelySpellings, mayBeSpellingOf } from './variants';

describe('spellings', () => {
  test.each([
    ['panier', 'pannier', true],
    ['handle bar bag', 'handlebar bag', true],
    ['mesenger bags', 'messenger bags', true],
    ['20l bag', '25l bag', false],
    ['bag', 'bags', false],
    ['rack bag', 'rain cover', false],
    ['pannier', 'pannier', false],
  ])('%j and %j: %j', (a, b, expected) => {
    expect(mayBeSpellingOf(a, b)).toBe(expected);
    expect(mayBeSpellingOf(b, a)).toBe(expected);
  });

  test('only the rarer is the variant, and an unknown volume decides nothing', () => {
    expect(isSpellingVariant('panier', 'pannier', 100, 500)).toBe(true);
    expect(isSpellingVariant('panier', 'pannier', 101, 500)).toBe(false);
    expect(isSpellingVariant('pannier', 'panier', 500, 100)).toBe(false);
    expect(isSpellingVariant('panier', 'pannier', null, 500)).toBe(false);
  });

  test('likely spellings hold the usual slips, never the word itself, each once', () => {
    const found = likelySpellings('saddle bag', 'abcdefghijklmnopqrstuvwxyz');
    expect(found).toEqual(
      expect.arrayContaining(['sadle bag', 'saddlebag', 'sadddle bag', 'asddle bag', 'saddle bug']),
    );
    expect(found).not.toContain('saddle bag');
    expect(new Set(found).size).toBe(found.length);
  });
});

test('phrases of a text neither begin nor end with a filler and stay within a sentence', () => {
  const phrases = candidatePhrases('Waterproof panniers for touring. The best of bags | Tarnwick', 'en');
  expect(phrases).toEqual(
    expect.arrayContaining(['waterproof panniers', 'panniers for touring', 'tarnwick', 'bags']),
  );
  expect(phrases).not.toContain('touring the best');
  for (const phrase of phrases) expect(phrase).not.toMatch(/^(for|the|of) | (for|the|of)$/);
});

describe('likeness', () => {
  const texts = ['waterproof pannier for touring', 'leather saddle bag', 'pannier for commuting', 'stem bag'];
  const counts = countStems(texts, 'en');
  const vector = (text: string) => stemVector(text, 'en', counts);

  test('is symmetric, between 0 and 1, and 1 with itself', () => {
    const text = fc.array(fc.constantFrom(...texts.join(' ').split(' ')), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(text, text, (a, b) => {
        const [left, right] = [vector(a.join(' ')), vector(b.join(' '))];
        const found = likeness(left, right);
        expect(found).toBeCloseTo(likeness(right, left), 12);
        expect(found).toBeGreaterThanOrEqual(0);
        expect(found).toBeLessThanOrEqual(1);
        if (left.size > 0) expect(likeness(left, left)).toBeCloseTo(1, 12);
      }),
    );
  });

  test('shared rare words make more alike than shared common ones, and nothing is like nothing', () => {
    const us = vector('waterproof pannier');
    expect(likeness(us, vector('waterproof panniers for touring'))).toBeGreaterThan(
      likeness(us, vector('pannier for commuting')),
    );
    expect(likeness(us, vector(''))).toBe(0);
  });
});

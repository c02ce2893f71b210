import fc from 'fast-check';
import { spellingPairs } from './spellingPairs';
import { mayBeSpellingOf } from './variants';

const named = (keys: string[]): string[] =>
  spellingPairs(keys)
    .map((pair) =>
      pair
        .map((index) => keys[index]!)
        .sort()
        .join(' ~ '),
    )
    .sort();

describe('pairs of spellings', () => {
  test('letters left out, swapped, joined and split words, spaces that slipped', () => {
    const keys = [
      'waterproof panniers',
      'waterpoof panniers',
      'waterproof pannires',
      'water proof panniers',
      'waterproofpanniers',
      'waterproo fpanniers',
      'watreproof pannies',
      'handlebar bag',
      'handle bar bags',
      'dry bag',
    ];
    const found = named(keys);
    for (const key of keys.slice(1, 7)) expect(found).toContain([key, keys[0]!].sort().join(' ~ '));
    expect(found).toContain('handle bar bags ~ handlebar bag');
    expect(found.some((pair) => pair.includes('dry bag'))).toBe(false);
  });

  test('figures are never spellings of each other', () => {
    expect(named(['dry bag 10l', 'dry bag 12l', 'dry bags 10l'])).toEqual(['dry bag 10l ~ dry bags 10l']);
  });

  test('nothing and single keys have no pairs', () => {
    expect(spellingPairs([])).toEqual([]);
    expect(spellingPairs(['bike bags'])).toEqual([]);
  });

  const word = fc.constantFrom(
    'bike',
    'bag',
    'bags',
    'pannier',
    'panniers',
    'rack',
    'rear',
    'gear',
    'dry',
    'sack',
    'frame',
  );
  const phrase = fc.array(word, { minLength: 1, maxLength: 4 }).map((list) => list.join(' '));
  const slip = fc.record({
    at: fc.nat(40),
    how: fc.constantFrom('drop', 'double', 'swap', 'change', 'split'),
    letter: fc.constantFrom('a', 'e', 'r', 's'),
  });
  const slipped = fc.tuple(phrase, fc.array(slip, { maxLength: 2 })).map(([text, slips]) =>
    slips
      .reduce((letters, { at, how, letter }) => {
        const n = at % letters.length;
        const [before, own, after] = [letters.slice(0, n), letters[n]!, letters.slice(n + 1)];
        if (how === 'drop') return before + after;
        if (how === 'double') return before + own + own + after;
        if (how === 'swap') return before + after.slice(0, 1) + own + after.slice(1);
        return how === 'change' && own !== ' ' ? before + letter + after : `${before} ${own}${after}`;
      }, text)
      .replace(/ +/g, ' ')
      .trim(),
  );

  test('finds what comparing each with each finds', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(
          slipped.filter((text) => text !== ''),
          { minLength: 2, maxLength: 40 },
        ),
        (keys) => {
          const plain: string[] = [];
          keys.forEach((a, n) => {
            for (const b of keys.slice(n + 1))
              if (mayBeSpellingOf(a, b)) plain.push([a, b].sort().join(' ~ '));
          });
          expect(named(keys)).toEqual(plain.sort());
        },
      ),
      { numRuns: 60 },
    );
  });
});
